import { showAgo } from './ago.ts';

describe('how long ago', () => {
  const now = Date.parse('2026-11-29T12:00:00Z');
  it.each([
    [0, 'just now'],
    [59, 'just now'],
    [61, '1 minute ago'],
    [3_599, '59 minutes ago'],
    [7_300, '2 hours ago'],
    [90_000, 'yesterday'],
    [6.9 * 86_400, '6 days ago'],
  ])('%d s is %s', (s, words) => {
    expect(showAgo(new Date(now - s * 1_000).toISOString(), now)).toBe(words);
  });
  it('is a date once it is longer than a week, and now where clocks differ', () => {
    expect(showAgo('2026-11-01T12:00:00Z', now)).toMatch(/2026/);
    expect(showAgo('2026-11-29T12:00:09Z', now)).toBe('just now');
  });
});

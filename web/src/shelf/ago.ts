import { showDate } from '../shared/index.ts';

const spans = [
  ['second', 60],
  ['minute', 60],
  ['hour', 24],
  ['day', 7],
] as const;
const ago = new Intl.RelativeTimeFormat('en', { numeric: 'auto' });

/** How long ago something was, in words; longer than a week: when. @param nowMs milliseconds since 1970 */
export function showAgo(iso: string, nowMs: number): string {
  let past = Math.max(0, nowMs - Date.parse(iso)) / 1_000;
  for (const [unit, most] of spans) {
    if (past < most) return unit === 'second' ? 'just now' : ago.format(-Math.floor(past), unit);
    past /= most;
  }
  return showDate(iso);
}

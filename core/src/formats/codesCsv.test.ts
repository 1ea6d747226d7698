import { printCodesCsv, readCodesCsv } from './index.ts';

const log = `key,code,sent ms,heard ms
GO,0x10,1000,1320
GO,0x10,2000,2300
BACK,17,3000,3310
GO,0x11,4000,4340
BACK,11h,5000,5300
BACK,0x11,,
`;

describe('a log of codes', () => {
  it('teaches the code that a key gives most, what it is taken for, and its latency', () => {
    expect(readCodesCsv(log)).toEqual({
      outcome: 'read',
      value: [
        { name: 'GO', code: 16, wrongPerMille: 333, latencyUs: 320_000 },
        { name: 'BACK', code: 17, wrongPerMille: 0, latencyUs: 300_000 },
      ],
    });
  });

  it('of ours can be read again', () => {
    const codes = [{ id: 'd1', name: '=GO', code: 255, wrongPerMille: 0, latencyUs: 120_000 }];
    expect(readCodesCsv(printCodesCsv({ codes }))).toEqual({
      outcome: 'read',
      value: [{ name: '=GO', code: 255, wrongPerMille: 0, latencyUs: 120_000 }],
    });
  });

  it.each([
    ['', 'a heading and rows'],
    ['key,word\nGO,1', 'expected a column "code"'],
    ['key,code\nGO,soon', 'expected a code such as 0x1F'],
    ['key,code\n,1', 'expected a name'],
    ['key,code\nGO,1\nBACK,1', 'expected a code of its own for "BACK"'],
    ['key,code\n', 'at least one row'],
    ['key,code\nGO,0xFFFFFFFFFF', 'expected a code'],
  ])('with a fault says where and what was expected: %s', (text, message) => {
    const read = readCodesCsv(text);
    expect(read.outcome === 'faulty' && read.faults[0]!.message).toContain(message);
  });
});

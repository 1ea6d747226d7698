import type { TraceEntry } from '@hum-lever/core';
import { monitored, tempoOf } from './monitored.ts';

const came = (atUs: number, ...bytes: number[]) =>
  ({ atUs, lane: 'midiIn', sinceUs: 0, bytes }) as TraceEntry;
const went = (atUs: number, ...bytes: number[]) => ({ atUs, lane: 'midi', id: 'o1', bytes }) as TraceEntry;
const lost = (atUs: number, ...bytes: number[]) =>
  ({ atUs, lane: 'midiWire', id: 'o1', what: 'lost', bytes, wireBytes: 0 }) as TraceEntry;

describe('what goes over the wires', () => {
  it('is told with the newest first, whichever way it went, and what was lost', () => {
    const trace = [came(1, 0x90, 60, 1), went(2, 0x90, 72, 1), lost(3, 0xb0, 1, 1), went(4, 0x80, 72, 0)];
    expect(monitored(trace, 3).map(({ atUs, outputId, lost: is }) => [atUs, outputId, is])).toEqual([
      [4, 'o1', false],
      [3, 'o1', true],
      [2, 'o1', false],
    ]);
  });
  it('holds ticks of one clock together, and measures their tempo', () => {
    const ticks = Array.from({ length: 49 }, (_, n) => came(1_000 + n * 20_000, 0xf8));
    const [clocks, ...rest] = monitored([...ticks.slice(0, 24), ...ticks.slice(24)], 9);
    expect(rest).toEqual([]);
    expect(clocks).toMatchObject({ atUs: 1_000, times: 49, overUs: 960_000 });
    expect(tempoOf(clocks!)).toBe(125);
    const parted = monitored([...ticks.slice(0, 3), came(70_000, 0x90, 60, 1), ...ticks.slice(4, 6)], 9);
    expect(parted.map(({ times }) => times)).toEqual([2, 1, 3]);
    expect(tempoOf(parted[1]!)).toBeNull();
  });
  it('holds together what is passed on, each way by itself, and who says that he is there', () => {
    const trace = Array.from({ length: 5 }, (_, n) => [
      came(n * 20_000, 0xf8),
      went(n * 20_000 + 1_000, 0xf8),
      came(n * 20_000 + 2_000, 0xfe),
    ]).flat();
    const seen = monitored([came(0, 0x90, 60, 1), ...trace], 9);
    expect(seen.map(({ outputId, bytes, times }) => [outputId, bytes[0], times])).toEqual([
      [null, 0xfe, 5],
      ['o1', 0xf8, 5],
      [null, 0xf8, 5],
      [null, 0x90, 1],
    ]);
    expect(tempoOf(seen[1]!)).toBe(125);
    expect(tempoOf(seen[0]!)).toBeNull();
  });
});

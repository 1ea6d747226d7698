import { renderMoments } from '@hum-lever/core';
import { drumVoices, struckBy, type Strike } from './drums.ts';

const strike = (note: number, velocity = 100) => [0x99, note, velocity];
const all = (...messages: number[][]) => messages.reduce(struckBy, [] as readonly Strike[]);

describe('drums of the sound module', () => {
  it('are struck on channel 10, each time anew, and have no end', () => {
    const struck = all(strike(36), [0x89, 36, 0], strike(36), [0x90, 36, 100], strike(38, 0));
    expect(struck).toEqual([
      { number: 1, note: 36, velocity: 100 },
      { number: 2, note: 36, velocity: 100 },
    ]);
    expect(Object.keys(drumVoices(struck))).toEqual(['drum 1 0', 'drum 2 0']);
  });
  it('are remembered up to a number, and every key is some drum that fades', () => {
    const many = all(...Array.from({ length: 40 }, (_, n) => strike(30 + n)));
    expect(many).toHaveLength(12);
    for (let note = 0; note < 128; note += 1)
      for (const { fadeSeconds, hz } of Object.values(drumVoices(all(strike(note))))) {
        expect(fadeSeconds).toBeGreaterThan(0);
        expect(Number.isFinite(hz)).toBe(true);
      }
  });
  it('sound as hard as they are struck, and are over by themselves', () => {
    const loudest = (velocity: number, fromMs: number) => {
      const sounding = drumVoices(all(strike(36, velocity)));
      const samples = renderMoments([{ atUs: 0, sounding }], 2_000_000, 48_000, 0.5);
      return Math.max(...samples.subarray(fromMs * 48, (fromMs + 60) * 48).map(Math.abs));
    };
    expect(loudest(100, 0)).toBeGreaterThan(0.2);
    expect(loudest(50, 0) / loudest(100, 0)).toBeCloseTo(0.5, 1);
    expect(loudest(100, 1_500)).toBeLessThan(0.001);
  });
});

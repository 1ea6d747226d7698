import { type OutputEntry, type ToldLights } from '@hum-lever/core';
import { isOutputEntry, toldOf } from './index.ts';
import { placesOf } from './lights/places.ts';
import { safely } from './lights/safely.ts';
import { keyChoices, keyWords } from './typing/keys.ts';

/* How outputs are told in words and on the strip, and how lights lie in hand. */

const spoiled = /undefined|NaN|\[object|\$\{/;
const say = (entry: OutputEntry) => toldOf(entry).say(entry as never, 'Ring');
/** What stands on the strip after these, in turn. */
const strip = (...entries: OutputEntry[]): string[] => {
  let was: unknown;
  return entries.map((entry) => {
    const told = toldOf(entry).strip;
    if (typeof told === 'function') return told(entry as never);
    was = told.gather(was, entry as never);
    const { text, dim } = told.show(was);
    return dim ? `(${text})` : text;
  });
};
const atUs = 0;
const id = 'o1';

describe('words of outputs', () => {
  it.each<[OutputEntry, string]>([
    [{ atUs, id, lane: 'lights', first: 2, runs: [3, 0xff0000, 1, 0] }, 'Ring, from light 2 on: 3 red, 1 dark.'],
    [{ atUs, id, lane: 'lightsGoing', first: 0, last: 3, blinkUs: 500_000 }, 'Ring: lights 0 to 3 blink every 500 ms.'],
    [{ atUs, id, lane: 'lightsGoing', first: 4, last: 4, through: [0x0000ff, 0], overUs: 2_000_000 }, 'Ring: light 4 fades to blue, then dark over 2 s.'],
    [{ atUs, id, lane: 'outside', first: 12, last: 12 }, 'Ring was told light 12, which it does not have: nothing was lit.'],
    [{ atUs, id, lane: 'outside', first: 5, last: 2 }, 'Ring was told lights 5 to 2, which run the wrong way: nothing was lit.'],
    [{ atUs, id, lane: 'switched', level: 'on', carrierHz: 38_000 }, 'Ring is on at 38000 Hz.'],
    [{ atUs, id, lane: 'switched', level: 'open', carrierHz: 0 }, 'Ring lets its line go.'],
    [{ atUs, id, lane: 'key', key: 'shift', down: true, held: 2 }, 'Ring presses shift, with 1 held already.'],
    [{ atUs, id, lane: 'key', key: "'é", down: false, held: 0 }, 'Ring lets go of “é”.'],
    [{ atUs, id, lane: 'serial', what: 'begins', text: 'cue 1', bytes: 6 }, 'Ring begins to send “cue 1”, 6 bytes.'],
    [{ atUs, id, lane: 'serial', what: 'ends', text: 'cue 1' }, '“cue 1” has arrived over Ring.'],
  ])('say %j', (entry, words) => {
    expect(isOutputEntry(entry)).toBe(true);
    expect(say(entry).replaceAll('\u202f', ' ')).toBe(words);
    expect(say(entry)).not.toMatch(spoiled);
  }); // prettier-ignore

  it('lay lights together on the strip, however they are told', () => {
    expect(
      strip(
        { atUs, id, lane: 'lights', first: 0, runs: [2, 0xff0000] },
        { atUs, id, lane: 'lights', first: 5, runs: [1, 0x0000ff] },
        { atUs, id, lane: 'lightsGoing', first: 0, last: 1, blinkUs: 500_000 },
        { atUs, id, lane: 'lightsGoing', first: 0, last: 5, through: [0], overUs: 500_000 },
        { atUs, id, lane: 'lights', first: 0, runs: [6, 0] },
      ),
    ).toEqual(['2 lit, red', '3 lit', '3 lit, blinking', 'dark, fading', '(dark)']);
  });
  it('keep which keys are held, and which line is on its way', () => {
    const key = (name: string, down: boolean): OutputEntry => ({
      atUs,
      id,
      lane: 'key',
      key: name,
      down,
      held: 0,
    });
    expect(strip(key('control', true), key('f', true), key('control', false), key('f', false))).toEqual([
      'control',
      'control + F',
      'F',
      '()',
    ]);
    expect(
      strip(
        { atUs, id, lane: 'serial', what: 'begins', text: 'left', bytes: 5 },
        { atUs, id, lane: 'serial', what: 'lost', text: 'right', bytes: 6 },
        { atUs, id, lane: 'serial', what: 'ends', text: 'left' },
      ),
    ).toEqual(['left', 'lost: right', '()']);
  });
  it('name every key once', () => {
    const labels = keyChoices.map(({ label }) => label);
    expect(new Set(labels).size).toBe(labels.length);
    expect(['a', 'f12', 'digit7', 'left'].map(keyWords)).toEqual(['A', 'F12', '7', 'arrow left']);
  });
});

describe('lights in hand', () => {
  const shapes = ['ring', 'strip', 'row', 'grid'] as const;
  it.each(shapes)('lie inside their drawing and not over one another: %s', (shape) => {
    for (const count of [1, 2, 3, 12, 24, 60, 256]) {
      const { width, height, places, radius } = placesOf({ shape, count, columns: 16 });
      expect(places).toHaveLength(count);
      expect(width).toBeLessThanOrEqual(60.001);
      for (const { x, y } of places) {
        expect(Math.min(x, y) - radius).toBeGreaterThanOrEqual(-0.001);
        expect(x + radius).toBeLessThanOrEqual(width + 0.001);
        expect(y + radius).toBeLessThanOrEqual(height + 0.001);
      }
      const apart = (a: number, b: number) =>
        Math.hypot(places[a]!.x - places[b]!.x, places[a]!.y - places[b]!.y);
      for (let n = 1; n < count; n += 1) expect(apart(n - 1, n)).toBeGreaterThan(2 * radius - 0.001);
    }
  });
  it('begin at the top of a ring and go on clockwise; a long strip goes to and fro', () => {
    const ring = placesOf({ shape: 'ring', count: 4, columns: 1 }).places;
    expect(ring[0]!.y).toBeLessThan(ring[1]!.y);
    expect(ring[1]!.x).toBeGreaterThan(ring[3]!.x);
    const strip = placesOf({ shape: 'strip', count: 32, columns: 1 }).places;
    expect(strip[16]!.x).toBeCloseTo(strip[15]!.x, 6);
    expect(strip[16]!.y).toBeGreaterThan(strip[15]!.y);
  });
  it('blink no faster than is safe, and are otherwise left as they are', () => {
    const told = (periodUs: number): ToldLights => ({
      kind: 'lights',
      steady: 'ff0000',
      going: [{ first: 0, last: 0, sinceUs: 0, what: 'blink', periodUs }],
      renewUs: null,
    });
    expect(safely(told(100_000)).going).toMatchObject([{ periodUs: 400_000 }]);
    const slow = told(600_000);
    expect(safely(slow)).toBe(slow);
  });
});

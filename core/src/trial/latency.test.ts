import { type DebounceSetting, type Gadget, type Output } from '../gadget/index.ts';
import { button, partsFor, pressToLight, rule, setting, state } from '../test/fixtures.ts';
import { readRule } from '../flow/index.ts';
import { wired } from '../test/midiCases.ts';
import { latenciesOf, latencyParts } from './latency.ts';

/** A key whose contact does not bounce, on a loop of so many µs, whose rules are as they are typed. */
function playing(
  rules: readonly string[],
  debounce: DebounceSetting = setting('lockout', { lockUs: 8_000 }),
  patch: Partial<Gadget> = {},
  outputs: Output[] = [wired],
): Gadget {
  const usual = pressToLight();
  const key = button({ name: 'Key', debounce });
  const silent = button({ id: 'b3', name: 'Other', key: null, debounce });
  const controls = [key, silent].map((one) => ({
    ...one,
    contact: { ...one.contact, closeMaxUs: 0, againPerMille: 0 },
  }));
  const all = [...usual.outputs, ...outputs];
  const gadget: Gadget = {
    ...usual,
    controls,
    outputs: all,
    parts: partsFor({ controls, outputs: all }),
    ...patch,
  };
  const read = rules.map((text, n) => rule(`r${n + 1}`, readRule(text, gadget)));
  const states = [state('s1', { name: 'Playing', rules: read })];
  return { ...gadget, flow: { ...gadget.flow, variables: [], initialId: 's1', states } };
}
const toOut = (gadget: Gadget) => latenciesOf(gadget).found.find(({ outputId }) => outputId === 'o4')!;
const note = 'when Key press do Out noteOn 1, 60, 100; Piezo tone 440 for 20 ms';

describe('from a finger to a sound', () => {
  it('is by parts what each of them takes, and they are the whole', () => {
    const gadget = playing([note]);
    const latency = toOut(gadget);
    expect(latency).toMatchObject({ controlIds: ['b1'], sounded: 24, presses: 24, worstId: 'b1' });
    const { parts, whole } = latency;
    // A lockout fires at once: what is left is waiting for the loop, up to a turn of a millisecond.
    expect(parts.clean.worstUs).toBe(0);
    expect(parts.read.worstUs).toBeLessThanOrEqual(1_000);
    expect(parts.read.worstUs).toBeGreaterThan(800);
    expect(parts.read.medianUs).toBeGreaterThan(250);
    expect(parts.read.medianUs).toBeLessThan(750);
    // Three bytes of 320 µs. Source: reckoning, MIDI.
    expect(parts.wire).toEqual({ medianUs: 960, worstUs: 960 });
    expect([parts.gesture.worstUs, parts.answer.worstUs]).toEqual([0, 0]);
    expect(whole.worstUs).toBeLessThanOrEqual(
      latencyParts.reduce((sum, part) => sum + parts[part].worstUs, 0),
    );
    const tone = latenciesOf(gadget).found.find(({ outputId }) => outputId === 'o3')!;
    expect(tone.parts.wire.worstUs).toBe(0);
    expect(whole.medianUs - tone.whole.medianUs).toBe(960);
  });

  it('is long through a module that plays its card, and short from samples that the chip plays itself', () => {
    const files = [{ number: 1, name: 'Drum', lengthUs: 300_000 }];
    const player = { id: 'o4', kind: 'player', name: 'Drums', files, tellUs: 10_417, startUs: 150_000, samples: null, nearCm: 40 } as const; // prettier-ignore
    const stored = { ...player, tellUs: 0, startUs: 0, samples: { rateHz: 8_000, bits: 8 as const } };
    const through = (output: Output) =>
      toOut(playing(['when Key press do Drums play 1'], undefined, {}, [output]));
    expect(through(player)).toMatchObject({
      sounded: 24,
      presses: 24,
      parts: { answer: { medianUs: 160_417, worstUs: 160_417 }, wire: { worstUs: 0 } },
    });
    expect(through(stored)).toMatchObject({ sounded: 24, parts: { answer: { medianUs: 0, worstUs: 0 } } });
  });

  it('waits for a contact that has to be still, for the loop, and for those before it on the wire', () => {
    const still = toOut(playing([note], setting('stable', { settleUs: 15_000 })));
    expect(still.parts.clean.medianUs).toBeGreaterThanOrEqual(14_000);
    expect(still.parts.clean.worstUs).toBeLessThanOrEqual(17_000);
    const slow = toOut(playing([note], undefined, { loop: { periodUs: 10_000 } }));
    expect(slow.parts.read.worstUs).toBeGreaterThan(9_000);
    expect(slow.parts.read.worstUs).toBeLessThanOrEqual(10_000);
    const behind = 'when Key press do Out control 1, 7, 100; Out control 1, 8, 100; Out noteOn 1, 60, 100';
    expect(toOut(playing([behind])).parts.answer).toEqual({ medianUs: 1_920, worstUs: 1_920 });
  });

  it('waits to see what a press means', () => {
    const gadget = playing(['when Key tap do Out noteOn 1, 60, 100']);
    const tapped = toOut(gadget);
    // A tap is one when it is let go.
    expect(tapped.parts.gesture.medianUs).toBeGreaterThan(80_000);
    const held = {
      ...gadget,
      controls: gadget.controls.map((one) =>
        one.kind === 'button' ? { ...one, gestures: { ...one.gestures, doubleWindowUs: 250_000 } } : one,
      ),
    };
    expect(toOut(held).parts.gesture.medianUs).toBeGreaterThan(300_000);
  });

  it('counts what sounds because of the key, and nothing else', () => {
    // It ticks by itself; the key does nothing but count.
    const ticking = playing(['when every 100 ms do Piezo tone 440 for 20 ms', 'when Key press do Lamp on']);
    expect(latenciesOf(ticking)).toEqual({ found: [], untried: 0 });
    // One that sounds but once, as it leads on to a state that does not hear it.
    const gadget = playing([note]);
    const twice = { ...gadget.flow.states[0]!, rules: gadget.flow.states[0]!.rules.map((one) => ({ ...one, targetIds: ['s2'] })) }; // prettier-ignore
    const once = toOut({
      ...gadget,
      flow: { ...gadget.flow, states: [twice, state('s2', { name: 'Done' })] },
    });
    expect([once.sounded, once.presses]).toEqual([1, 24]);
    expect(latenciesOf(playing(['when Key press do Lamp on'])).found).toEqual([]);
  });

  it('is of many presses also where a sound has no end, and the next begins nothing', () => {
    const toPiezo = (rules: readonly string[]) =>
      latenciesOf(playing(rules)).found.map(({ sounded, presses, whole }) => ({ sounded, presses, whole }));
    const endless = toPiezo(['when Key press do Piezo tone 440']);
    expect(endless).toMatchObject([{ sounded: 24, presses: 24 }]);
    // As with one that ends: a turn of the loop is waited for, somewhere in it.
    expect(endless).toEqual(toPiezo(['when Key press do Piezo tone 440 for 20 ms']));
    expect(endless[0]!.whole.worstUs).toBeGreaterThan(0);
  });
});

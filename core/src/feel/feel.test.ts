import * as fc from 'fast-check';
import { contactOf, type SwitchModel } from '../contact/index.ts';
import { algorithmOf, everyAlgorithm, wrongCounted } from '../debounce/index.ts';
import { freshEncoder, freshKnob } from '../drawer/index.ts';
import {
  emptyGadget,
  human,
  purposes,
  type Button,
  type Encoder,
  type EncoderReading,
  type Knob,
  type KnobReading,
} from '../gadget/index.ts';
import { button, part, setting } from '../test/fixtures.ts';
import { edited, gadgetOf } from '../test/wiringFixtures.ts';
import {
  adviseCodes,
  adviseEncoder,
  flickersPerMinute,
  handsOf,
  keypadsOf,
  knobFacts,
  limitsOf,
  measureOn,
  middleShare,
  neededPeriodUs,
  planSweep,
  quietReading,
  readKeypad,
  recommend,
  responseOf,
  rolloverOf,
  schools,
  speedRow,
  tryTurn,
  usualWish,
} from './index.ts';

const bench = emptyGadget('Bench');
const wanting = (purpose: Button['wants']['purpose'], model: SwitchModel, patch: Partial<Button> = {}) =>
  button({ contact: contactOf(model), wants: { purpose, latestUs: null, wrongPerMillion: null }, ...patch });

describe('a recommendation', () => {
  const advised = new Map(purposes.map((purpose) => [purpose, recommend(bench, wanting(purpose, 'leaf'))]));

  it.each(purposes)('keeps the limits of what the button is for: %s', (purpose) => {
    const advice = advised.get(purpose)!;
    const limits = limitsOf(wanting(purpose, 'leaf'));
    expect(advice.met).toBe(true);
    expect(advice.row.press!.p99Us).toBeLessThanOrEqual(limits.latestUs);
    expect(wrongCounted(advice.row) * 1_000).toBeLessThanOrEqual(limits.wrongPerMillion);
    expect(algorithmOf(advice.setting.algorithm).school).toBe(advice.school);
  });

  it('fires at once for a game and waits until sure for what cannot be undone', () => {
    expect(advised.get('game')!.school).toBe('fire-then-ignore');
    const careful = advised.get('destructive')!;
    expect(careful.school).toBe('wait-then-fire');
    expect(careful.row.rejectedSpikeUs).toBeGreaterThan(0);
  });

  it('always shows the best of both schools, and never what stands everything still', () => {
    for (const { best, setting: picked } of advised.values()) {
      for (const school of schools) expect(algorithmOf(best[school]!.setting.algorithm).school).toBe(school);
      expect(['blocking', 'rc', 'none']).not.toContain(picked.algorithm);
    }
  });

  it('gives way to the other school where spikes make its own wrong', () => {
    const contact = { ...contactOf('snap'), glitchPerHour: 3_600 };
    const advice = recommend(
      bench,
      wanting('game', 'snap', {
        contact,
        wants: { purpose: 'game', latestUs: 30_000, wrongPerMillion: null },
      }),
    );
    expect(advice).toMatchObject({ school: 'wait-then-fire', met: true });
    expect(advice.best['fire-then-ignore']!.met).toBe(false);
  });

  it('comes closest where nothing keeps the limits, and says so', () => {
    const wants = { purpose: 'destructive', latestUs: 1_000, wrongPerMillion: 0 } as const;
    const contact = { ...contactOf('worn'), glitchPerHour: 36_000, glitchMaxUs: 8_000 };
    expect(recommend(bench, wanting('destructive', 'worn', { contact, wants }))).toMatchObject({
      met: false,
    });
  });

  it('tells what is set now by the same measure', () => {
    const poor = wanting('game', 'leaf', { debounce: setting('lockout', { lockUs: 1_000 }) });
    const { now } = recommend(bench, poor);
    expect(now.setting).toEqual(poor.debounce);
    expect(now.met).toBe(false);
    expect(now.row.falsePresses).toBeGreaterThan(100);
  });
});

describe('a sweep that is wished for', () => {
  const control = wanting('game', 'dome');
  it('tries the setting in use first, then the grid on each switch', () => {
    const plan = planSweep(bench, control, {
      ...usualWish,
      algorithms: ['stable', 'lockout'],
      models: ['own', 'worn'],
      presses: 50,
    });
    expect(plan.settings[0]).toEqual(control.debounce);
    expect(new Set(plan.settings.map(({ algorithm }) => algorithm))).toEqual(new Set(['stable', 'lockout']));
    expect(plan.trains.map(({ name }) => name)).toEqual(['own', 'worn']);
  });
  it.each([
    [{ algorithms: [] }, 'at least one method'],
    [{ models: [] }, 'at least one switch'],
    [{ jitterUs: 1_000 }, 'a delay of less than'],
    [{ presses: 0 }, 'presses'],
  ])('refuses %j', (patch, message) => {
    expect(() => planSweep(bench, control, { ...usualWish, algorithms: everyAlgorithm, ...patch })).toThrow(
      message,
    );
  });
});

it('a measure of thousands never says none', () => {
  const [calm] = measureOn(
    bench,
    wanting('game', 'dome'),
    [setting('lockout', { lockUs: 20_000 })],
    1_000,
    5_000,
  );
  expect(calm!.falseOdds).toMatchObject({ count: 0, of: 5_000 });
  expect(calm!.falseOdds.highPerMille).toBeGreaterThan(0.5);
});

describe('an encoder', () => {
  const part = { detents: 20, countsPerDetent: 4, interrupts: false };
  const encoder = (reading: Partial<EncoderReading> = {}): Encoder => {
    const fresh = freshEncoder({ kind: 'encoder', figures: {} }, 'Dial', null, null);
    return { ...fresh, id: 'b1', reading: { ...fresh.reading, ...reading } };
  };

  it('of 20 detents at 4 counts and 4 turns a second gives 320 counts a second: read every 3.1 ms', () => {
    expect(speedRow(encoder(), part, 1_000, 250_000).countsPerSecond).toBe(320);
    expect(neededPeriodUs(part, 250_000)).toBe(3_125);
  });

  it('makes one step of each click when it is read in time, either way', () => {
    for (const back of [false, true]) {
      const { expected, steps, skipped, wrongWay } = tryTurn(encoder(), part, 500, 1_000_000, { back });
      expect(expected).toBe(back ? -20 : 20);
      expect(steps).toBe(expected);
      expect(skipped + wrongWay).toBe(0);
    }
  });

  it('loses more the faster it is turned and the more seldom it is read', () => {
    const lost = (periodUs: number, turnUs: number) => speedRow(encoder(), part, periodUs, turnUs).lost;
    expect(lost(1_000, 1_000_000)).toBe(0);
    expect(lost(8_000, 400_000)).toBeGreaterThan(0);
    expect(lost(8_000, 200_000)).toBeGreaterThan(lost(8_000, 1_600_000));
  });

  it('loses nothing by interrupt, however seldom the loop turns', () => {
    expect(speedRow(encoder(), { ...part, interrupts: true }, 50_000, 250_000)).toMatchObject({
      lost: 0,
      extra: 0,
    });
  });

  it('read by the shortcut counts its bounce, where the table takes it back', () => {
    const faults = (method: 'table' | 'edge') => {
      const { extra, wrongWay } = speedRow(encoder({ method }), part, 100, 2_000_000);
      return extra + wrongWay;
    };
    expect(faults('table')).toBe(0);
    expect(faults('edge')).toBeGreaterThan(20);
  });

  it('with half a cycle to a step makes two of each click; reversed, it goes the other way', () => {
    expect(tryTurn(encoder({ countsPerStep: 2 }), part, 500, 1_000_000).steps).toBe(40);
    expect(tryTurn(encoder({ reversed: true }), part, 500, 1_000_000).steps).toBe(-20);
  });

  it('accelerates: a quick turn gives more steps than a slow one', () => {
    const quick = { faster: { fromUs: 40_000, most: 5 } };
    expect(speedRow(encoder(quick), part, 500, 2_000_000).stepsPerTurn).toBe(20);
    expect(speedRow(encoder(quick), part, 500, 400_000).stepsPerTurn).toBe(40);
    expect(speedRow(encoder(quick), part, 500, 80_000).stepsPerTurn).toBe(100);
  });
});

describe('what to set', () => {
  it('for an encoder makes each click a step, read twice for each count, and then is what is set', () => {
    const dial = freshEncoder({ kind: 'encoder', figures: {} }, 'Dial', null, null);
    const reading = { ...dial.reading, method: 'edge' as const, countsPerStep: 2 as const };
    const control: Encoder = { ...dial, id: 'b1', reading };
    const gadget = {
      ...bench,
      loop: { periodUs: 4_000 },
      controls: [control],
      parts: [part('p1', 'encoder', ['b1'], { figures: { detents: 20, countsPerDetent: 4 } })],
    };
    const advice = adviseEncoder(gadget, control);
    // 80 counts in 400 ms.
    expect(advice).toMatchObject({ countUs: 5_000, periodUs: 2_500, fits: false, inTime: false });
    expect(advice.reading).toMatchObject({ method: 'table', countsPerStep: 4 });
    const set = { ...gadget, loop: { periodUs: advice.periodUs } };
    expect(adviseEncoder(set, { ...control, reading: advice.reading })).toMatchObject({
      fits: true,
      inTime: true,
    });
  });

  it('for held codes outlasts a lost repeat, and not two presses', () => {
    const heldGapUs = adviseCodes({ repeatsEveryUs: 100_000, heldGapUs: 0 }).heldGapUs;
    expect(heldGapUs).toBe(220_000);
    const fits = (us: number) => adviseCodes({ repeatsEveryUs: 100_000, heldGapUs: us }).fits;
    expect([90_000, heldGapUs, 900_000].map(fits)).toEqual([false, true, false]);
  });
});

describe('a knob', () => {
  const knob = (reading: Partial<KnobReading> = {}, patch: Partial<Knob> = {}): Knob => {
    const fresh = freshKnob({ kind: 'potentiometer', figures: {} }, 'Level', null, null);
    return { ...fresh, id: 'b1', ...patch, reading: { ...fresh.reading, endBandCounts: 0, ...reading } };
  };

  it('of 1024 counts in 205 steps has 5.0 counts a step', () => {
    const facts = knobFacts(knob({ steps: 205, low: 0, high: 204 }), 'linear');
    expect(facts.widthCounts).toBeCloseTo(5.0, 1);
    expect(facts.valuePerStep).toBe(1);
    expect(facts.reachable).toBe(205);
  });

  it('whose noise reaches three counts flickers without hysteresis, and not with more than that', () => {
    const noisy = { ...knob().wiper, noisePpm: Math.round((3 / 6 / 1_024) * 1_000_000) };
    const at = (hysteresisCounts: number, steps: number) =>
      knobFacts(knob({ steps, hysteresisCounts, low: 0, high: steps - 1 }, { wiper: noisy }), 'linear');
    expect(at(0, 205).noiseCounts).toBe(3);
    expect(at(0, 205).worstFlickers).toBeGreaterThan(100);
    expect(at(4, 100).worstFlickers).toBe(0);
  });

  it('flickers less behind any filter', () => {
    const flickers = (filter: KnobReading['filter']) =>
      flickersPerMinute(
        knob({ filter, readings: 16, hysteresisCounts: 0, steps: 512, high: 511 }),
        'linear',
        0.5003,
      );
    const none = flickers('none');
    expect(none).toBeGreaterThan(100);
    for (const filter of ['mean', 'exponential', 'median'] as const)
      expect(flickers(filter)).toBeLessThan(none / 2);
  });

  it('gives its whole range from end to end, whatever its taper, curve and direction', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('linear' as const, 'log' as const, 'reverseLog' as const),
        fc.constantFrom('even' as const, 'fineLow' as const, 'fineHigh' as const),
        fc.boolean(),
        fc.boolean(),
        (taper, curve, straighten, reversed) => {
          const values = responseOf(knob({ curve, straighten, reversed, endBandCounts: 4 }), taper).map(
            ({ value }) => value,
          );
          expect([values[0], values.at(-1)]).toEqual(reversed ? [100, 0] : [0, 100]);
          values
            .slice(1)
            .forEach((value, n) =>
              expect(reversed ? values[n]! - value : value - values[n]!).toBeGreaterThanOrEqual(0),
            );
        },
      ),
      { seed: 51 },
    );
  });

  it('with a log track has a tenth at its middle, straightened a half', () => {
    expect(middleShare(knob(), 'log')).toBeCloseTo(0.1, 1);
    expect(middleShare(knob({ straighten: true }), 'log')).toBeCloseTo(0.5, 1);
  });

  it('is quiet with what is recommended, and that recommends itself', () => {
    for (const [taper, steps] of [
      ['linear', 205],
      ['log', 1_000],
    ] as const) {
      const loud = knob({ steps, hysteresisCounts: 0 }, { sets: 'level' });
      const quiet = quietReading(loud, taper);
      expect(knobFacts({ ...loud, reading: quiet }, taper).worstFlickers).toBeLessThanOrEqual(1);
      expect(quietReading({ ...loud, reading: quiet }, taper)).toEqual(quiet);
    }
  });
});

describe('hands', () => {
  it('are taken from what they played, holds and rests left out', () => {
    const presses = Array.from({ length: 30 }, (_, n) => ({ atUs: n * 200_000, heldUs: 80_000 + n * 2_000 }));
    expect(handsOf([...presses, { atUs: 20_000_000, heldUs: 3_000_000 }])).toEqual({
      shortestPressUs: 80_000,
      ordinaryPressUs: 110_000,
      longTapUs: 138_000,
      fastestRepeatUs: 200_000,
      comfortableRepeatUs: 200_000,
    });
    expect(handsOf(presses.slice(0, 5))).toBeNull();
    expect(human.shortestPressUs).toBe(60_000);
  });
});

describe('a keypad', () => {
  const keys = (scheme: string, params: Record<string, number>) => {
    const four = gadgetOf(null, ['push-button'], ['push-button'], ['push-button'], ['push-button']);
    const set = { name: 'Keys', controlIds: four.controls.map(({ id }) => id), scheme, params, chords: [] };
    return edited(four, { name: 'addKeySet', args: [set] });
  };
  it('shows ghosts as they will be read, and how many keys it reads truly', () => {
    const three = new Set(['b1', 'b2', 'b3']);
    const [plain] = keypadsOf(keys('matrix', { rows: 2 }));
    expect(readKeypad(plain!, three).find(({ id }) => id === 'b4')).toEqual({
      id: 'b4',
      pressed: false,
      read: true,
    });
    expect(rolloverOf(plain!)).toBe(2);
    const [diodes] = keypadsOf(keys('matrix-diodes', { rows: 2 }));
    expect(readKeypad(diodes!, three).filter(({ pressed, read }) => pressed !== read)).toEqual([]);
    expect(rolloverOf(diodes!)).toBe(4);
  });
  it('is looked at once a turn, or as seldom as its scan takes', () => {
    const slow = { ...keys('matrix', { rows: 2 }), loop: { periodUs: 10 } };
    const [times] = keypadsOf(slow);
    expect(times!.everyUs).toBeGreaterThanOrEqual(times!.scanUs);
    expect(times!.everyUs % 10).toBe(0);
  });
});

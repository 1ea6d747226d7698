import { checkGadget } from '../snag/index.ts';
import { addOwnPartEdit, figuresEdit, ownClassEdit } from '../drawer/index.ts';
import { readRule } from '../flow/index.ts';
import {
  applyEdit,
  emptyGadget,
  openGadget,
  ownClassSchema,
  ownTellUs,
  type Gadget,
  type OwnClass,
} from '../gadget/index.ts';
import { moduleClass, rule, state } from '../test/fixtures.ts';
import { outputOf, toldGadget } from '../test/toldGadget.ts';
import { replay, type Stimulus } from './index.ts';

/* A module of the maker's own: values that it takes over its bus, and values that it tells. */

const tuner: OwnClass = {
  ...moduleClass,
  plays: [
    ...moduleClass.plays,
    { kind: 'reading', name: 'signal', unit: 'dB', low: 0, high: 80, everyUs: 100_000, errorPerMille: 25 },
  ],
};
const added = (own: OwnClass): Gadget => {
  const bench = emptyGadget('Bench');
  return applyEdit(bench, addOwnPartEdit(bench, own));
};
const withRules = (gadget: Gadget, ...lines: string[]): Gadget => {
  const blank = { ...gadget, flow: { ...gadget.flow, initialId: 's1', states: [state('s1')] } };
  const rules = lines.map((line, n) => rule(`r${n + 1}`, readRule(line, blank)));
  return { ...blank, flow: { ...blank.flow, states: [state('s1', { rules })] } };
};
const settings = (gadget: Gadget, stimuli: Stimulus[] = [], untilUs = 1_000_000) =>
  replay(gadget, stimuli, untilUs, 1).flatMap((entry) =>
    entry.lane === 'setting' ? [[entry.atUs, entry.what, entry.value]] : [],
  );

describe('a value that a module takes', () => {
  it('is on its way for as long as its bytes are', () => {
    // Five bytes of nine bits at 100 kHz.
    expect(ownTellUs(tuner, 5)).toBe(450);
    expect(ownTellUs({ ...tuner, busBaud: 9_600, lines: [{ name: 'a', need: 'tx', maxUa: 0 }] }, 24)).toBe(
      25_000,
    );
    expect(ownTellUs({ ...tuner, lines: [{ name: 'a', need: 'out', maxUa: 0 }] }, 24)).toBe(0);
    const gadget = withRules(
      added(tuner),
      'when after 10 ms do "Tuner frequency" give 98; "Tuner frequency" give 200',
    );
    expect(openGadget(gadget).outcome).toBe('opened');
    // It begins at the nearest to 0, and stops at what the module can do.
    expect(gadget.outputs[0]).toMatchObject({ start: 87, tellUs: 450 });
    expect(settings(gadget)).toEqual([
      [10_000, 'begins', 98],
      [10_450, 'is', 98],
      [10_450, 'begins', 108],
      [10_900, 'is', 108],
    ]);
  });
  it('is lost where too much waits already, and goes back with the power', () => {
    const slow = { ...outputOf('setting', 'Thing'), tellUs: 1_000_000 };
    const many = toldGadget(
      slow,
      Array.from({ length: 19 }, (_, n) => [10 + n, `Thing give ${n + 1}`] as const),
    );
    expect(settings(many).filter(([, what]) => what === 'lost')).toEqual([
      [27_000, 'lost', 18],
      [28_000, 'lost', 19],
    ]);
    const gadget = toldGadget(outputOf('setting', 'Thing'), [[10, 'Thing give 5']]);
    const cycle: Stimulus = { atUs: 20_000, controlId: 'gadget', what: 'power', event: 'cycle' };
    expect(settings(gadget, [cycle], 25_000)).toEqual([
      [10_000, 'is', 5],
      [20_000, 'is', 0],
    ]);
  });
});

describe('a value that a module tells', () => {
  const knobOf = ({ controls }: Gadget) => controls.find(({ kind }) => kind === 'knob')!;
  const read = (gadget: Gadget, perMille: number, untilUs: number) =>
    replay(
      gadget,
      [{ atUs: 150_000, controlId: knobOf(gadget).id, what: 'move', perMille, overUs: 0 }],
      untilUs,
      7,
    ).flatMap((entry) => (entry.lane === 'value' ? [entry.value] : []));
  it('is read so often, in its own unit, off by no more than its sheet says', () => {
    const gadget = added(tuner);
    expect(knobOf(gadget).name).toBe('Tuner signal');
    const exact = added({ ...tuner, plays: [{ ...(tuner.plays[1] as object), errorPerMille: 0 } as never] });
    expect(read(exact, 250, 1_000_000).at(-1)).toBe(20);
    const values = read(gadget, 500, 60_000_000);
    expect(values.length).toBeGreaterThan(50);
    // 25 thousandths of 80 are 2, and one for the step that it falls in.
    expect(Math.max(...values.map((value) => Math.abs(value - 40)))).toBeLessThanOrEqual(3);
  });
  it('is told to flicker where it does, and asked for no ends that a hand would turn it to', () => {
    const found = (own: OwnClass) => checkGadget(added(own)).snags.map(({ rule: id }) => id);
    expect(found(tuner)).toEqual(['F07']);
    expect(
      found({ ...tuner, plays: [{ ...(tuner.plays[1] as object), errorPerMille: 0 } as never] }),
    ).toEqual([]);
  });
  it('is asked by rules as any other', () => {
    const gadget = withRules(
      added(tuner),
      'when "Tuner signal" falls 20 do "Tuner frequency" give 87 + value("Tuner signal") / 10',
    );
    const move = (atUs: number, perMille: number): Stimulus => ({
      atUs, controlId: knobOf(gadget).id, what: 'move', perMille, overUs: 0,
    }); // prettier-ignore
    expect(settings(gadget, [move(200_000, 900), move(600_000, 150)]).at(-1)).toEqual([600_450, 'is', 88]);
  });
});

describe('its sheet', () => {
  it('can be put right: what rules say of it stays, and figures follow', () => {
    const gadget = withRules(added(tuner), 'when "Tuner signal" falls 20 do "Tuner frequency" give 90');
    const own: OwnClass = {
      ...tuner,
      busBaud: 400_000,
      plays: [
        { kind: 'setting', name: 'frequency', unit: 'MHz', low: 60, high: 108, bytes: 8 },
        { kind: 'reading', name: 'signal', unit: 'dB', low: 0, high: 40, everyUs: 50_000, errorPerMille: 0 },
      ],
    };
    const now = applyEdit(gadget, ownClassEdit(gadget, gadget.parts[0]!, own));
    expect(openGadget(now).outcome).toBe('opened');
    expect(now.flow).toEqual(gadget.flow);
    expect(now.outputs[0]).toMatchObject({ id: gadget.outputs[0]!.id, low: 60, tellUs: 180 });
    expect(knobOf(now)).toMatchObject({
      reading: { high: 40, steps: 41, everyUs: 50_000 },
      wiper: { noisePpm: 0 },
    });
    // What is something else now is taken out, with what spoke of it.
    const other = applyEdit(now, ownClassEdit(now, now.parts[0]!, { ...own, plays: [own.plays[1]!] }));
    expect([openGadget(other).outcome, other.outputs, other.flow.states[0]!.rules]).toEqual([
      'opened',
      [],
      [],
    ]);
  });
  it('says how long telling takes, also where only the speed of its bus is another', () => {
    const gadget = added(tuner);
    const [part] = gadget.parts;
    const told = (edit: Parameters<typeof applyEdit>[1]) => applyEdit(gadget, edit).outputs[0];
    expect(told(ownClassEdit(gadget, part!, { ...tuner, busBaud: 400_000 }))).toMatchObject({ tellUs: 113 });
    expect(told(figuresEdit(gadget, part!, { busBaud: 50_000 }))).toMatchObject({ tellUs: 900 });
    // What its maker has set by hand stays, where its sheet says nothing new of it.
    const set = applyEdit(gadget, {
      name: 'changeOutput',
      args: [gadget.outputs[0]!.id, { start: 99 } as never],
    });
    const dearer = ownClassEdit(set, set.parts[0]!, { ...tuner, priceCents: 900 });
    expect(applyEdit(set, dearer).outputs[0]).toMatchObject({ start: 99, tellUs: 450 });
  });
  const knobOf = ({ controls }: Gadget) => controls.find(({ kind }) => kind === 'knob')!;
  it.each([
    [{ kind: 'setting', name: 'a', unit: '', low: 5, high: 5, bytes: 1 }],
    [{ kind: 'reading', name: 'a', unit: '', low: 0, high: 70_000, everyUs: 1_000, errorPerMille: 1 }],
    [{ kind: 'reading', name: '', unit: '', low: 0, high: 7, everyUs: 1_000, errorPerMille: 1 }],
    ['lamp'],
  ])('refuses %j', (end) => {
    expect(ownClassSchema.safeParse({ ...moduleClass, plays: [end] }).success).toBe(false);
  });
});

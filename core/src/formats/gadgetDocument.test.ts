import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { EditRefused, limits, type Gadget } from '../gadget/index.ts';
import { withMenus } from '../menu/index.ts';
import { checkGadget, snagRules } from '../snag/index.ts';
import { runTrial, trialSchema } from '../trial/index.ts';
import { Explorer, usualLimits, wayInto } from '../explore/index.ts';
import { replay, type Stimulus } from '../machine/index.ts';
import { pressToLight } from '../test/fixtures.ts';
import { editGadget, printGadget, readGadget, readGadgetText } from './index.ts';

describe('gadget files', () => {
  it('come back as they were', () => {
    const text = printGadget(pressToLight());
    const read = readGadgetText(text);
    expect(read).toMatchObject({ outcome: 'opened', gadget: pressToLight() });
    expect(read.outcome === 'opened' && printGadget(read.gadget)).toBe(text);
  });

  it('that are none are told apart', () => {
    expect(readGadgetText('{"kind": ').outcome).toBe('not-json');
    expect(readGadgetText('').outcome).toBe('not-json');
    expect(readGadgetText('[]').outcome).toBe('unknown-kind');
    expect(readGadgetText(`"${'x'.repeat(limits.documentBytes)}"`).outcome).toBe('too-large');
  });

  it('with a debounce that no algorithm runs are refused by field', () => {
    const unknown = readGadget(
      pressToLight({ debounce: { algorithm: 'magic', params: {}, wholePort: false } }),
    );
    expect(unknown).toMatchObject({
      outcome: 'invalid',
      faults: [{ path: 'controls.0.debounce.algorithm' }],
    });
    const edit = {
      name: 'changeControl',
      args: ['b1', { debounce: { algorithm: 'stable', params: { lockUs: 4 }, wholePort: false } }],
    } as const;
    expect(() => editGadget(pressToLight(), edit as never)).toThrow(EditRefused);
  });
});

interface Demo {
  folder: string;
  faults: string;
  trials: number;
}

describe.each<Demo>([
  {
    folder: 'kettle-keeper',
    faults: 'F01 F03 F04 F12 L01 L02 L03 L05 L13 P04 S01 S06 W03 W04 W07 W15 W16',
    trials: 3,
  },
  { folder: 'reed-box', faults: 'F06 F07 F08 F09 F10 K01 K04 S06 W01 W03 W07 W15', trials: 1 },
  { folder: 'prompt-pad', faults: 'W17 X06', trials: 2 },
  { folder: 'cue-lantern', faults: 'F05 F09 G03 L08 L15 P05 P07 S06 W01 W07 W09 W12 W15 W16', trials: 2 },
])('the demo $folder', ({ folder: name, faults, trials: count }) => {
  const folder = join(__dirname, '../../../demo', name);
  const json = (file: string) => JSON.parse(readFileSync(join(folder, file), 'utf8')) as unknown;
  const [faulty, current] = readdirSync(folder)
    .filter((file) => /^\d/.test(file))
    .sort()
    .map((file) => {
      const read = readGadgetText(readFileSync(join(folder, file), 'utf8'));
      if (read.outcome !== 'opened') throw new Error(read.message);
      return read.gadget;
    });
  const trials = (json('trials.json') as unknown[]).map((trial) => trialSchema.parse(trial));

  it('has a faulty revision and a sound one, and no failing rule', () => {
    expect(checkGadget(current!)).toEqual({ snags: [], failed: [] });
    const report = checkGadget(faulty!);
    expect([...new Set(report.snags.map(({ rule }) => rule))].sort().join(' ')).toBe(faults);
    expect(report.failed).toEqual([]);
  });

  it('comes to every state by hand, as far as a walk of some seconds leads', () => {
    // A round of the stove lies farther off than anything of the others.
    const edges = name === 'kettle-keeper' ? 400_000 : 120_000;
    const explorer = new Explorer(current!, { ...usualLimits, states: 30_000, edges });
    explorer.advance(Infinity);
    const { stateIds } = explorer.tables;
    // With those that its menus come to.
    const { states } = withMenus(current!).flow;
    const missed = states.filter(
      ({ id, kind }) =>
        (kind === 'plain' || kind === 'final') &&
        !states.some(({ parentId }) => parentId === id) &&
        !explorer.entered[stateIds.indexOf(id)],
    );
    // A minute of good play lies before that end.
    expect(missed.map((state) => state.name)).toEqual(name === 'kettle-keeper' ? ['Well kept'] : []);
    if (explorer.complete) expect(explorer.fired).not.toContain(false);
  });

  it('can be played to wherever a snag of its flow is', () => {
    const rules = snagRules.filter(({ id }) => id.startsWith('L'));
    const { snags } = checkGadget(faulty!, rules);
    const never = snags.filter(({ rule }) => rule === 'L01').map(({ place }) => place.id);
    const { states } = faulty!.flow;
    for (const { rule, place, way } of snags) {
      const home = states.find(
        ({ id, rules: own }) => id === place.id || own.some((one) => one.id === place.id),
      );
      // A minute of good play lies before that end: no way that was worked out beforehand leads through its chance.
      if (rule === 'L01' || !home || never.includes(home.id) || home.name === 'Well kept') continue;
      const { seed, stimuli, endUs } = (way ?? wayInto(faulty!, home.id))!;
      const trace = replay(faulty!, stimuli as Stimulus[], endUs, seed);
      expect(trace).toContainEqual(expect.objectContaining({ lane: 'state', id: home.id }));
    }
  });

  it('has its faulty wiring mended by what the snags offer', () => {
    const rules = snagRules.filter(({ id }) => /^[WKPN]/.test(id));
    const found = (gadget: Gadget) => checkGadget(gadget, rules).snags;
    let gadget = faulty!;
    expect(found(gadget)).not.toEqual([]);
    // Each mend may uncover another; none may bring back what is mended already.
    for (let step = 0; step < 12 && found(gadget).some(({ mend }) => mend); step += 1)
      gadget = editGadget(gadget, found(gadget).find(({ mend }) => mend)!.mend!.edit);
    // Too few pins is for the maker to decide.
    expect(found(gadget).filter(({ rule }) => rule !== 'W17')).toEqual([]);
  });

  it('has trials that pass now', () => {
    expect(trials.map((trial) => runTrial(current!, trial).result.passed)).toEqual(
      Array.from({ length: count }, () => true),
    );
  });
});

describe('the demo kettle', () => {
  const folder = join(__dirname, '../../../demo/kettle-keeper');
  const open = (file: string) => {
    const read = readGadgetText(readFileSync(join(folder, file), 'utf8'));
    if (read.outcome !== 'opened') throw new Error(read.message);
    return read.gadget;
  };
  const json = (file: string) => JSON.parse(readFileSync(join(folder, file), 'utf8')) as unknown;
  const trials = (json('trials.json') as unknown[]).map((trial) => trialSchema.parse(trial));

  it('failed one of its trials on the first evening', () => {
    const faulty = open('1-first-evening.json');
    expect(trials.map((trial) => runTrial(faulty, trial).result.passed)).toEqual([false, true, true]);
  });
});

import * as fc from 'fast-check';
import { gadgetArbitrary } from '../test/arbitraries.ts';
import { editArbitrary, editOf, furnished } from '../test/editArbitrary.ts';
import { button, frozen, part, partsFor, pressToLight, rule, numberVariable } from '../test/fixtures.ts';
import { runs } from '../test/runs.ts';
import {
  applyEdit,
  canonicalJson,
  countUses,
  EditRefused,
  edits,
  emptyGadget,
  freshOutput,
  openGadget,
  type Action,
  type Button,
  type Edit,
  type Gadget,
  type Output,
  type OutputAction,
} from './index.ts';

const run = (gadget: Gadget, ...edits: Edit[]) => edits.reduce(applyEdit, gadget);

describe('edits', () => {
  it('build a working gadget from nothing', () => {
    const { id: _id, ...control } = button();
    const { id: _key, plays: _none, ...key } = part('p1', 'push-button');
    const { id: _ruleId, ...press } = rule('r1', { targetIds: ['s2'] });
    const built = run(
      emptyGadget('New'),
      { name: 'renameGadget', args: ['Lamp'] },
      { name: 'setPurpose', args: ['To light the booth'] },
      { name: 'addPart', args: [key, [control]] },
      {
        name: 'addPart',
        args: [{ ...key, kind: 'light' }, [{ kind: 'light', name: 'Lamp', colour: 'amber' }]],
      },
      { name: 'addState', args: ['Dark'] },
      { name: 'addState', args: ['Lit'] },
      { name: 'addRule', args: ['s1', press] },
      {
        name: 'changeState',
        args: ['s2', { entry: [{ kind: 'light', outputId: 'o1', light: { mode: 'on' } }] }],
      },
      { name: 'addVariable', args: [numberVariable({ max: 9 })] },
      {
        name: 'addTask',
        args: [
          {
            name: 'Light it',
            startStateId: 's1',
            goalStateId: 's2',
            doneWhen: null,
            budgetPresses: 1,
            budgetUs: null,
            circumstances: ['dark'],
          },
        ],
      },
      { name: 'setLoopPeriod', args: [2_000] },
      { name: 'moveState', args: ['s2', -5] },
      { name: 'setInitialState', args: ['s1'] },
    );
    expect(built.flow.states.map(({ name }) => name)).toEqual(['Lit', 'Dark']);
    expect(built.flow.initialId).toBe('s1');
    expect(openGadget(built).outcome).toBe('opened');
  });

  it('take along what would dangle', () => {
    const gadget = pressToLight();
    expect(
      run(gadget, { name: 'removePart', args: ['p1'] }).flow.states.every(({ rules }) => rules.length === 0),
    ).toBe(true);
    const noScreen = run(gadget, { name: 'removePart', args: ['p3'] });
    expect(countUses(noScreen, 'o2')).toBe(0);
    const one = run(gadget, { name: 'removeState', args: ['s1'] });
    expect(one.flow).toMatchObject({ initialId: 's2', states: [{ id: 's2', rules: [] }] });
    const noCount = run(gadget, { name: 'removeVariable', args: ['v1'] });
    expect(noCount.flow.states[0]!.rules[0]!.actions).toEqual([]);
  });

  it('are refused with the field named, and change nothing', () => {
    const gadget = frozen(pressToLight());
    const refused = (edit: Edit) => {
      try {
        applyEdit(gadget, edit);
      } catch (error) {
        return error instanceof EditRefused ? error.message : String(error);
      }
      return 'accepted';
    };
    expect(refused({ name: 'renameGadget', args: [' '] })).toContain('name');
    expect(refused({ name: 'setLoopPeriod', args: [NaN] })).toContain('loop.periodUs');
    expect(refused({ name: 'changeRule', args: ['r1', { targetIds: ['s9'] }] })).toContain('targetId');
    expect(refused({ name: 'changeRule', args: ['r99', { targetIds: [] }] })).toContain('no rule');
    expect(refused({ name: 'setInitialState', args: ['s9'] })).toContain('no state');
  });

  it('turn a wait inside a rule into a state of its own', () => {
    const light = { kind: 'light', outputId: 'o1', light: { mode: 'off' } } as const;
    const waiting = run(pressToLight(), {
      name: 'changeRule',
      args: ['r1', { actions: [{ kind: 'wait', lengthUs: 300_000 }, light] }],
    });
    const mended = run(waiting, { name: 'waitInOwnState', args: ['r1', 0, 'Waiting'] });
    expect(mended.flow.states[0]!.rules[0]).toMatchObject({ actions: [], targetIds: ['s3'] });
    expect(mended.flow.states[2]).toMatchObject({
      name: 'Waiting',
      rules: [{ trigger: { kind: 'after', delay: 300_000 }, actions: [light], targetIds: ['s2'] }],
    });
  });

  it('make the state that a rule leads to, in one step, where a rule of that place would look for it', () => {
    const made = run(pressToLight(), { name: 'leadToNewState', args: ['r1', 'Over'] });
    expect(made.flow.states.at(-1)).toMatchObject({ id: 's3', name: 'Over', parentId: null, kind: 'plain' });
    expect(made.flow.states[0]!.rules[0]).toMatchObject({ id: 'r1', targetIds: ['s3'] });
    // One more region would be entered with all the others: it lies in the region that the rule belongs to.
    const { id: _ruleId, ...press } = rule('r1', { targetIds: [] });
    const inRegion = run(
      pressToLight(),
      { name: 'addParallelState', args: ['Both', ['Sound', 'Light']] },
      { name: 'addRule', args: ['s4', press] },
      { name: 'leadToNewState', args: ['r3', 'Loud'] },
    );
    expect(inRegion.flow.states.slice(2).map(({ name, kind, parentId }) => [name, kind, parentId])).toEqual([
      ['Both', 'parallel', null],
      ['Sound', 'plain', 's3'],
      ['Light', 'plain', 's3'],
      ['Loud', 'plain', 's4'],
    ]);
    expect(inRegion.flow.states[3]!.rules[0]).toMatchObject({ id: 'r3', targetIds: ['s6'] });
  });

  it('lay a page over others: nothing shows it by itself any more, and references say so', () => {
    const screen = { ...freshOutput('screen', {}), id: 'o1', name: 'Glass' } as Output;
    const gadget: Gadget = {
      ...emptyGadget('Pages'),
      outputs: [screen],
      parts: [part('p1', 'graphic-display-spi', ['o1'])],
    };
    const shows: Action = { kind: 'showPage', outputId: 'o1', pageId: 'n2' };
    const two = run(
      gadget,
      { name: 'addPage', args: ['o1', 'Stove'] },
      { name: 'addPage', args: ['o1', 'Notice'] },
      { name: 'addState', args: ['All'] },
      { name: 'changeState', args: ['s1', { entry: [shows] }] },
    );
    expect(two.flow.states[0]!.entry).toEqual([shows]);
    const over = run(two, { name: 'layPageOver', args: ['n2', '1'] });
    expect(over.flow.states[0]!.entry).toEqual([]);
    expect(() => run(over, { name: 'changeState', args: ['s1', { entry: [shows] }] })).toThrow(
      /lies over no other/,
    );
    expect(run(two, { name: 'removePage', args: ['n2'] }).flow.states[0]!.entry).toEqual([]);
    expect(run(two, { name: 'movePage', args: ['n2', -1] }).pages.map(({ name }) => name)).toEqual([
      'Notice',
      'Stove',
    ]);
    expect(run(two, { name: 'removePart', args: ['p1'] })).toMatchObject({ pages: [], outputs: [] });
    const drawn: Action = {
      kind: 'drawLine',
      outputId: 'o1',
      onlyIf: '1',
      blinks: 'steady',
      group: 0,
      ink: '1',
      x: '0',
      y: '0',
      toX: '1',
      toY: '1',
    };
    expect(() => run(two, { name: 'changeState', args: ['s1', { entry: [drawn] }] })).toThrow(/on a page/);
    expect(() => run(two, { name: 'addElement', args: ['n1', shows as OutputAction] })).toThrow(
      /draws on a page/,
    );
  });

  it('add an end and a way back where there is something to come back to', () => {
    const one = run(emptyGadget('Ends'), { name: 'addState', args: ['Game'] });
    const inner = run(one, { name: 'addState', args: ['Round', 's1'] });
    const back = run(
      inner,
      { name: 'addState', args: ['Where it was', 's1', 'history'] },
      { name: 'addState', args: ['Over', 's1', 'final'] },
    );
    expect(back.flow.states.map(({ kind }) => kind)).toEqual(['plain', 'plain', 'history', 'final']);
    expect(openGadget(back).outcome).toBe('opened');
    expect(() => run(one, { name: 'addState', args: ['Back', 's1', 'history'] })).toThrow(
      /at least one other/,
    );
    expect(() => run(one, { name: 'addState', args: ['Back', null, 'history'] })).toThrow(
      /history to lie in/,
    );
    expect(() => run(one, { name: 'addParallelState', args: ['Both', []] })).toThrow(/at least one region/);
  });

  it('of any kind, one after the other, leave a document that the door takes, or are refused with a reason', () => {
    const done = new Map<string, number>();
    // What takes longest is to furnish them: each is begun from several times.
    const gadgets = fc
      .sample(gadgetArbitrary, { numRuns: runs(24), seed: 8 })
      .map(furnished)
      .map(frozen);
    fc.assert(
      fc.property(fc.constantFrom(...gadgets), fc.array(editArbitrary, { maxLength: 20 }), (gadget, list) => {
        let current = gadget;
        for (const make of list) {
          let edit: Edit | null = null;
          try {
            edit = make(current);
            current = frozen(applyEdit(current, edit));
            done.set(edit.name, (done.get(edit.name) ?? 0) + 1);
          } catch (error) {
            // Anything but a refusal is a fault of ours; a refusal says what was expected, or what is gone.
            if (!(error instanceof EditRefused)) throw error;
            expect(error.message).toMatch(/expected|Expected|There is no|Unrecognized key/);
          }
        }
        const text = canonicalJson(current);
        const read = openGadget(JSON.parse(text));
        expect(read).toMatchObject({ outcome: 'opened', migratedFrom: null });
        expect(read.outcome === 'opened' && canonicalJson(read.gadget) === text).toBe(true);
      }),
      { seed: 11, numRuns: runs(100) },
    );
    // Each kind of edit can be done: those that did not come up are tried by themselves.
    const can = (name: string) =>
      fc.sample(editOf[name]!, { numRuns: 60, seed: 8 }).some((make) =>
        gadgets.some((before) => {
          try {
            return applyEdit(before, make(before)) !== before;
          } catch (error) {
            if (!(error instanceof EditRefused)) throw error;
            return false;
          }
        }),
      );
    const left = Object.keys(edits).filter((name) => name !== 'several' && !done.has(name));
    expect(left.filter((name) => !can(name))).toEqual([]);
  });
});

describe('edits of feel', () => {
  const gadget = (): Gadget => {
    const two = pressToLight();
    const second = { ...button({ id: 'b2', name: 'Fan', key: null }) };
    const codes = {
      id: 'b3',
      kind: 'codes' as const,
      name: 'Remote',
      key: null,
      codes: [],
      repeatsEveryUs: 110_000,
      heldGapUs: 250_000,
    };
    const controls = [...two.controls, second, codes];
    return { ...two, controls, parts: partsFor({ controls, outputs: two.outputs }) };
  };
  const chord = {
    name: 'Both',
    controlIds: ['b1', 'b2'],
    windowUs: 60_000,
    ordered: false,
    holdUs: null,
    waits: true,
  };
  const apply = (from: Gadget, ...edits: Edit[]) => edits.reduce((now, edit) => applyEdit(now, edit), from);
  const ruleFor = (trigger: Gadget['flow']['states'][number]['rules'][number]['trigger']): Edit => ({
    name: 'addRule',
    args: ['s1', { trigger, guard: null, actions: [], targetIds: [], internal: false }],
  });

  it('a chord takes its rules along when it goes, and goes with a key of it', () => {
    const made = apply(
      gadget(),
      { name: 'addChord', args: [chord] },
      ruleFor({ kind: 'chord', chordId: 'c1' }),
    );
    expect(made.chords).toMatchObject([{ id: 'c1', name: 'Both' }]);
    const count = (of: Gadget) => of.flow.states[0]!.rules.length;
    expect(count(apply(made, { name: 'removeChord', args: ['c1'] }))).toBe(count(made) - 1);
    const part = made.parts.find(({ plays }) => plays.includes('b2'))!;
    const without = apply(made, { name: 'removePart', args: [part.id] });
    expect(without.chords).toEqual([]);
    expect(count(without)).toBe(count(made) - 1);
  });

  it('a chord is of different buttons', () => {
    for (const controlIds of [
      ['b1', 'b1'],
      ['b1', 'b3'],
      ['b1', 'b9'],
    ])
      expect(() => apply(gadget(), { name: 'addChord', args: [{ ...chord, controlIds }] })).toThrow(
        'different buttons',
      );
  });

  it('a capture that goes leaves its contacts to be drawn', () => {
    const capture = { name: 'Spare', presses: [{ heldUs: 9_000, closeUs: [0], openUs: [0, 3, 9] }] };
    const kept = apply(gadget(), { name: 'addCapture', args: [capture] });
    const contact = { ...(kept.controls[0] as Button).contact, captureId: 'x1' };
    const played = apply(kept, { name: 'changeControl', args: ['b1', { contact }] });
    expect(
      (apply(played, { name: 'removeCapture', args: ['x1'] }).controls[0] as Button).contact.captureId,
    ).toBeNull();
    expect(() =>
      apply(kept, { name: 'changeControl', args: ['b1', { contact: { ...contact, captureId: 'x7' } }] }),
    ).toThrow('the id of a capture');
    for (const closeUs of [[0, 5], [1], [0, 5, 5], []])
      expect(() =>
        apply(gadget(), {
          name: 'addCapture',
          args: [{ name: 'Odd', presses: [{ heldUs: 9, closeUs, openUs: [0] }] }],
        }),
      ).toThrow();
  });

  it('codes that are learned anew keep their ids and rules, those that went take theirs along', () => {
    const code = (name: string, number: number) => ({ name, code: number, wrongPerMille: 0, latencyUs: 0 });
    const learned = apply(gadget(), { name: 'setCodes', args: ['b3', [code('GO', 16), code('BACK', 17)]] });
    const ruled = apply(
      learned,
      ruleFor({ kind: 'code', codeId: 'd1', gesture: 'press' }),
      ruleFor({ kind: 'code', codeId: 'd2', gesture: 'press' }),
    );
    const again = apply(ruled, { name: 'setCodes', args: ['b3', [code('HOLD', 18), code('GO now', 16)]] });
    const codes = again.controls.find(({ id }) => id === 'b3')!;
    expect('codes' in codes && codes.codes.map(({ id, name }) => [id, name])).toEqual([
      ['d3', 'HOLD'],
      ['d1', 'GO now'],
    ]);
    const left = again.flow.states[0]!.rules.flatMap(({ trigger }) =>
      trigger.kind === 'code' ? [trigger.codeId] : [],
    );
    expect(left).toEqual(['d1']);
    expect(() => apply(gadget(), { name: 'setCodes', args: ['b1', []] })).toThrow('a receiver of codes');
  });

  it('hands keep their order of lengths', () => {
    expect(apply(gadget(), { name: 'changeHands', args: [{ longTapUs: 500_000 }] }).hands.longTapUs).toBe(
      500_000,
    );
    expect(() => apply(gadget(), { name: 'changeHands', args: [{ ordinaryPressUs: 10_000 }] })).toThrow(
      'no less than the shortest press',
    );
  });
});

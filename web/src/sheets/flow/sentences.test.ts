import { buttonOf } from '../../test/gadgets.ts';
import {
  addPartEdit,
  blankState,
  editGadget,
  emptyFlow,
  emptyGadget,
  type Control,
  type Flow,
  type Gadget,
  type State,
  type Trigger,
} from '@hum-lever/core';
import { lastingOffers } from '../../outputs/offers.ts';
import {
  actionChoices,
  afterTime,
  nextTrigger,
  targetChoices,
  targetOffers,
  triggerChoices,
  triggerValue,
} from './sentences.ts';
import { typedGuard, typedTemplate } from '../../shared/typedText.ts';

const gadget: Gadget = {
  ...emptyGadget('Lamp'),
  controls: [
    buttonOf({
      name: 'Stir',
      gestures: { holdUs: 500_000, longerHoldsUs: [], doubleWindowUs: null, triple: false, repeat: null },
    }),
  ],
  outputs: [{ id: 'o1', kind: 'light', name: 'Lamp', colour: 'red' }],
  flow: {
    ...emptyFlow(),
    variables: [
      {
        id: 'v1',
        kind: 'number',
        name: 'heat',
        saved: null,
        initial: 0,
        min: 0,
        max: 9,
        overflow: 'hold',
        unit: '',
      },
    ],
    initialId: 's1',
    states: [
      { ...blankState(), id: 's1', name: 'Dark' },
      { ...blankState(), id: 's2', name: 'Lit' },
    ],
  },
};

describe('slots of a sentence', () => {
  it('offer what the controls are heard to do, and time', () => {
    const after = { kind: 'after', delay: 5_000 } as const;
    expect(triggerChoices(gadget, after).map(({ label }) => label)).toEqual([
      'Stir is pressed',
      'Stir is let go',
      'Stir is tapped',
      'Stir is held',
      'Stir is let go after being held',
      'after',
      'every',
      'MIDI comes in',
      'the power comes on',
      'it is woken',
      'the cell runs low',
      'as soon as the condition holds',
      'anything happens',
    ]);
  });

  it('offer steps of what turns, keys together and codes, and mean what they say', () => {
    const codes = { id: 'd1', name: 'GO', code: 1, wrongPerMille: 0, latencyUs: 0 };
    const [, dial] = addPartEdit(gadget, 'encoder').args;
    const [, remote] = addPartEdit(gadget, 'code-receiver').args;
    const more = {
      ...gadget,
      controls: [
        ...gadget.controls,
        { ...dial[0]!, id: 'b2', name: 'Dial' },
        { ...remote[0]!, id: 'b3', codes: [codes] },
      ],
      chords: [
        {
          id: 'c1',
          name: 'Both',
          controlIds: ['b1', 'b2'],
          windowUs: 1_000,
          ordered: false,
          holdUs: null,
          waits: true,
        },
      ],
    } as Gadget;
    const choices = triggerChoices(more, { kind: 'after', delay: 5_000 });
    for (const label of [
      'Dial is turned up a step',
      'GO is heard',
      'GO is no longer heard',
      'Both: together',
    ])
      expect(choices.map((choice) => choice.label)).toContain(label);
    for (const { value, trigger } of choices) expect(triggerValue(trigger)).toBe(value);
    expect(new Set(choices.map(({ value }) => value)).size).toBe(choices.length);
  });

  describe('of a new rule', () => {
    const [, dial] = addPartEdit(gadget, 'encoder').args;
    const turned = { ...dial[0]!, id: 'b9' } as Control;
    const full: Gadget = {
      ...gadget,
      controls: [turned, ...gadget.controls, buttonOf({ id: 'b2', name: 'Taste', key: 'KeyT' })],
    };
    const [state] = full.flow.states;
    const rule = (trigger: Trigger) => ({ ...freshRule, id: `r${JSON.stringify(trigger)}`, trigger });
    const freshRule = { guard: null, actions: [], targetIds: [], internal: false };
    const press = (controlId: string, gesture: 'press' | 'hold' | 'up' | 'down' = 'press') =>
      rule({ kind: 'gesture', controlId, gesture });
    const next = (rules: State['rules'], patch: Partial<Flow> = {}) =>
      nextTrigger({ ...full, flow: { ...full.flow, ...patch } }, { ...state!, rules });

    it('wait for the first button that the state makes nothing of, then for a turn, then for time', () => {
      expect(next([])).toMatchObject({ controlId: 'b1', gesture: 'press' });
      expect(next([press('b1', 'hold')])).toMatchObject({ controlId: 'b2', gesture: 'press' });
      expect(next([press('b2')])).toMatchObject({ controlId: 'b1' });
      const buttons = [press('b1'), press('b2')];
      expect(next(buttons)).toMatchObject({ controlId: 'b9', gesture: 'up' });
      expect(next([...buttons, press('b9', 'up')])).toMatchObject({ controlId: 'b9', gesture: 'down' });
      expect(next([...buttons, press('b9', 'up'), press('b9', 'down')])).toEqual(afterTime);
      expect(nextTrigger(emptyGadget('Bare'), { ...state!, rules: [] })).toEqual(afterTime);
    });

    it('pass over what a state around it answers, and what is left unanswered on purpose', () => {
      const around = { ...blankState(), id: 's9', name: 'Around', rules: [press('b1')] };
      const within = { ...state!, parentId: 's9', rules: [] };
      const nested = { ...full, flow: { ...full.flow, states: [around, within] } };
      expect(nextTrigger(nested, within)).toMatchObject({ controlId: 'b2' });
      const ignored = [{ stateId: 's1', trigger: press('b1').trigger }];
      expect(next([], { ignored })).toMatchObject({ controlId: 'b2' });
    });
  });

  it('keep a gesture that is not heard any more, so that the rule still says what it says', () => {
    const double = { kind: 'gesture', controlId: 'b1', gesture: 'double' } as const;
    expect(triggerChoices(gadget, double).map(({ value }) => value)).toContain(triggerValue(double));
    const kept = triggerChoices(gadget, double).find(({ value }) => value === triggerValue(double));
    expect(kept?.trigger).toEqual(double);
  });

  it('offer to stay, to go, and to enter again', () => {
    expect(targetChoices(gadget, 's1').map(({ label }) => label)).toEqual([
      'stay',
      'enter Dark again',
      'go to Lit',
    ]);
  });

  it('find the likeliest state for what is typed, and make one where the name is new', () => {
    const offered = (typed: string | null) => targetOffers(gadget, 's1', typed).map(({ label }) => label);
    expect(offered(null)).toEqual(offered(' '));
    expect(offered(null)).toEqual(['stay', 'enter Dark again', 'go to Lit']);
    expect(offered('lit')).toEqual(['go to Lit']);
    expect(offered('go to Lit')).toEqual(['go to Lit']);
    expect(offered('stay')).toEqual(['stay']);
    // What begins with it comes before what holds it; the new one last.
    expect(offered('li')).toEqual(['go to Lit', 'a new state, “li”']);
    expect(offered('a')).toEqual(['stay', 'enter Dark again', 'a new state, “a”']);
    expect(targetOffers(gadget, 's1', ' Over ')).toEqual([{ label: 'a new state, “Over”', makes: 'Over' }]);
    expect(targetOffers(gadget, 's1', 'go to Over')).toMatchObject([{ makes: 'Over' }]);
  });

  it('offer what lasts for each light by its name, with what takes it back', () => {
    const [on, blinks] = lastingOffers(gadget);
    expect(on).toEqual({
      label: 'Lamp on',
      action: { kind: 'light', outputId: 'o1', light: { mode: 'on' } },
      until: { kind: 'light', outputId: 'o1', light: { mode: 'off' } },
    });
    expect(blinks).toMatchObject({ label: 'Lamp blinks', until: on!.until });
    const all = ['light-chain', 'relay-module', 'light'].reduce(
      (made, kind) => editGadget(made, addPartEdit(made, kind)),
      emptyGadget('All'),
    );
    const names = all.outputs.map(({ name }) => name);
    expect(new Set(lastingOffers(all).map(({ action }) => action.outputId)).size).toBe(names.length);
    for (const { action, until } of lastingOffers(all)) expect(until.outputId).toBe(action.outputId);
  });

  it('offer only actions that the gadget has parts for', () => {
    expect(actionChoices(gadget).map(({ action }) => action.kind)).toEqual(['light', 'level', 'set', 'wait']);
    expect(actionChoices(emptyGadget('Bare')).map(({ action }) => action.kind)).toEqual(['wait']);
  });

  it('read typed names into ids, nothing into always, and say what was expected', () => {
    expect(typedGuard('heat > 3', gadget)).toEqual({ ok: 'v1 > 3' });
    expect(typedGuard('  ', gadget)).toEqual({ ok: null });
    expect(typedGuard('cold', gadget)).toMatchObject({ refused: expect.stringContaining('heat') });
    expect(typedTemplate('Heat {heat', gadget)).toMatchObject({ refused: expect.stringContaining('}') });
  });
});

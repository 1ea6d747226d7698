import { buttonOf } from '../../test/gadgets.ts';
import { addPartEdit, blankState, emptyFlow, emptyGadget, type Control, type Gadget } from '@hum-lever/core';
import { actionChoices, targetChoices, firstTrigger, triggerChoices, triggerValue } from './sentences.ts';
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

  it('begin with a press of a button, whatever else comes first, or with time', () => {
    const [, dial] = addPartEdit(gadget, 'encoder').args;
    const first = { ...dial[0]!, id: 'b9' } as Control;
    expect(firstTrigger({ ...gadget, controls: [first, ...gadget.controls] })).toMatchObject({
      controlId: 'b1',
    });
    expect(firstTrigger({ ...gadget, controls: [first] })).toMatchObject({ kind: 'after' });
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

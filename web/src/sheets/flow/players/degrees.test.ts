import { emptyFlow, emptyGadget, type Gadget, type Variable } from '@hum-lever/core';
import { degreesOf, freshVarying } from './degrees.ts';

const heat: Variable = {
  id: 'v1',
  kind: 'number',
  name: 'heat',
  saved: null,
  initial: 20,
  min: 0,
  max: 100,
  unit: '°',
  overflow: 'hold',
};
const mood: Variable = {
  id: 'v2',
  kind: 'choice',
  name: 'mood',
  saved: null,
  initialId: 'q2',
  options: ['Calm', 'Brisk', 'Wild', 'Stormy', 'Wicked', 'Foul'].map((name, n) => ({
    id: `q${n + 1}`,
    name,
  })),
};
const windy: Variable = { id: 'v3', kind: 'flag', name: 'windy', saved: null, initial: true };
const gadget: Gadget = {
  ...emptyGadget('Kettle'),
  flow: { ...emptyFlow(), variables: [heat, mood, windy] },
};
const names = (variable: Variable, patch = {}) =>
  degreesOf(gadget, { ...freshVarying(variable), ...patch }).map(({ name }) => name);

describe('degrees of difficulty', () => {
  it('are the gadget as it is where nothing varies, or what varied is gone', () => {
    expect(degreesOf(gadget, null)).toEqual([{ name: '' }]);
    expect(degreesOf(gadget, { variableId: 'v9', low: 0, high: 1 })).toEqual([{ name: '' }]);
  });
  it('go from one end to the other, by their names', () => {
    expect(names(heat)).toEqual(['0\u202f°', '25\u202f°', '50\u202f°', '75\u202f°', '100\u202f°']);
    expect(names(mood)).toEqual(['Calm', 'Brisk', 'Wild', 'Stormy', 'Wicked', 'Foul']);
    expect(names(windy)).toEqual(['no', 'yes']);
  });
  it('stay inside what the variable can hold, whichever end is given first', () => {
    expect(names(heat, { low: 140, high: 96 })).toEqual([96, 97, 98, 99, 100].map((at) => `${at}\u202f°`));
  });
  it('start the variable there', () => {
    expect(degreesOf(gadget, freshVarying(mood))[1]!.starting).toEqual({ variableId: 'v2', value: 1 });
  });
});

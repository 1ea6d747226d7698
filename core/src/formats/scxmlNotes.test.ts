import { emptyGadget, type Gadget } from '../gadget/index.ts';
import { pressToLight } from '../test/fixtures.ts';
import { readScxml } from './index.ts';

/*
 * What cannot be carried over is told, each thing once and with the state that it stood in; what stands around it is
 * read all the same.
 */

const file = (inner: string, attributes = '') =>
  `<scxml xmlns="http://www.w3.org/2005/07/scxml" xmlns:hum="urn:hum-lever:flow" version="1.0" ${attributes}>${inner}</scxml>`;
const read = (inner: string, attributes = '', into: Gadget = pressToLight()) => {
  const found = readScxml(file(inner, attributes), into);
  if (found.outcome !== 'read') throw new Error(found.message);
  const notes = found.notes.map(({ at, message }) => (at === '' ? message : `${at}: ${message}`));
  return { flow: found.gadget.flow, notes };
};
/** One state with something in it. */
const inState = (inner: string) => read(`<state id="a">${inner}</state>`);

describe('what an SCXML file has and a gadget cannot have', () => {
  it.each<[string, string, string]>([
    [
      'a rule in a sentence that cannot be read',
      '<transition event="x" hum:when="Stri press"/>',
      'a: The rule for "Stri press" was left out',
    ],
    [
      'an action of ours that cannot be read',
      '<onentry><hum:do line="Lamp glow"/></onentry>',
      'a: "Lamp glow" was left out',
    ],
    [
      'an action of ours on something that is not here',
      '<onentry><hum:do line="Siren on"/></onentry>',
      'a: "Siren on" was left out',
    ],
    [
      'an assignment to what nobody knows',
      '<onentry><assign location="heat" expr="1"/></onentry>',
      'a: "heat = 1" was left out',
    ],
    [
      'an element of the standard',
      '<onentry><script>x = 1</script></onentry>',
      'a: <script> cannot be carried over',
    ],
    [
      'a length that is none',
      '<onentry><send event="later" delay="soon"/></onentry><transition event="later"/>',
      'a: <send> cannot be carried over',
    ],
    [
      'a length in words that cannot be read',
      '<onentry><send event="later" delayexpr="2 +"/></onentry><transition event="later"/>',
      'a: "2 +" was left out, with what it stands in',
    ],
    [
      'an action of thousands of characters',
      `<onentry><hum:do line="${'Lamp on, '.repeat(150)}"/></onentry>`,
      'characters',
    ],
  ])('%s', (_what, inner, message) => {
    const { flow, notes } = inState(`${inner}<transition event="go" target="a"/>`);
    expect(notes).toEqual([expect.stringContaining(message)]);
    // The rest of the state is there.
    const [state] = flow.states;
    expect(state!.rules.at(-1)).toMatchObject({ targetIds: [state!.id], trigger: { kind: 'signal' } });
    expect(state!.entry).toEqual([]);
  });

  it('a condition beyond measure leaves the rule out, not the state', () => {
    const { flow, notes } = inState(`<transition event="go" cond="${'1 + '.repeat(150)}1" target="a"/>`);
    expect(notes).toEqual([expect.stringContaining('was left out: expected at most')]);
    expect(flow.states[0]!.rules).toEqual([]);
  });

  it('a layer without its key or its condition would always be on: it is left out', () => {
    const state = '<state id="a"/>';
    const held = read(`${state}<hum:layer name="Shift" held="Nobody"><hum:key control="Stir"/></hum:layer>`);
    expect([held.flow.layers, held.notes]).toEqual([[], [expect.stringContaining('"Nobody"')]]);
    const when = read(
      `${state}<hum:layer name="Late" cond="night &gt; 3"><hum:key control="Stir"/></hum:layer>`,
    );
    expect([when.flow.layers, when.notes]).toEqual([
      [],
      [expect.stringContaining('"night > 3" was left out')],
    ]);
    const key = read(
      `${state}<hum:layer name="Any"><hum:key control="Nobody"/><hum:key control="Stir"/></hum:layer>`,
    );
    expect(key.flow.layers).toMatchObject([{ name: 'Any', when: null, keys: [{ controlId: 'b1' }] }]);
    expect(key.notes).toEqual([expect.stringContaining('what it does in a layer was left out')]);
  });

  it('several beginnings at once are one, and it is said which', () => {
    const { flow, notes } = read('<state id="a"/><state id="b"/>', 'initial="b a"');
    expect(flow.states.find(({ id }) => id === flow.initialId)!.name).toBe('b');
    expect(notes).toEqual([expect.stringContaining('It begins in b; a in initial was left out')]);
  });

  it('a beginning that is not there is told, and the first state is it', () => {
    const { flow, notes } = read('<state id="a"/><state id="b"/>', 'initial="c"');
    expect(flow.states.find(({ id }) => id === flow.initialId)!.name).toBe('a');
    expect(notes).toEqual([expect.stringContaining('"c"')]);
  });
});

describe('variables of an SCXML file', () => {
  const variables = (inner: string) => {
    const { flow, notes } = read(`<datamodel>${inner}</datamodel><state id="a"/>`);
    return { variables: flow.variables, notes };
  };

  it('are what they are said to be, or what their first value is', () => {
    const { variables: found, notes } = variables(`
      <data id="heat" expr="7"/>
      <data id="below" expr="-4"/>
      <data id="lit" expr="true"/>
      <data id="dark" expr="false" hum:kind="flag" hum:saved="change"/>
      <data id="mood" expr="Wild" hum:kind="choice" hum:options="Calm Wild" hum:saved="quiet 2000000"/>
      <data id="row" expr="2" hum:kind="list" hum:length="5" hum:min="0" hum:max="9" hum:overflow="wrap" hum:saved="asked"/>`);
    expect(notes).toEqual([]);
    expect(found).toMatchObject([
      { name: 'heat', kind: 'number', initial: 7, min: 0, max: 1_000_000, overflow: 'hold', saved: null },
      { name: 'below', kind: 'number', initial: -4, min: -4 },
      { name: 'lit', kind: 'flag', initial: true },
      { name: 'dark', kind: 'flag', initial: false, saved: { when: 'change' } },
      { name: 'mood', kind: 'choice', saved: { when: 'quiet', quietUs: 2_000_000 } },
      {
        name: 'row',
        kind: 'list',
        length: 5,
        columns: 1,
        initial: 2,
        min: 0,
        max: 9,
        overflow: 'wrap',
        saved: { when: 'asked' },
      },
    ]);
    const mood = found[4]!;
    expect(mood.kind === 'choice' && mood.options.find(({ id }) => id === mood.initialId)!.name).toBe('Wild');
  });

  it('begin at 0 where their first value is no whole number, and that is said', () => {
    const { variables: found, notes } = variables('<data id="x" expr="2.5"/><data id="y" expr="[1, 2]"/>');
    expect(found).toMatchObject([
      { name: 'x', initial: 0 },
      { name: 'y', initial: 0 },
    ]);
    expect(notes).toEqual([
      'The variable "x" begins at 0: expected a whole number, got "2.5".',
      'The variable "y" begins at 0: expected a whole number, got "[1, 2]".',
    ]);
  });

  it('of choices begin with the first where theirs is not among them; without any they are numbers', () => {
    const { variables: found } = variables(
      '<data id="mood" expr="Loud" hum:kind="choice" hum:options="Calm Wild"/><data id="none" expr="0" hum:kind="choice"/>',
    );
    const [mood, none] = found;
    expect(mood!.kind === 'choice' && mood!.options.find(({ id }) => id === mood!.initialId)!.name).toBe(
      'Calm',
    );
    expect(none).toMatchObject({ kind: 'number', initial: 0 });
  });

  it('that are out of the range that they are given are refused with the place', () => {
    const text = file(
      '<datamodel><data id="x" expr="50" hum:min="0" hum:max="9"/></datamodel><state id="a"/>',
    );
    const found = readScxml(text, emptyGadget('Refused'));
    expect(found.outcome).toBe('refused');
  });
});

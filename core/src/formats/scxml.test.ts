import { freshWork, renew } from '../kernel/index.ts';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as fc from 'fast-check';
import { activeIds, compileFlow, eventCodes, powerUp, stepFlow } from '../flow/index.ts';
import { emptyGadget, type Gadget } from '../gadget/index.ts';
import { chart, chartArbitrary } from '../test/charts.ts';
import { pressToLight, state } from '../test/fixtures.ts';
import { printScxml, readGadgetText, readScxml } from './index.ts';

const read = (text: string, into: Gadget = emptyGadget('Read')) => {
  const found = readScxml(text, into);
  if (found.outcome !== 'read') throw new Error(found.message);
  return found;
};
const around = { nowUs: 0, seed: 1, work: freshWork(), control: () => 0 };
beforeEach(() => renew(around.work));

/** Names of what is active after each signal, by its name. */
function course(gadget: Gadget, signals: readonly string[]): string[] {
  const { tables } = compileFlow(gadget);
  const codes = eventCodes(gadget);
  const names = new Map(gadget.flow.states.map(({ id, name }) => [id, name]));
  const { state: now } = powerUp(tables, around);
  const active = () =>
    activeIds(tables, now)
      .map((id) => names.get(id))
      .join(' ');
  return [
    active(),
    ...signals.map((name) => {
      const signal = gadget.flow.signals.find((one) => one.name === name);
      if (signal) stepFlow(tables, now, codes.signal(signal.id), around);
      return active();
    }),
  ];
}

describe('SCXML', () => {
  it('of any chart reads back as the same chart: the same text, and the same behaviour', () => {
    fc.assert(
      fc.property(
        chartArbitrary,
        fc.array(fc.constantFrom('g1', 'g2', 'g3', 'g4'), { maxLength: 8 }),
        (gadget, signals) => {
          const text = printScxml(gadget);
          const back = read(text, { ...gadget, flow: chart([state('s1')]).flow });
          expect(back.notes).toEqual([]);
          expect(printScxml({ ...back.gadget, name: gadget.name }).replace(/\b[sr]\d+\b/g, '')).toBe(
            text.replace(/\b[sr]\d+\b/g, ''),
          );
          let expected;
          try {
            expected = course(gadget, signals);
          } catch {
            return;
          }
          expect(course(back.gadget, signals)).toEqual(expected);
        },
      ),
      { seed: 81, numRuns: 200 },
    );
  });

  it.each([
    'kettle-keeper/2-at-the-night-market',
    'reed-box/2-after-the-rehearsal',
    'cue-lantern/1-in-the-tin',
  ])('carries all of %s', (file) => {
    const opened = readGadgetText(readFileSync(join(__dirname, `../../../demo/${file}.json`), 'utf8'));
    if (opened.outcome !== 'opened') throw new Error(opened.message);
    const { gadget } = opened;
    const back = read(printScxml(gadget), gadget);
    expect(back.notes).toEqual([]);
    // Ids are given anew in the order of the document; names stay.
    const named = ({ states, variables, signals, layers, ignored }: Gadget['flow']) => {
      const names = new Map([...states, ...variables, ...signals].map(({ id, name }) => [id, name]));
      const bare = states.map(({ id: _id, rules, ...state }) => ({
        ...state,
        rules: rules.map(({ id: _id, ...rest }) => rest),
      }));
      return JSON.stringify([bare, layers, ignored]).replace(/\b[svg]\d+\b/g, (id) => names.get(id) ?? id);
    };
    expect(named(back.gadget.flow)).toBe(named(gadget.flow));
    const bareVariables = ({ variables }: Gadget['flow']) => variables.map(({ id: _id, ...rest }) => rest);
    expect(bareVariables(back.gadget.flow)).toEqual(bareVariables(gadget.flow));
  });

  /** A document of the standard that knows nothing of us. */
  const foreign = `<?xml version="1.0"?>
<scxml xmlns="http://www.w3.org/2005/07/scxml" version="1.0" initial="off">
  <datamodel><data id="n" expr="2"/><data id="x y" expr="1"/></datamodel>
  <state id="off"><transition event="power.on" target="on"/></state>
  <state id="on" initial="cold">
    <onentry><log expr="'on'"/></onentry>
    <transition event="power" target="off"/>
    <state id="cold">
      <onentry><send event="warm" id="w" delay="1.5s"/></onentry>
      <onexit><cancel sendid="w"/></onexit>
      <transition event="warm" target="hot" cond="n &lt; 3 &amp;&amp; In('on')"><assign location="n" expr="n + 1"/></transition>
    </state>
    <parallel id="hot">
      <state id="a"><transition event="* " target="nowhere"/></state>
      <state id="b"><history id="h" type="deep"><transition target="c"/></history><state id="c"/></state>
      <transition event="done.state.hot" target="off"/>
    </parallel>
    <invoke type="x"/>
  </state>
</scxml>`;

  it('from elsewhere means here what it means there', () => {
    const { gadget, notes } = read(foreign, pressToLight());
    expect(course(gadget, ['power.on', 'power.off', 'power.on', 'power'])).toEqual([
      'off',
      'on cold',
      'on cold',
      // The rule for `power` hears whatever begins with it.
      'off',
      'off',
    ]);
    const [off, on, cold, hot] = gadget.flow.states;
    expect([off!.name, on!.name, cold!.name, hot!.kind]).toEqual(['off', 'on', 'cold', 'parallel']);
    // A timer as the standard writes it is a timer of ours.
    expect(cold).toMatchObject({
      entry: [],
      exit: [],
      rules: [
        {
          trigger: { kind: 'after', delay: 1_500_000 },
          guard: 'v1 < 3 && in("s2")'.replace('"s2"', 's2'),
          actions: [{ kind: 'set', variableId: 'v1', value: 'v1 + 1' }],
          targetIds: [hot!.id],
        },
      ],
    });
    // An event descriptor means every event that begins with it.
    expect(on!.rules.map(({ trigger }) => trigger)).toEqual([
      { kind: 'signal', signalId: gadget.flow.signals.find(({ name }) => name === 'power.on')!.id },
      { kind: 'signal', signalId: gadget.flow.signals.find(({ name }) => name === 'power')!.id },
    ]);
    expect(notes.map(({ at, message }) => `${at}: ${message}`)).toEqual([
      ': The variable "x y" was left out: expected a word of letters, digits and underscores.',
      'on: <log> cannot be carried over, and was left out.',
      'on: <invoke> cannot be carried over, and was left out.',
      'a: Nothing is called "nowhere": the way there was left out.',
    ]);
    expect(gadget.brief.tasks.every(({ goalStateId }) => goalStateId === null)).toBe(true);
  });

  it.each([
    ['', 'expected XML'],
    ['<scxml><state></scxml>', 'expected XML'],
    ['<html/>', 'Expected an <scxml> element'],
    ['<!DOCTYPE x [<!ENTITY a "b">]><scxml/>', 'without document type'],
    ['x'.repeat(1_100_000), 'at most 1 MiB'],
    [`<scxml>${'<state>'.repeat(40)}${'</state>'.repeat(40)}</scxml>`, 'in one another'],
    [`<scxml>${'<state/>'.repeat(500)}</scxml>`, '400'],
  ])('%p is refused saying why', (text, message) => {
    const found = readScxml(text, emptyGadget('Refused'));
    expect(found.outcome).toBe('refused');
    expect(found.outcome === 'refused' && found.message).toContain(message);
  });
});

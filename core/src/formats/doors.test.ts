import { clipStates, pasteStates, readClipping } from '../flow/index.ts';
import { blankState, emptyFlow, emptyGadget, nameSchema, type Gadget } from '../gadget/index.ts';
import { chart } from '../test/charts.ts';
import { rule, state } from '../test/fixtures.ts';
import {
  printPinsCsv,
  printScxml,
  readBillCsv,
  readCodesCsv,
  readPinsCsv,
  readScxml,
  readTraceCsv,
  type ScxmlRead,
} from './index.ts';

/* What comes in through a door is right, or refused by name; nothing is dropped in silence, and nothing takes for ever. */

describe('names', () => {
  it.each([
    ['half of a character', 'Kettle \ud83d', 'half'],
    ['a mark that turns the writing around', 'exe\u202egpj', 'turn'],
    ['nothing that can be seen', '\u200b\u2060', 'seen'],
    ['filling letters', '\u3164', 'seen'],
  ])('with %s are refused', (_what, name, words) => {
    expect(nameSchema.safeParse(name).error?.issues[0]?.message).toContain(words);
  });
  it.each(['Flämmchen', '炎', '🔥', 'שלום', '👩‍🍳 Koch', '5 V'])('such as %s are taken', (name) => {
    expect(nameSchema.safeParse(name).success).toBe(true);
  });
});

describe('tables', () => {
  it.each(['Infinity', '1e308', '-1e308', 'NaN', '1e400'])('of times refuse %s', (time) => {
    for (const text of [`0,0\n${time},1\n`, `${time},0\n1,1\n`, `time [s],level\n0,0\n${time},1\n`])
      expect(readTraceCsv(text)).toMatchObject({ outcome: 'faulty' });
  });
  it('of one row with millions of cells are refused before they are read', () => {
    const row = '0,'.repeat(3_900_000);
    expect(readTraceCsv(row)).toMatchObject({ outcome: 'faulty', message: expect.stringContaining('row 1') });
    for (const read of [
      readCodesCsv(`key,code\n${row}`),
      readPinsCsv(row),
      readBillCsv(emptyGadget('x'), row),
    ])
      expect(read).toMatchObject({ outcome: 'faulty' });
  });
  it('of pins are read back as they were written, signs and all', () => {
    const pin = (name: string) => ({ name, edge: 'left' as const, port: '', can: ['in'] });
    const board = { pins: ['+5V', '-12V', 'P0'].map(pin) } as unknown as Parameters<typeof printPinsCsv>[0];
    const read = readPinsCsv(printPinsCsv(board));
    const names = read.outcome === 'read' ? read.value.map(({ name }) => name) : read.faults;
    expect(names).toEqual(['+5V', '-12V', 'P0']);
  });
  it('of codes refuse endless times and names that cannot be, by row and column', () => {
    const log = 'key,code,sent ms,heard ms\nUp,1,0,Infinity\nDo\u0007wn,2,0,5\nLeft,3,abc,5\n';
    expect(readCodesCsv(log)).toMatchObject({
      outcome: 'faulty',
      faults: [
        { row: 2, column: 'heard ms' },
        { row: 3, column: 'key' },
        { row: 4, column: 'sent ms' },
      ],
    });
  });
  it('of parts end where a gadget is full', () => {
    const rows = Array.from({ length: 1_000 }, (_, n) => `fuse,Fuse ${n},1`);
    expect(readBillCsv(emptyGadget('x'), ['class,name,quantity', ...rows].join('\n'))).toMatchObject({
      outcome: 'faulty',
      faults: expect.arrayContaining([expect.objectContaining({ message: 'expected at most 128 parts' })]),
    });
  });
});

describe('clippings', () => {
  const clipping = (patch: object) =>
    JSON.stringify({
      kind: 'hum-lever-states',
      states: [{ name: 'Lit', kind: 'plain', in: null, begins: [], entry: [], exit: [], rules: [] }],
      signals: [],
      timers: [],
      variables: [],
      ...patch,
    });
  it('are none where their variables are none', () => {
    for (const variables of [[{}], [{ kind: 'choice', name: 'x' }], [{ kind: 'number', name: 5 }], [null]])
      expect(readClipping(clipping({ variables }))).toBeNull();
    expect(readClipping(clipping({}))).not.toBeNull();
  });
  it('of four hundred states with their rules come in whole, and one more is refused', () => {
    const many = (count: number): Gadget =>
      chart(
        Array.from({ length: count }, (_, n) =>
          state(`s${n + 1}`, {
            name: `State ${n + 1}`,
            parentId: n === 0 ? null : 's1',
            rules: Array.from({ length: n === 0 ? 0 : 3 }, (_n, r) =>
              rule(`r${n * 3 + r}`, {
                trigger: { kind: 'signal', signalId: 'g1' },
                targetIds: [`s${count}`],
              }),
            ),
          }),
        ),
      );
    const full = clipStates(many(400), 's1');
    const pasted = pasteStates({ ...emptyGadget('x'), flow: emptyFlow() }, full, null);
    expect(pasted.notes).toEqual([]);
    expect(pasted.gadget.flow.states).toHaveLength(400);
    const crowded = {
      ...emptyGadget('x'),
      flow: { ...emptyFlow(), initialId: 's1', states: [{ ...blankState(), id: 's1', name: 'One' }] },
    };
    const refused = pasteStates(crowded, full, null);
    expect(refused.gadget).toBe(crowded);
    expect(refused.notes[0]).toContain('at most 399');
  });
});

describe('SCXML', () => {
  const base = emptyGadget('x');
  const read = (inner: string, attributes = 'version="1.0"'): ScxmlRead =>
    readScxml(`<scxml xmlns="http://www.w3.org/2005/07/scxml" ${attributes}>${inner}</scxml>`, base);
  const opened = (inner: string, attributes?: string) => {
    const result = read(inner, attributes);
    if (result.outcome !== 'read') throw new Error(result.message);
    return result;
  };
  const notes = (inner: string, attributes?: string) =>
    opened(inner, attributes).notes.map(({ message }) => message);
  const flow = (inner: string) => opened(inner).gadget.flow;

  it('keeps signals apart whose names would be one word', () => {
    const names = ['go on', 'go_on', '▶', '⏸', 'done', 'go on_2'];
    const gadget = chart([
      state('s1', {
        rules: names.map((_, n) => rule(`r${n + 1}`, { trigger: { kind: 'signal', signalId: `g${n + 1}` } })),
      }),
    ]);
    gadget.flow.signals = names.map((name, n) => ({ id: `g${n + 1}`, name }));
    const again = readScxml(printScxml(gadget), base);
    expect(again).toMatchObject({ outcome: 'read', notes: [] });
    const { signals, states } = (again as Extract<ScxmlRead, { outcome: 'read' }>).gadget.flow;
    expect(signals.map(({ name }) => name)).toEqual(names);
    expect(states[0]!.rules.map(({ trigger }) => trigger.kind === 'signal' && trigger.signalId)).toEqual(
      signals.map(({ id }) => id),
    );
  });

  it.each([
    ['several beginnings', '<state id="a"/><state id="b"/>', 'initial="a b"', 'b in initial'],
    ['what stands outermost', '<onentry/><state id="a"/>', '', '<onentry>'],
    ['transitions outermost', '<transition event="x"/><state id="a"/>', '', '<transition>'],
    ['an empty event', '<state id="a"><transition event="" target="a"/></state>', '', 'empty'],
    ['attributes nobody reads', '<state id="a" colour="red"/>', '', 'colour of <state>'],
    ['attributes of the root', '<state id="a"/>', 'exmode="strict"', 'exmode of <scxml>'],
    [
      'where data come from',
      '<datamodel><data id="n" src="x.json"/></datamodel><state id="a"/>',
      '',
      'src of <data>',
    ],
    [
      'where something is sent',
      '<state id="a"><onentry><send event="x" target="y"><param name="n" expr="1"/></send></onentry></state>',
      '',
      'target of <send>',
    ],
    [
      'what goes along with it',
      '<state id="a"><onentry><send event="x"><param name="n" expr="1"/></send></onentry></state>',
      '',
      '<param> of <send>',
    ],
    ['names that are cut', `<state id="${'n'.repeat(120)}"/>`, '', 'Its name was changed'],
    [
      'long expressions',
      `<state id="a"><transition cond="${'1+'.repeat(300)}1"/></state>`,
      '',
      'at most 400 characters',
    ],
  ])('says %s', (_what, inner, attributes, words) => {
    expect(notes(inner, attributes).join('\n')).toContain(words);
  });

  it('says how many notes there are beyond those that it lists', () => {
    const many = Array.from({ length: 250 }, (_, n) => `<state id="a${n}" odd="1"/>`).join('');
    expect(notes(many).at(-1)).toBe('50 more were left out.');
  });

  it('hears the end of any state by done, done.state and done.state.*', () => {
    for (const event of ['done', 'done.state', 'done.state.*', 'done.*'])
      expect(
        flow(
          `<state id="a"><transition event="${event}" target="b"/><state id="c"/><final id="d"/></state><state id="b"/>`,
        ).states[0]!.rules.map(({ trigger }) => trigger),
      ).toEqual([{ kind: 'done', stateId: 's1' }]);
  });

  it('reads references to characters, prefixes, and states without an id beside one that is called like ours', () => {
    const { states } = flow(
      '<state id="&#x41;b"/><state/><state id="s2"><transition event="x" target="s2"/></state>',
    );
    expect(states.map(({ name }) => name)).toEqual(['Ab', 'State 2', 's2']);
    expect(states[2]!.rules[0]!.targetIds).toEqual(['s3']);
    const prefixed = readScxml(
      '<q:scxml xmlns:q="http://www.w3.org/2005/07/scxml" version="1.0"><q:state id="a"/></q:scxml>',
      base,
    );
    expect(prefixed).toMatchObject({
      outcome: 'read',
      notes: [],
      gadget: { flow: { states: [{ name: 'a' }] } },
    });
  });

  it.each([
    ['a state after the end', '<scxml version="1.0"><state id="a"/></scxml><state id="b"/>'],
    ['tags that do not close', '<scxml><state id="a"></scxml>'],
    ['attributes without quotes', '<scxml><state id=a/></scxml>'],
    ['an attribute twice', '<scxml><state id="a" id="b"/></scxml>'],
    ['a document type', '<!DOCTYPE scxml [<!ENTITY a "b">]><scxml/>'],
    ['an unknown entity', '<scxml><state id="&b;"/></scxml>'],
    ['nothing', ''],
    ['another language', '<html/>'],
    ['too many states', `<scxml>${'<state/>'.repeat(401)}</scxml>`],
    [
      'too many states with conditions',
      `<scxml>${'<state><transition cond="In(\'x\')"/></state>'.repeat(5_000)}</scxml>`,
    ],
    [
      'too many events',
      `<scxml><state>${Array.from({ length: 20_000 }, (_, n) => `<transition event="e${n}"/>`).join('')}</state></scxml>`,
    ],
    ['too many variables', `<scxml><datamodel>${'<data id="a"/>'.repeat(6_000)}</datamodel></scxml>`],
    ['endless nesting', '<state>'.repeat(2_000)],
    [
      'an endless time',
      `<scxml><state><onentry><send event="e" delay="${'9'.repeat(60_000)}s"/></onentry></state></scxml>`,
    ],
    ['an endless sum', `<scxml><state><transition cond="${'1+'.repeat(10_000)}1"/></state></scxml>`],
  ])('refuses %s, and says where', (_what, text) => {
    const refused = readScxml(text, base);
    expect(refused).toMatchObject({
      outcome: 'refused',
      message: expect.stringMatching(/^(Line \d+: e|E)xpected/),
    });
  });
});

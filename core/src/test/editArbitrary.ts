import fc from 'fast-check';
import { contactOf, switchModels, type SwitchModel } from '../contact/index.ts';
import { addOwnPartEdit, addPartEdit, figuresEdit, ownClassEdit } from '../drawer/index.ts';
import {
  applyEdit,
  emptyGadget,
  ownEnds,
  ownNeeds,
  type Edit,
  type EditName,
  type Frame,
  type Gadget,
  type MenuScheme,
  type OwnClass,
  type NeighbourKind,
  type OwnValue,
  type Tune,
  type TuneVoice,
} from '../gadget/index.ts';
import { openedOut } from '../menu/index.ts';
import { partKinds } from '../parts/index.ts';
import { schemes } from '../scan/index.ts';
import { boardChoices } from '../wiring/index.ts';
import {
  actionsArbitrary,
  buttonArbitrary,
  chordArbitrary,
  elementArbitrary,
  gadgetArbitrary,
  layerArbitrary,
  ruleArbitrary,
  settingArbitrary,
} from './arbitraries.ts';

/* Every edit that there is, on gadgets as `gadgetArbitrary` draws them: what it names may be there, or gone already. */

type Args<N extends EditName> = Extract<Edit, { name: N }>['args'];
type Made = (gadget: Gadget) => Edit;

const id = (letter: string, most: number) => fc.integer({ min: 1, max: most }).map((n) => `${letter}${n}`);
const stateId = id('s', 7);
const ruleId = fc
  .tuple(fc.integer({ min: 0, max: 3 }), fc.integer({ min: 0, max: 4 }))
  .map(([s, r]) => `r${s * 100 + r}`);
const partId = id('p', 14);
const controlId = id('b', 7);
const variableId = id('v', 7);
const pageId = id('n', 4);
const pictureId = id('f', 3);
const frame = fc.constantFrom<Frame[]>(['###', '...'], ['#'], ['#x'], []);
const name = fc.constantFrom('Ember', 'Ash', 'Soot', 'A');
const newEffect = {
  fromHz: fc.constantFrom(440, 90_000),
  toHz: fc.constant(880),
  lengthUs: fc.constantFrom(100_000, 0),
  curve: fc.constantFrom('even' as const, 'late' as const),
  stairs: fc.constantFrom(0, 3),
  tremblesCents: fc.constant(10),
  noiseCents: fc.constant(0),
};
/** Notes in their order, one on another, or behind the end. */
const newVoice = fc.record({
  name,
  notes: fc.constantFrom<TuneVoice['notes'][]>(
    [],
    [{ at: 0, steps: 2, note: 60, percent: 100, ornament: null }],
    [
      { at: 0, steps: 2, note: 60, percent: 100, ornament: null },
      { at: 1, steps: 1, note: 64, percent: 100, ornament: { kind: 'vibrato', cents: 20 } },
    ],
    [{ at: 7, steps: 9, note: 60, percent: 100, ornament: null }],
  ),
});
const by = fc.integer({ min: -3, max: 3 });
const bool = fc.boolean();
const pin = fc.constantFrom('P0', 'P3', 'P9', 'D1', '5V', 'GND1', 'nowhere');
const terminal = fc.constantFrom('contact', 'anode', 'cathode', 'sda', 'plus', 'minus', 'signal', 'in');
const when = layerArbitrary.map((layer) => layer.when);
const role = fc.constantFrom('light-resistor', 'pull-up', 'bus-pull-up');
const board = fc.constantFrom(...boardChoices(emptyGadget('Any')));

const ownValue: fc.Arbitrary<OwnValue> = fc
  .tuple(name, fc.integer({ min: -40, max: 40 }), fc.integer({ min: 1, max: 900 }), fc.boolean())
  .map(([called, low, wide, told]) => {
    const range = { name: called, unit: '', low, high: low + wide };
    return told
      ? { kind: 'reading', ...range, everyUs: 50_000, errorPerMille: 5 }
      : { kind: 'setting', ...range, bytes: 4 };
  });

export const ownClassArbitrary: fc.Arbitrary<OwnClass> = fc
  .record({
    title: name,
    doc: fc.constantFrom('', 'Hums.'),
    priceCents: fc.integer({ min: 0, max: 900 }),
    needs: fc.array(fc.constantFrom(...ownNeeds), { maxLength: 6 }),
    plays: fc.array(fc.oneof(fc.constantFrom(...ownEnds), ownValue), { maxLength: 3 }),
    supplied: bool,
    volts: fc.constantFrom([3_000, 3_600], [4_500, 5_500], [3_000, 5_500]),
    ua: fc.integer({ min: 0, max: 90_000 }),
    address: fc.option(fc.uniqueArray(fc.integer({ min: 8, max: 119 }), { minLength: 1, maxLength: 3 })),
  })
  .map(({ needs, supplied, volts, ua, address, ...rest }) => {
    const twoWire = needs.includes('sda') && needs.includes('scl');
    return {
      ...rest,
      lines: needs.map((need, n) => ({ name: `line${n}`, need, maxUa: ua })),
      supply: supplied ? { minMv: volts[0]!, maxMv: volts[1]!, typicalUa: ua, worstUa: ua } : null,
      address: twoWire && address ? { usual: address[0]!, choices: address } : null,
      busBaud: 100_000,
      busPullOhms: twoWire ? 4_700 : 0,
    };
  });

const relay: OwnClass = {
  title: 'Relay', doc: '', priceCents: 90, lines: [{ name: 'coil', need: 'out', maxUa: 2_000 }], plays: ['light'],
  supply: { minMv: 4_500, maxMv: 5_500, typicalUa: 0, worstUa: 70_000 }, address: null, busBaud: 100_000, busPullOhms: 0,
}; // prettier-ignore
const moods = {
  kind: 'choice' as const,
  name: 'mood',
  saved: null,
  options: [
    { id: 'q1', name: 'Calm' },
    { id: 'q2', name: 'Wild' },
  ],
  initialId: 'q2',
};
const idleTask = (called: string) => ({
  name: called, startStateId: null, goalStateId: null, doneWhen: null, budgetPresses: null, budgetUs: null, circumstances: [],
}); // prettier-ignore
const variable = fc.constantFrom<Args<'addVariable'>[0][]>(
  { kind: 'number', name: 'soot', saved: null, initial: 1, min: 0, max: 5, overflow: 'wrap', unit: '' },
  { kind: 'flag', name: 'lit', saved: { when: 'change' }, initial: true },
  moods,
  { kind: 'list', name: 'row', saved: null, initial: 0, min: 0, max: 3, overflow: 'hold', length: 3 , columns: 1},
); // prettier-ignore
const word = fc.record({ text: name, reason: fc.constant('') });
const companion = fc.record({
  role, forId: partId, terminal, fate: fc.constantFrom('fitted' as const, 'declined' as const),
  value: fc.integer({ min: 0, max: 9_000 }), quantity: fc.constant(1), priceCents: fc.constant(null), have: fc.constant(0),
}); // prettier-ignore
const to = fc.oneof(
  pin.map((one) => ({ kind: 'pin' as const, pin: one })),
  fc.tuple(partId, terminal).map(([ownerId, end]) => ({ kind: 'terminal' as const, ownerId, terminal: end })),
);
const wire = fc.record({ ownerId: partId, terminal, to, locked: bool });
const scheme = fc.constantFrom(...schemes);
const menuId = fc.constantFrom('u1', 'u1', 'u2', 'u3');
const itemId = id('i', 6);
const menuScheme = fc.constantFrom<MenuScheme[]>(
  { kind: 'fourKeys', keys: { up: 'b1', down: 'b2', ok: 'b3' } },
  { kind: 'oneButton', keys: { button: 'b1' } },
  { kind: 'cycling', keys: {} },
  { kind: 'encoder', keys: { turn: 'b9' } },
);
const menuItem = fc.constantFrom<Args<'addMenuItem'>[2][]>(
  { kind: 'submenu', name: 'More', use: 1 },
  { kind: 'factory', name: 'As new', use: 0, asks: 'confirm' },
  { kind: 'reading', name: 'Heat', use: 2, variableId: 'v1', format: 'tenths' },
  { kind: 'value', name: 'Heat', use: 2, variableId: 'v1', step: 2, low: null, high: null, typical: null, format: 'plain', wraps: true, live: true },
  { kind: 'text', name: 'Word', use: 2, variableId: 'v4', characters: 'ab' },
  { kind: 'pick', name: 'One of', use: 2, variableId: 'v5', chosenId: 'v2', countId: null },
); // prettier-ignore
const task = fc.record({
  name, startStateId: fc.option(stateId), goalStateId: fc.option(stateId), doneWhen: fc.constant(null),
  budgetPresses: fc.option(fc.integer({ min: 1, max: 9 })), budgetUs: fc.constant(null), circumstances: fc.subarray(['dark' as const, 'gloves' as const]),
}); // prettier-ignore
const trigger = ruleArbitrary.map((rule) => rule.trigger);
const presses = [{ heldUs: 90_000, closeUs: [0, 100, 250], openUs: [0] }];

/** Edits that depend on what is there: of the drawer, as the sheet of parts makes them, and of the wiring. */
const drawn = {
  addPart: fc.oneof(
    fc.constantFrom(...partKinds).map(({ id: kind }): Made => (gadget) => addPartEdit(gadget, kind)),
    ownClassArbitrary.map((own): Made => (gadget) => addOwnPartEdit(gadget, own)),
  ),
  resizePart: fc.integer({ min: 1, max: 4 }).map((rows): Made => (gadget) => {
    const keypad = gadget.parts.find(({ kind }) => kind === 'key-matrix');
    return keypad ? figuresEdit(gadget, keypad, { rows }) : addPartEdit(gadget, 'key-matrix');
  }),
  fitPart: fc.integer({ min: 1, max: 20 }).map((pixels): Made => (gadget) => {
    const chain = gadget.parts.find(({ kind }) => kind === 'light-chain');
    return chain ? figuresEdit(gadget, chain, { pixels }) : addPartEdit(gadget, 'light-chain');
  }),
  redefinePart: fc.tuple(fc.nat(), ownClassArbitrary).map(([at, own]): Made => (gadget) => {
    const owned = gadget.parts.filter((part) => part.own !== null);
    const part = owned[at % Math.max(1, owned.length)];
    return part ? ownClassEdit(gadget, part, own) : addOwnPartEdit(gadget, own);
  }),
  addKeySet: scheme.map(({ id: kind, defaults }): Made => (gadget) => {
    const taken = new Set(gadget.wiring.sets.flatMap(({ controlIds }) => controlIds));
    const free = gadget.controls.flatMap(({ id, kind }) => (kind === 'button' && !taken.has(id) ? [id] : []));
    const params = defaults(Math.max(1, free.length));
    return { name: 'addKeySet', args: [{ name: 'Set', controlIds: free, scheme: kind, params, chords: [] }] };
  }),
  changeKeySet: fc.nat().map((at): Made => ({ wiring: { sets } }) => {
    const set = sets[at % Math.max(1, sets.length)];
    return { name: 'changeKeySet', args: [set?.id ?? 'k9', { controlIds: set?.controlIds.slice(1) ?? [], chords: [] }] };
  }),
  lockWire: fc.tuple(fc.nat(), bool).map(([at, locked]): Made => ({ wiring: { wires } }) => {
    const { ownerId, terminal: end } = wires[at % Math.max(1, wires.length)] ?? { ownerId: 'p1', terminal: 'contact' };
    return { name: 'lockWire', args: [ownerId, end, locked] };
  }),
  openMenuOut: menuId.map((id): Made => (gadget) => {
    const menu = gadget.menus.find((one) => one.id === id) ?? gadget.menus[0];
    const made = menu ? openedOut(gadget, menu) : { states: [], variables: [], timers: [], pages: [], ignored: [] };
    return { name: 'openMenuOut', args: [id, made] };
  }),
} satisfies Partial<Record<EditName, fc.Arbitrary<Made>>>; // prettier-ignore

/** What each edit can be given; `satisfies` fails where one is left out. */
const argsOf = {
  renameGadget: fc.tuple(name),
  setPurpose: fc.tuple(name),
  setPicture: fc.tuple(fc.constant(null)),
  setWishes: fc.tuple(fc.constantFrom({ priceCents: 900 }, { priceCents: null }, { latencyUs: 20_000 })),
  setLoopPeriod: fc.tuple(fc.constantFrom(100, 1_000, 20_000)),
  addWord: fc.tuple(name, fc.constantFrom('keep' as const, 'later' as const, 'cut' as const)),
  changeWord: fc.tuple(id('w', 3), word),
  placeWord: fc.tuple(id('w', 3), fc.constantFrom('keep' as const, 'cut' as const), fc.option(id('w', 3))),
  removeWord: fc.tuple(id('w', 3)),
  addTask: fc.tuple(task),
  changeTask: fc.tuple(id('t', 3), task),
  moveTask: fc.tuple(id('t', 3), by),
  removeTask: fc.tuple(id('t', 3)),
  setCurrency: fc.tuple(fc.constantFrom('EUR', 'SEK')),
  changePart: fc.tuple(partId, fc.record({ name, quantity: fc.integer({ min: 1, max: 3 }) })),
  movePart: fc.tuple(partId, by),
  removePart: fc.tuple(partId),
  changeControl: fc.tuple(
    fc.constantFrom('b1', 'b2', 'b3'),
    fc.oneof(
      fc
        .constantFrom(...(Object.keys(switchModels) as SwitchModel[]))
        .map((model) => ({ contact: contactOf(model) })),
      settingArbitrary.map((debounce) => ({ debounce })),
      buttonArbitrary('b1').map(({ gestures }) => ({ gestures })),
    ),
  ),
  changeOutput: fc.tuple(
    fc.constantFrom('o1', 'o2', 'o3'),
    fc.constantFrom({ name: 'Renamed' }, { columns: 4 }, { rows: 1 }, { colour: 'blue' as const }),
  ),
  chooseBoard: fc.tuple(fc.option(board.map((one) => one.id))),
  swapBoard: fc.tuple(board.map((one) => one.id)),
  putBoard: fc.tuple(board.map((one) => ({ ...one, id: 'own-1', name: 'Own' }))),
  removeBoard: fc.tuple(fc.constantFrom('own-1', 'own-2')),
  setRadio: fc.tuple(bool),
  removeKeySet: fc.tuple(id('k', 2)),
  wire: fc.tuple(partId, terminal, fc.option(to), bool),
  layWires: fc.tuple(
    fc.uniqueArray(wire, { maxLength: 4, selector: (one) => `${one.ownerId}.${one.terminal}` }),
  ),
  clearWires: fc.constant<Args<'clearWires'>>([]),
  decide: fc.tuple(fc.array(companion, { maxLength: 2 })),
  undecide: fc.tuple(role, partId, terminal),
  changeHands: fc.tuple(fc.record({ longTapUs: fc.integer({ min: 200_000, max: 400_000 }) })),
  addChord: fc.tuple(chordArbitrary.map(({ id: _id, ...chord }) => chord)),
  changeChord: fc.tuple(id('c', 2), fc.record({ ordered: bool, waits: bool })),
  removeChord: fc.tuple(id('c', 2)),
  addCapture: fc.constant<Args<'addCapture'>>([{ name: 'Cut', presses }]),
  changeCapture: fc.tuple(id('x', 2), fc.record({ name })),
  removeCapture: fc.tuple(id('x', 2)),
  setCodes: fc.tuple(
    controlId,
    fc
      .uniqueArray(fc.constantFrom(16, 17, 18), { maxLength: 3 })
      .map((codes) =>
        codes.map((code) => ({ name: `code ${code}`, code, wrongPerMille: 0, latencyUs: 40_000 })),
      ),
  ),
  replaceFlow: gadgetArbitrary.map(({ flow }): Args<'replaceFlow'> => [flow]),
  addState: fc.tuple(
    name,
    fc.option(stateId),
    fc.constantFrom('plain' as const, 'final' as const, 'history' as const, 'deepHistory' as const),
  ),
  addParallelState: fc.tuple(name, fc.array(name, { maxLength: 3 }), fc.option(stateId)),
  leadToNewState: fc.tuple(ruleId, name),
  changeState: fc.tuple(
    stateId,
    fc.oneof(
      fc.record({ name }),
      fc.record({ entry: actionsArbitrary, exit: actionsArbitrary }),
      fc.record({
        kind: fc.constantFrom('plain' as const, 'parallel' as const, 'final' as const, 'history' as const),
      }),
    ),
  ),
  moveState: fc.tuple(stateId, by),
  nestState: fc.tuple(stateId, fc.option(stateId)),
  setInitialState: fc.tuple(stateId),
  removeState: fc.tuple(stateId),
  extractParent: fc.tuple(fc.subarray(['s1', 's2', 's3', 's4'], { minLength: 1 }), name),
  splitState: fc.tuple(stateId),
  setIgnored: fc.tuple(stateId, trigger, bool),
  setMark: fc.tuple(
    fc.oneof(stateId, ruleId),
    fc.constantFrom('lasting' as const, 'asleep' as const, 'asks' as const),
    bool,
  ),
  addRule: fc.tuple(stateId, ruleArbitrary),
  changeRule: fc.tuple(ruleId, ruleArbitrary),
  moveRule: fc.tuple(ruleId, by),
  removeRule: fc.tuple(ruleId),
  waitInOwnState: fc.tuple(fc.constantFrom('r0', 'r1'), fc.integer({ min: 0, max: 1 }), name),
  addVariable: fc.tuple(variable),
  changeVariable: fc.tuple(variableId, fc.constantFrom({ name: 'renamed' }, { saved: null }, { max: 60 })),
  replaceVariable: fc.tuple(variableId, variable),
  removeVariable: fc.tuple(variableId),
  addOption: fc.tuple(fc.constantFrom('v1', 'v7'), name),
  addSignal: fc.tuple(fc.constantFrom('gust', 'lull')),
  renameSignal: fc.tuple(id('g', 3), fc.constantFrom('gust', 'lull')),
  removeSignal: fc.tuple(id('g', 3)),
  addTimer: fc.tuple(fc.constantFrom('wick', 'bell')),
  renameTimer: fc.tuple(id('m', 3), fc.constantFrom('wick', 'bell')),
  removeTimer: fc.tuple(id('m', 3)),
  setChance: fc.tuple(fc.constantFrom('noise' as const, 'same' as const, 'press' as const)),
  addPage: fc.tuple(fc.constantFrom('o11', 'o2'), name),
  renamePage: fc.tuple(pageId, name),
  movePage: fc.tuple(pageId, by),
  layPageOver: fc.tuple(pageId, fc.constantFrom(null, 'v1 > 3')),
  removePage: fc.tuple(pageId),
  addElement: fc.tuple(pageId, elementArbitrary),
  changeElement: fc.tuple(pageId, fc.nat(3), elementArbitrary),
  moveElement: fc.tuple(pageId, fc.nat(3), by),
  removeElement: fc.tuple(pageId, fc.nat(3)),
  addPicture: fc.tuple(
    name,
    fc.constantFrom<Frame[][]>([['#']], [['#.', '.#'], ['..', '##']], [['#'], ['##']], []), // prettier-ignore
  ),
  addFont: fc.tuple(
    fc.record({
      name,
      widthPx: fc.constantFrom(1, 2, 99),
      heightPx: fc.constant(1),
      glyphs: fc.constantFrom([{ character: 'A', rows: ['#'] }], [{ character: 'A', rows: ['#.'] }], []),
    }),
  ),
  renameFont: fc.tuple(id('z', 2), name),
  removeFont: fc.tuple(id('z', 2)),
  addNeighbour: fc.tuple(
    fc.record({
      name,
      outputId: fc.constantFrom(null, 'o4', 'o3'),
      channels: fc.constantFrom<number[][]>([], [1, 2], [2, 1], [17]),
      kinds: fc.constantFrom<NeighbourKind[][]>(['notes'], ['programs', 'controls'], []),
    }),
  ),
  changeNeighbour: fc.tuple(
    id('l', 3),
    fc.oneof(fc.record({ name }), fc.record({ channels: fc.constantFrom<number[][]>([16], [3, 3]) })),
  ),
  removeNeighbour: fc.tuple(id('l', 3)),
  addEffect: fc.tuple(fc.record({ name, ...newEffect })),
  changeEffect: fc.tuple(
    id('e', 4),
    fc.oneof(fc.record({ name }), fc.record({ fromHz: fc.constantFrom(440, 0) })),
  ),
  removeEffect: fc.tuple(id('e', 4)),
  addTune: fc.tuple(
    fc.record({
      name,
      beatsPerMinute: fc.constantFrom(120, 96, 600, 0, 1_000_000),
      stepsPerBeat: fc.constantFrom(1, 4),
      swingPercent: fc.constantFrom(50, 66),
      heldPercent: fc.constant(90),
      sections: fc.constantFrom<Tune['sections'][]>(
        [{ name: 'All', steps: 8, times: 1 }],
        [{ name: 'All', steps: 16, times: 2 }],
        [],
      ),
      againFrom: fc.constantFrom(null, null, 0, 1),
      voices: fc.array(newVoice, { maxLength: 3 }),
    }),
  ),
  changeTune: fc.tuple(
    id('a', 3),
    fc.oneof(
      fc.record({ name }),
      fc.record({ beatsPerMinute: fc.constantFrom(90, 0) }),
      fc.record({ sections: fc.constantFrom<Tune['sections'][]>([{ name: 'All', steps: 12, times: 3 }], [{ name: 'All', steps: 3, times: 1 }]) }), // prettier-ignore
    ),
  ),
  removeTune: fc.tuple(id('a', 3)),
  addVoice: fc.tuple(id('a', 3), newVoice),
  changeVoice: fc.tuple(id('h', 4), newVoice),
  removeVoice: fc.tuple(id('h', 4)),
  renamePicture: fc.tuple(pictureId, name),
  drawFrame: fc.tuple(pictureId, fc.nat(2), frame),
  addFrame: fc.tuple(pictureId, fc.nat(3), frame),
  moveFrame: fc.tuple(pictureId, fc.nat(2), by),
  removeFrame: fc.tuple(pictureId, fc.nat(2)),
  replaceFrames: fc.tuple(pictureId, fc.tuple(frame)),
  removePicture: fc.tuple(pictureId),
  addMenu: fc.tuple(name, menuScheme, fc.constantFrom({ stateId: 's1' }, { stateId: null }, {})),
  changeMenu: fc.tuple(
    menuId,
    fc.oneof(
      fc.record({ name, wraps: bool, remembers: bool }),
      fc.record({ scheme: menuScheme }),
      fc.record({ outputId: fc.constantFrom('o2', 'o11', 'o1', null), leaveId: fc.option(stateId) }),
    ),
  ),
  removeMenu: fc.tuple(menuId),
  addMenuItem: fc.tuple(menuId, fc.option(itemId), menuItem),
  changeMenuItem: fc.tuple(menuId, itemId, fc.record({ name, use: fc.nat(9) })),
  moveMenuItem: fc.tuple(menuId, itemId, by),
  orderMenuItems: fc.tuple(
    menuId,
    fc.constant(null),
    fc.shuffledSubarray(['i1', 'i4', 'i5', 'i6'], { minLength: 3 }),
  ),
  nestMenuItem: fc.tuple(menuId, itemId, fc.option(itemId)),
  groupMenuItems: fc.tuple(
    menuId,
    fc.array(fc.record({ name, ids: fc.uniqueArray(itemId, { minLength: 1, maxLength: 3 }) }), {
      minLength: 1,
      maxLength: 2,
    }),
  ),
  removeMenuItem: fc.tuple(menuId, itemId),
  closeMenu: fc.tuple(fc.constant('u2'), fc.constant({ ids: [] })),
  addLayer: fc.tuple(name, when),
  changeLayer: fc.tuple(id('y', 3), fc.record({ when })),
  moveLayer: fc.tuple(id('y', 3), by),
  removeLayer: fc.tuple(id('y', 3)),
  setLayerKey: fc.tuple(
    id('y', 3),
    controlId,
    fc.option(fc.record({ press: actionsArbitrary, release: actionsArbitrary })),
  ),
} satisfies {
  [N in Exclude<EditName, 'several' | keyof typeof drawn>]: fc.Arbitrary<Args<N>>;
};

/** Edits of each name, for the gadget as it is then. Several at once are as good as each. */
export const editOf: Readonly<Record<string, fc.Arbitrary<Made>>> = {
  ...Object.fromEntries(
    Object.entries(argsOf).map(([edit, args]) => [
      edit,
      (args as fc.Arbitrary<unknown[]>).map(
        (given): Made =>
          () =>
            ({ name: edit, args: given }) as Edit,
      ),
    ]),
  ),
  ...drawn,
};

/** One edit of any name. */
export const editArbitrary: fc.Arbitrary<Made> = fc.oneof(...Object.values(editOf));

/** The same gadget with one of everything that edits can change, so that none of them finds nothing to do. */
export const furnished = (gadget: Gadget): Gadget =>
  (
    [
      { name: 'addWord', args: ['Glow', 'keep'] },
      { name: 'addWord', args: ['Hum', 'later'] },
      { name: 'addTask', args: [idleTask('Light it')] },
      { name: 'addTask', args: [idleTask('Put it out')] },
      addPartEdit(gadget, 'key-matrix'),
      addOwnPartEdit(gadget, relay),
      { name: 'wire', args: ['p1', 'contact', { kind: 'pin', pin: 'P3' }, false] },
      { name: 'addCapture', args: [{ name: 'Cut', presses }] },
      { name: 'addVariable', args: [moods] },
      { name: 'addMenu', args: ['Settings', { kind: 'fourKeys', keys: { up: 'b1' } }] },
      { name: 'addMenuItem', args: ['u1', null, { kind: 'submenu', name: 'Heat', use: 1 }] },
      ...['i1', 'i1', null, null, null].map(
        (parentId): Edit => ({
          name: 'addMenuItem',
          args: ['u1', parentId, { kind: 'reading', name: 'Now', use: 1, variableId: 'v1', format: 'plain' }],
        }),
      ),
      { name: 'addMenu', args: ['By hand', { kind: 'fourKeys', keys: {} }, { stateId: 's1' }] },
      { name: 'openMenuOut', args: ['u2', { states: [], variables: [], timers: [], pages: [], ignored: [] }] },
      { name: 'changeRule', args: ['r0', { actions: [{ kind: 'wait', lengthUs: 5_000 }], targetIds: ['s2'] }] },
    ] satisfies Edit[]
  ).reduce<Gadget>((before, edit) => {
    try {
      return applyEdit(before, edit);
    } catch {
      // The rule may not be there.
      return before;
    }
  }, gadget); // prettier-ignore

/**
 * The plan of the house as lint. Each room lists the rooms it may know; everything not listed is forbidden, and a
 * room is entered by its face (index.ts) only.
 */
const ground = ['gadget', 'kernel'];
// Kinds of output, each a room.
const outputs = [
  'light',
  'lights',
  'screen',
  'sound',
  'motion',
  'midi',
  'typing',
  'switching',
  'serial',
  'module',
];
const path = ['contact', 'scan', 'debounce', 'gesture', 'flow', 'output', ...outputs];
const mayKnow = {
  gadget: [],
  kernel: [],
  contact: [...ground],
  scan: [...ground, 'contact'],
  debounce: [...ground, 'scan'],
  gesture: [...ground, 'debounce'],
  flow: [...ground, 'gesture'],
  // What musicians call notes, scales and chords.
  notes: [...ground],
  // Pixels: drawn by hand, read from files and written to them.
  picture: [...ground],
  // What every output is while the gadget runs; the kinds stand side by side behind the flow.
  output: [...ground, 'flow'],
  ...Object.fromEntries(outputs.map((room) => [room, [...ground, 'flow', 'output', 'parts']])),
  screen: [...ground, 'picture', 'flow', 'output', 'parts'],
  // A pitch is what a timer of the board gives.
  sound: [...ground, 'notes', 'flow', 'output', 'parts', 'wiring'],
  midi: [...ground, 'notes', 'flow', 'output', 'parts'],
  // Beside the path: what is bought, and how it is wired.
  // Menus: outlines that become ordinary states, rules and pages wherever a gadget is played.
  menu: [...ground, 'gesture', 'parts'],
  brief: [...ground],
  parts: [...ground],
  // Pages have fonts and pictures, which the program of a board has to have room for.
  wiring: [...ground, 'notes', 'scan', 'parts', 'screen'],
  // Parts as they come out of the drawer: with a contact and a debouncing to begin with.
  drawer: [...ground, 'contact', 'debounce', 'parts'],
  // What is measured of controls with their parts: turning, knobs, captures, recommendations.
  feel: [...ground, 'contact', 'scan', 'debounce', 'gesture', 'flow', 'parts', 'wiring'],
  machine: [...ground, ...path, 'menu', 'parts', 'wiring'],
  trial: [...ground, ...path, 'machine'],
  // Everything that a gadget can come to, and questions about it.
  explore: [
    ...ground,
    'gesture',
    'flow',
    'light',
    'lights',
    'midi',
    'serial',
    'typing',
    'menu',
    'parts',
    'machine',
    'trial',
  ],
  snag: [...ground, ...path, 'menu', 'brief', 'feel', 'wiring', 'machine', 'explore'],
  // What is said of a gadget where it is one of many.
  card: [...ground, 'machine', 'snag'],
  formats: [...ground, ...path, 'notes', 'feel', 'parts', 'drawer', 'wiring', 'machine', 'trial', 'snag'],
};
const test = '\\.test\\.tsx?$|/test/';
// How a kind of output stands in the document is said in its own room, and belongs to the ground floor.
const described = '\\.(document|fields)\\.ts$';
// How it is written in a line is said there, too, and belongs to the line.
const written = '\\.line\\.ts$|/(moveLine|keyNotesLine)\\.ts$';
const face = '^core/(dist|src)/index\\.(d\\.ts|js|ts)$';
const rooms = Object.entries(mayKnow).map(([room, known]) => ({
  name: `core-${room}`,
  comment: `${room} may know ${known.join(', ') || 'nobody'}`,
  severity: 'error',
  from: { path: `^core/src/${room}/`, pathNot: test },
  to: {
    path: '^core/src/',
    pathNot: [...[room, ...known].map((name) => `^core/src/${name}/`), described, written].join('|'),
  },
}));

module.exports = {
  forbidden: [
    ...rooms,
    {
      name: 'core-faces',
      comment:
        'a room is entered by its index.ts; the registry of snags lists files that live in their rooms',
      severity: 'error',
      from: {
        path: '^core/src/([^/]+)/',
        pathNot: `${test}|${described}|${written}|^core/src/(snag/registry|machine/outputRegistry|flow/line/outputLines|trial/outputExpectations)\\.ts$`,
      },
      to: { path: '^core/src/[^/]+/', pathNot: `^core/src/$1/|/index\\.ts$|${described}` },
    },
    {
      name: 'documents-are-ground',
      comment: 'what describes an output in the document knows what documents are made of, and nothing else',
      severity: 'error',
      from: { path: described },
      to: {
        path: '^core/src/',
        pathNot: `^core/src/gadget/(outputDocument|primitives\\.schema|limits)\\.ts$|${described}`,
      },
    },
    {
      name: 'described-for-the-document',
      comment: 'only the document and its face look into the rooms for it',
      severity: 'error',
      from: { path: '^core/src/', pathNot: `${test}|${described}|${written}|^core/src/gadget/` },
      to: { path: described },
    },
    {
      name: 'lines-are-the-flows',
      comment: 'what writes a line knows lines and its own document',
      severity: 'error',
      from: { path: written },
      to: { path: '^core/src/', pathNot: `^core/src/flow/line/outputLine\\.ts$|${described}|${written}` },
    },
    {
      name: 'core-hostless',
      comment: 'the core knows no host',
      severity: 'error',
      from: { path: '^core/src/', pathNot: test },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'public-face-only',
      comment: 'server and web know the core by its public face',
      severity: 'error',
      from: { path: '^(server|web)/src/', pathNot: test },
      to: { path: '^core/', pathNot: face },
    },
    {
      name: 'tests-by-the-face',
      comment: 'tests may also draw the gadgets that tests of the core draw',
      severity: 'error',
      from: { path: `^(server|web)/src/.*(${test})` },
      to: { path: '^core/', pathNot: `${face}|^core/src/test/` },
    },
    {
      name: 'server-and-web-are-strangers',
      severity: 'error',
      from: { path: '^(server|web)/src/' },
      to: { path: '^(server|web)/src/', pathNot: '^$1/src/' },
    },
    {
      name: 'sheets-are-strangers',
      comment: 'what two sheets share moves to web/src/shared or the core',
      severity: 'error',
      from: { path: '^web/src/sheets/([^/]+)/' },
      to: { path: '^web/src/sheets/', pathNot: '^web/src/sheets/$1/' },
    },
    {
      name: 'sheets-by-their-face',
      severity: 'error',
      from: { path: '^web/src/', pathNot: '^web/src/sheets/' },
      to: { path: '^web/src/sheets/[^/]+/', pathNot: '/index\\.tsx?$' },
    },
    { name: 'nothing-missing', severity: 'error', from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules|/dist/' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'default'] },
  },
};

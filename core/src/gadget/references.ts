import type { Brief } from './brief.schema.ts';
import type { Capture } from './contact.schema.ts';
import type { Flow } from './flow.schema.ts';
import { flowFaults } from './flowReferences.ts';
import type { Chord } from './gestures.schema.ts';
import { menuFaults } from './menuReferences.ts';
import { madeFor, type Menu } from './menus.schema.ts';
import type { Page } from './pages.schema.ts';
import type { OwnFont } from './fonts.schema.ts';
import type { Picture } from './pictures.schema.ts';
import type { Neighbour } from './neighbours.schema.ts';
import type { SoundEffect } from './effects.schema.ts';
import type { Tune } from './tunes.schema.ts';
import type { Part } from './parts.schema.ts';
import type { Wiring } from './wiring.schema.ts';
import type { Control } from './controls.schema.ts';
import type { Output } from './outputs.schema.ts';

type Path = (string | number)[];
export interface ReferenceFault {
  path: Path;
  message: string;
}

interface Referring {
  brief: Pick<Brief, 'words' | 'tasks'>;
  controls: Control[];
  chords: Chord[];
  captures: Capture[];
  outputs: Output[];
  pages: Page[];
  pictures: Picture[];
  fonts: OwnFont[];
  effects: SoundEffect[];
  neighbours: Neighbour[];
  tunes: Tune[];
  menus: Menu[];
  parts: Part[];
  wiring: Wiring;
  flow: Flow;
}

/**
 * Duplicated ids and names, and references that lead nowhere or to the wrong kind of thing.
 * Ids are unique across the whole document, so that a place can be named by id alone.
 */
export function checkReferences(gadget: Referring): ReferenceFault[] {
  const faults: ReferenceFault[] = [];
  const fault = (path: Path, message: string) => faults.push({ path, message });
  const { brief, controls, chords, captures, outputs, pages, pictures, fonts } = gadget;
  const { effects, tunes, neighbours, menus, parts, wiring, flow } = gadget;

  const seen = new Set<string>();
  const derived = new Set(
    menus.flatMap(({ id, items, openedOut }) => (openedOut ? [] : [id, ...items.map((item) => item.id)])),
  );
  const unique = (id: string, path: Path) => {
    const owner = madeFor(id);
    if (owner !== null && derived.has(owner))
      fault([...path, 'id'], `expected an id that is not kept for what a menu comes to, got "${id}"`);
    if (seen.has(id)) fault([...path, 'id'], `expected an id used once, got "${id}" again`);
    seen.add(id);
  };
  brief.words.forEach((word, i) => unique(word.id, ['brief', 'words', i]));
  brief.tasks.forEach((task, i) => unique(task.id, ['brief', 'tasks', i]));
  controls.forEach((control, i) => {
    unique(control.id, ['controls', i]);
    if (control.kind === 'codes')
      control.codes.forEach((code, c) => unique(code.id, ['controls', i, 'codes', c]));
  });
  chords.forEach((chord, i) => unique(chord.id, ['chords', i]));
  captures.forEach((capture, i) => unique(capture.id, ['captures', i]));
  outputs.forEach((output, i) => unique(output.id, ['outputs', i]));
  pages.forEach((page, i) => unique(page.id, ['pages', i]));
  pictures.forEach((picture, i) => unique(picture.id, ['pictures', i]));
  fonts.forEach((font, i) => unique(font.id, ['fonts', i]));
  const wires = new Set(outputs.flatMap(({ id, kind }) => (kind === 'midi' ? [id] : [])));
  neighbours.forEach(({ id, outputId }, i) => {
    unique(id, ['neighbours', i]);
    if (outputId !== null && !wires.has(outputId))
      fault(['neighbours', i, 'outputId'], `expected the id of a MIDI output, got "${outputId}"`);
  });
  effects.forEach((effect, i) => unique(effect.id, ['effects', i]));
  tunes.forEach(({ id, voices }, i) => {
    unique(id, ['tunes', i]);
    voices.forEach((voice, v) => unique(voice.id, ['tunes', i, 'voices', v]));
  });
  menus.forEach(({ id, items }, i) => {
    unique(id, ['menus', i]);
    items.forEach((item, n) => unique(item.id, ['menus', i, 'items', n]));
  });
  parts.forEach((part, i) => unique(part.id, ['parts', i]));
  wiring.sets.forEach((set, i) => unique(set.id, ['wiring', 'sets', i]));
  flow.variables.forEach((variable, i) => {
    unique(variable.id, ['flow', 'variables', i]);
    if (variable.kind === 'choice')
      variable.options.forEach((option, o) => unique(option.id, ['flow', 'variables', i, 'options', o]));
  });
  for (const list of ['signals', 'timers', 'layers'] as const)
    flow[list].forEach((one, i) => unique(one.id, ['flow', list, i]));
  flow.states.forEach((state, s) => {
    unique(state.id, ['flow', 'states', s]);
    state.rules.forEach((rule, r) => unique(rule.id, ['flow', 'states', s, 'rules', r]));
  });

  const words = new Set<string>();
  flow.variables.forEach(({ name }, i) => {
    if (words.has(name))
      fault(['flow', 'variables', i, 'name'], `expected a name used once, got "${name}" again`);
    words.add(name);
  });
  const keys = new Set<string>();
  controls.forEach((control, i) => {
    const fields = 'backKey' in control ? (['key', 'backKey'] as const) : (['key'] as const);
    for (const field of fields) {
      const key = (control as { key: string | null; backKey?: string | null })[field] ?? null;
      if (key !== null && keys.has(key))
        fault(['controls', i, field], `expected a key that plays one control, got "${key}" again`);
      if (key !== null) keys.add(key);
    }
  });

  const stateIds = new Set(flow.states.map((state) => state.id));
  const state = (id: string | null, path: Path) => {
    if (id !== null && !stateIds.has(id)) fault(path, `expected the id of a state, got "${id}"`);
  };
  brief.tasks.forEach((task, i) => {
    state(task.startStateId, ['brief', 'tasks', i, 'startStateId']);
    state(task.goalStateId, ['brief', 'tasks', i, 'goalStateId']);
  });
  const linkable = new Set([...parts, ...brief.tasks, ...flow.states, ...outputs].map(({ id }) => id));
  brief.words.forEach(({ links }, w) =>
    links.forEach((id, l) => {
      if (!linkable.has(id))
        fault(['brief', 'words', w, 'links', l], `expected a part, task, state or output, got "${id}"`);
    }),
  );
  faults.push(...feelFaults(gadget), ...partFaults(gadget), ...wiringFaults(gadget));
  flowFaults(gadget, fault);
  menuFaults(gadget, fault);
  return faults;
}

/** Chords are of different buttons; a contact plays a capture that is there. */
function feelFaults({ controls, chords, captures }: Referring): ReferenceFault[] {
  const faults: ReferenceFault[] = [];
  const kinds = new Map(controls.map(({ id, kind }) => [id, kind]));
  chords.forEach(({ controlIds }, c) => {
    const path = ['chords', c, 'controlIds'];
    if (controlIds.some((id) => kinds.get(id) !== 'button') || new Set(controlIds).size < controlIds.length)
      faults.push({ path, message: 'expected different buttons of this gadget' });
  });
  const captured = new Set(captures.map(({ id }) => id));
  controls.forEach((control, i) => {
    const captureId = 'contact' in control ? control.contact.captureId : null;
    if (captureId !== null && !captured.has(captureId))
      faults.push({
        path: ['controls', i, 'contact', 'captureId'],
        message: `expected the id of a capture, got "${captureId}"`,
      });
  });
  return faults;
}

/** Every control and output belongs to exactly one part. */
function partFaults({ controls, outputs, parts }: Referring): ReferenceFault[] {
  const faults: ReferenceFault[] = [];
  const ends = new Set([...controls, ...outputs].map(({ id }) => id));
  const owned = new Set<string>();
  parts.forEach(({ plays }, p) =>
    plays.forEach((id, n) => {
      const path = ['parts', p, 'plays', n];
      if (!ends.has(id)) faults.push({ path, message: `expected a control or output, got "${id}"` });
      if (owned.has(id))
        faults.push({ path, message: `expected "${id}" to belong to one part, got a second` });
      owned.add(id);
    }),
  );
  for (const [list, members] of Object.entries({ controls, outputs }))
    members.forEach(({ id }, index) => {
      if (!owned.has(id))
        faults.push({ path: [list, index, 'id'], message: `expected a part that plays "${id}"` });
    });
  return faults;
}

/** Wires lead from what exists, once each; a key belongs to one set. Whether a pin exists is a snag, not a fault. */
function wiringFaults({ controls, parts, wiring }: Referring): ReferenceFault[] {
  const faults: ReferenceFault[] = [];
  const owners = new Set([...parts, ...wiring.sets].map(({ id }) => id));
  const controlIds = new Set(controls.map(({ id }) => id));
  const inSet = new Set<string>();
  const once = new Set<string>();
  const owner = (id: string, path: Path) => {
    if (!owners.has(id)) faults.push({ path, message: `expected a part or key set, got "${id}"` });
  };
  wiring.sets.forEach(({ controlIds: members, chords }, s) => {
    const base = ['wiring', 'sets', s];
    members.forEach((id, n) => {
      const path = [...base, 'controlIds', n];
      if (!controlIds.has(id)) faults.push({ path, message: `expected a control, got "${id}"` });
      if (inSet.has(id)) faults.push({ path, message: `expected "${id}" in one set, got it again` });
      inSet.add(id);
    });
    chords.forEach((chord, c) => {
      if (chord.some((id) => !members.includes(id)) || new Set(chord).size < chord.length)
        faults.push({ path: [...base, 'chords', c], message: 'expected different keys of this set' });
    });
  });
  wiring.wires.forEach(({ ownerId, terminal, to }, w) => {
    const path = ['wiring', 'wires', w];
    owner(ownerId, [...path, 'ownerId']);
    if (to.kind === 'terminal') owner(to.ownerId, [...path, 'to', 'ownerId']);
    const key = `${ownerId}.${terminal}`;
    if (once.has(key)) faults.push({ path, message: `expected one wire from "${terminal}", got a second` });
    once.add(key);
  });
  const decided = new Set<string>();
  wiring.companions.forEach(({ role, forId, terminal }, c) => {
    const path = ['wiring', 'companions', c];
    owner(forId, [...path, 'forId']);
    const key = `${role} ${forId}.${terminal}`;
    if (decided.has(key)) faults.push({ path, message: `expected one decision on ${role}, got a second` });
    decided.add(key);
  });
  const own = new Set<string>();
  wiring.boards.forEach(({ id }, b) => {
    if (own.has(id))
      faults.push({
        path: ['wiring', 'boards', b, 'id'],
        message: `expected an id used once, got "${id}" again`,
      });
    own.add(id);
  });
  return faults;
}

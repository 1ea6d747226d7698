import {
  calmed,
  flashingCentiHz,
  isOutputAction,
  placedActions,
  type Edit,
  type Gadget,
  type PlacedActions,
  type Snag,
  type SnagRule,
} from '../../gadget/index.ts';
import { litBy, litPlaces, Machine, type TraceEntry } from '../../machine/index.ts';
import { inBand } from '../flashes.ts';
import { sameStatesAs, scriptOf } from '../script.ts';
import { explored } from './explored.ts';

/** As often as may be: 2 Hz. */
const safeCentiHz = 200;
/** A state is watched for so long. */
const watchedUs = 2_000_000;
/** What takes a timer slower than that by itself cannot flash. */
const slowestUs = 334_000;
/** States that are watched; each costs a play. */
const mostWatched = 40;

/** The same list with a calmer action; null where it stands where no edit reaches. */
function calmer({ actions, place, where, state }: PlacedActions, index: number): Edit | null {
  const action = actions[index];
  if (!action || !isOutputAction(action)) return null;
  const list = actions.toSpliced(index, 1, calmed(action, safeCentiHz));
  if (where === 'rule') return { name: 'changeRule', args: [place.id, { actions: list }] };
  if (where === 'entry' || where === 'exit')
    return { name: 'changeState', args: [state!.id, { [where]: list }] };
  return null;
}

/** Flashing between 3 and 30 Hz can harm: by what a light is told, or by rules that switch it. */
export const L20: SnagRule = {
  id: 'L20',
  check(gadget, derived) {
    const name = (id: string) => gadget.outputs.find((one) => one.id === id)?.name ?? id;
    const snags = placedActions(gadget.flow).flatMap((placed) =>
      placed.actions.flatMap((action, index): Snag[] => {
        if (!isOutputAction(action)) return [];
        const centiHz = flashingCentiHz(action);
        if (!inBand(centiHz)) return [];
        const edit = calmer(placed, index);
        return [
          {
            rule: 'L20',
            level: 'likely',
            place: placed.place,
            values: {
              light: name(action.outputId),
              where: placed.name,
              centiHz,
              by: action.kind === 'light' ? action.light.mode : 'blink',
            },
            ...(edit && { mend: { key: 'calmer', edit, values: { centiHz: safeCentiHz } } }),
          },
        ];
      }),
    );
    return [...snags, ...byRules(gadget, derived, new Set(snags.map(({ values }) => String(values.light))))];
  },
};

/** Watches states in which something fast goes on by itself. */
function byRules(
  gadget: Gadget,
  derived: Parameters<SnagRule['check']>[1],
  told: ReadonlySet<string>,
): Snag[] {
  const fast = new Set(
    gadget.flow.states.flatMap(({ id, rules }) =>
      rules.some(
        ({ trigger }) =>
          (trigger.kind === 'every' || trigger.kind === 'after') &&
          (typeof trigger.delay !== 'number' || trigger.delay <= slowestUs),
      )
        ? [id]
        : [],
    ),
  );
  const timers = placedActions(gadget.flow).some(({ actions }) =>
    actions.some(
      (one) =>
        one.kind === 'start' && one.every && (typeof one.length !== 'number' || one.length <= slowestUs),
    ),
  );
  if ((fast.size === 0 && !timers) || gadget.outputs.length === 0) return [];
  const explorer = explored(gadget, derived);
  const watched = new Set<string>();
  const snags: Snag[] = [];
  const lights = new Set(told);
  for (let id = 0; id < explorer.count && watched.size < mostWatched; id += 1) {
    const active = explorer.activeIn(id);
    const key = explorer.innermostIn(id).join();
    if (watched.has(key) || (!timers && !active.some((one) => fast.has(one)))) continue;
    watched.add(key);
    if (derived.effort.left <= 0) break;
    const { seed, stimuli, endUs, confirmed } = scriptOf(
      explorer,
      explorer.pathTo(id),
      sameStatesAs(explorer, id),
      2,
      derived.effort,
    );
    if (!confirmed) continue;
    const machine = new Machine(explorer.gadget, seed);
    for (const stimulus of stimuli) machine.stimulate(stimulus);
    machine.advance(endUs, derived.effort.left);
    machine.takeTrace();
    const was = litPlaces(machine.shown.outputs, machine.nowUs);
    machine.advance(endUs + watchedUs, Math.max(0, derived.effort.left - machine.work));
    derived.effort.left -= machine.work;
    for (const [of, centiHz] of flashesIn(gadget, machine.takeTrace(), was)) {
      const light = gadget.outputs.find((one) => one.id === of)!.name;
      if (!inBand(centiHz) || lights.has(light)) continue;
      lights.add(light);
      const where = gadget.flow.states.find((one) => one.id === explorer.innermostIn(id).at(-1))!;
      snags.push({
        rule: 'L20',
        level: 'likely',
        place: { kind: 'state', id: where.id },
        values: { light, where: where.name, centiHz, by: 'rules' },
        way: { seed, stimuli, endUs: endUs + watchedUs },
      });
    }
  }
  return snags;
}

/** How often any place of an output goes from dark to lit by the rules; in hundredths of a hertz, by id. */
function flashesIn(
  gadget: Gadget,
  trace: readonly TraceEntry[],
  was: Readonly<Record<string, readonly boolean[]>>,
): Map<string, number> {
  const kinds = new Map(gadget.outputs.map(({ id, kind }) => [id, kind]));
  const lit = new Map(Object.entries(was).map(([id, places]) => [id, [...places]]));
  const rises = new Map<string, number[]>();
  for (const entry of trace) {
    const kind = 'id' in entry && entry.id !== null ? kinds.get(entry.id) : undefined;
    if (kind === undefined) continue;
    const { id } = entry as { id: string };
    for (const [place, on] of litBy(kind, entry)) {
      const places = lit.get(id) ?? [];
      const counts = rises.get(id) ?? [];
      if (on && places[place] === false) counts[place] = (counts[place] ?? 0) + 1;
      places[place] = on;
      lit.set(id, places);
      rises.set(id, counts);
    }
  }
  return new Map(
    [...rises].map(([id, counts]) => {
      const most = counts.reduce((one, other) => Math.max(one, other ?? 0), 0);
      return [id, Math.round((most * 100_000_000) / watchedUs)];
    }),
  );
}

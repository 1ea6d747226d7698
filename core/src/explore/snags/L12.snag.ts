import {
  buttonsHeard,
  type Effort,
  type Gadget,
  type Snag,
  type SnagRule,
  type Task,
} from '../../gadget/index.ts';
import type { Explorer } from '../explorer.ts';
import type { Player } from '../hand.ts';
import { Arena, endsOf } from '../players.ts';
import { waysOf } from '../shortest.ts';
import { explored } from './explored.ts';

const rounds = 20;
const limitUs = 120_000_000;
const mashedPerSecond = 7;

/** Only what takes time to win can be won by not playing: a way to it must go through a timer. */
function isWon(explorer: Explorer, task: Task): boolean {
  if (task.goalStateId === null || task.goalStateId === explorer.gadget.flow.initialId) return false;
  const { quickest } = waysOf(explorer, task);
  return quickest !== null && quickest.steps.some(({ kind }) => kind === 'timer');
}

/** How often a player comes to the goal, in percent. */
function winsOf(
  gadget: Gadget,
  explorer: Explorer,
  { goalStateId, startStateId }: Task,
  player: Player,
  effort: Effort,
): number {
  const start = startStateId === null ? 0 : explorer.tables.stateIds.indexOf(startStateId);
  let from = 0;
  while (startStateId !== null && from < explorer.count && explorer.load(from).active[start] !== 1) from += 1;
  const opening = explorer
    .pathTo(Math.min(from, explorer.count - 1))
    .flatMap((step) => (step.kind === 'move' ? [explorer.moves[step.move]!] : []));
  const ends = [...new Set([goalStateId!, ...endsOf(gadget)])].filter((id) => id !== startStateId);
  const arena = new Arena(explorer.gadget, { opening, endStateIds: ends, scoreId: null, limitUs }, player);
  let won = 0;
  for (let seed = 1; seed <= rounds && effort.left > 0; seed += 1) {
    const { endStateId, work } = arena.play(seed);
    effort.left -= work;
    if (endStateId === goalStateId) won += 1;
  }
  return Math.round((100 * won) / rounds);
}

/** Won by doing nothing, or by mashing one key. */
export const L12: SnagRule = {
  id: 'L12',
  check(gadget, derived) {
    const buttons = buttonsHeard(gadget).filter(({ wants }) => wants.purpose === 'game');
    if (buttons.length === 0) return [];
    const explorer = explored(gadget, derived);
    const players: { player: Player; control: string }[] = [
      { player: { kind: 'idle' }, control: '' },
      ...buttons.map(({ id, name }) => ({
        player: { kind: 'mash' as const, controlId: id, perSecond: mashedPerSecond },
        control: name,
      })),
    ];
    return gadget.brief.tasks
      .filter((task) => isWon(explorer, task))
      .flatMap((task): Snag[] => {
        for (const { player, control } of players) {
          const percent = winsOf(gadget, explorer, task, player, derived.effort);
          if (percent < 50) continue;
          return [
            {
              rule: 'L12',
              level: 'likely',
              place: { kind: 'state', id: task.goalStateId! },
              values: { task: task.name, player: player.kind, control, percent, rounds },
            },
          ];
        }
        return [];
      });
  },
};

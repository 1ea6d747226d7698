import type { Gadget } from '../gadget/index.ts';
import { asMeant } from '../gesture/index.ts';
import { Explorer } from './explorer.ts';
import { settling, unseenIn, type Settled } from './settled.ts';
import { Wandering } from './wandering.ts';

/** Asked for by itself, it may look farther than checks do at every edit: a second or two. */
const looked = { states: 24_000, edges: 400_000, work: 1_500_000_000 };
/** More pictures than this nobody looks through. */
const mostStates = 200;
/** States walked between two looks at whether somebody has enough of it: some milliseconds. */
const piece = 1_000;
/** How much of it walking, playing to states and playing at random are, by how long they take with gadgets of some size. */
const shares = { walking: 0.3, playing: 0.4 } as const;

/**
 * Plays to every state of a gadget, piece by piece, and keeps what can be seen and heard there: by ways that were found
 * for it; to those for which none was, by playing at random for a while.
 */
export class StatesLooked {
  private readonly settled: Settled[] = [];
  private readonly explorer: Explorer;
  private readonly effort = { left: looked.work };
  private walking = true;
  private came = 0;
  private readonly states;
  private wandering: Wandering | null = null;
  constructor(gadget: Gadget) {
    this.explorer = new Explorer(asMeant(gadget), looked);
    this.states = settling(this.explorer, new Set(), this.effort, mostStates);
  }

  /** What was found so far, in the order in which it was. */
  get found(): readonly Settled[] {
    return [...this.settled, ...(this.wandering?.found ?? [])];
  }

  /** Does a piece of it. @returns whether that was the last */
  advance(): boolean {
    if (this.wandering) return this.wandering.advance();
    if (this.walking) {
      this.walking = !this.explorer.advance(piece);
      return false;
    }
    const next = this.states.next();
    if (next.value) this.settled.push(next.value);
    this.came += 1;
    if (next.done) {
      const { gadget } = this.explorer;
      const missing = unseenIn(gadget.flow.states, this.settled);
      const stayable = missing.filter(({ kind }) => kind === 'plain' || kind === 'final');
      this.wandering = new Wandering(
        gadget,
        stayable.map(({ id }) => id),
      );
    }
    return false;
  }

  /** How much of it is done, from 0 to 1; how many states there are shows on the way. */
  get share(): number {
    const { walking, playing } = shares;
    if (this.wandering) return walking + playing + (1 - walking - playing) * this.wandering.share;
    if (this.walking) return (walking * Math.min(this.explorer.count, looked.states)) / looked.states;
    const { length } = this.explorer.gadget.flow.states;
    return walking + playing * Math.min(1, this.came / Math.min(mostStates, length));
  }

  /** All of it at once. */
  all(): readonly Settled[] {
    while (!this.advance());
    return this.found;
  }
}

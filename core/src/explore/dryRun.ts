import type { Gadget } from '../gadget/index.ts';
import { mostFrequent, type Cause, type Standstill } from '../kernel/index.ts';
import { countCauses } from './cause.ts';
import { Machine, type Stimulus } from '../machine/index.ts';

/** What a gadget costs that nobody touches at first, and whose controls are then each used once. */
export interface DryRun {
  seed: number;
  stimuli: Stimulus[];
  /** How far it came, µs of the gadget's time. */
  ranUs: number;
  /** Why it stands still, if it does. */
  still: Standstill | null;
  /** The dearest part of it: what was worked out, in the kernel's parts, within how long, and what came most often. */
  dearest: { parts: number; withinUs: number; cause: Cause; times: number };
}

const seed = 1;
const aloneUs = 1_000_000;
const betweenUs = 150_000;
const heldUs = 80_000;
/** More controls than that are not tried. */
const mostTried = 24;
/** Looked at piece by piece. */
const pieceUs = 100_000;
const pieceParts = 2_000_000;
/** About half a second; usual gadgets take a thousandth of it. */
const mostParts = 120_000_000;

/** Each control once, one after the other. */
function useAll({ controls }: Gadget): { stimuli: Stimulus[]; endUs: number } {
  let atUs = aloneUs;
  const stimuli = controls.slice(0, mostTried).flatMap((control): Stimulus[] => {
    const controlId = control.id;
    atUs += betweenUs;
    switch (control.kind) {
      case 'button':
        return [
          { atUs, controlId, what: 'down' },
          { atUs: atUs + heldUs, controlId, what: 'up' },
        ];
      case 'encoder':
        return [{ atUs, controlId, what: 'turn', detents: 2, overUs: heldUs }];
      case 'knob':
        return [{ atUs, controlId, what: 'move', perMille: 700, overUs: heldUs }];
      case 'codes':
        return control.codes
          .slice(0, 1)
          .map(({ id: codeId }) => ({ atUs, controlId, what: 'send', codeId, heldUs }));
    }
  });
  return { stimuli, endUs: atUs + aloneUs };
}

/**
 * Lets a gadget run without being told what for, to see what it costs and whether it stands still; on any gadget it
 * ends soon. Pure: the same gadget gives the same.
 */
export function dryRun(gadget: Gadget): DryRun {
  const machine = new Machine(gadget, seed);
  const { stimuli, endUs } = useAll(gadget);
  for (const stimulus of stimuli) machine.stimulate(stimulus);
  let dearest: DryRun['dearest'] = { parts: 0, withinUs: pieceUs, cause: { kind: 'loop', id: '' }, times: 0 };
  while (machine.nowUs < endUs && !machine.still && machine.work < mostParts) {
    const [fromUs, from] = [machine.nowUs, machine.work];
    const tally: Record<string, number> = {};
    const untilUs = Math.min(endUs, fromUs + pieceUs);
    // A dear piece is not kept in memory as a whole.
    for (let over = false; !over && machine.work < mostParts;) {
      over = machine.advance(untilUs, pieceParts);
      countCauses(machine.takeTrace(), tally);
    }
    const withinUs = Math.max(1, machine.nowUs - fromUs);
    const parts = machine.work - from;
    // Power-up happens in no time, and once.
    if (withinUs < gadget.loop.periodUs || parts / withinUs <= dearest.parts / dearest.withinUs) continue;
    dearest = { parts, withinUs, ...mostFrequent(tally, { kind: 'loop', id: '' }) };
  }
  return { seed, stimuli, ranUs: machine.nowUs, still: machine.still, dearest };
}

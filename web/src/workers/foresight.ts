import type { Machine, SoundingVoices, Stimulus } from '@hum-lever/core';
import { Ears } from '../outputs/voices.ts';

/** Work spent on looking ahead at a time, in the kernel's parts: about 2 ms. What is dearer is foreseen less far. */
const mostParts = 250_000;
/** What sounds is asked for in such pieces, so that what is dear stops at a moment that is over. */
const pieces = 8;

export interface Foreseen {
  /** What sounds from these moments on, in order, none before the machine. */
  sounds: { atUs: number; sounding: SoundingVoices }[];
  /** Up to and with that moment nothing else sounds otherwise, if nothing comes from outside. */
  toUs: number;
}

/**
 * What will sound where no hand does anything but what is planned: a machine beside the machine goes on, and is
 * forgotten. So the loudspeaker knows what comes, and a worker that is late now and then delays no note.
 * @param planned what hands are going to do, in order of time
 */
export function foresee(machine: Machine, planned: readonly Stimulus[], untilUs: number): Foreseen {
  const next = Math.min(machine.nextUs ?? Infinity, planned[0]?.atUs ?? Infinity);
  if (next > untilUs) return { sounds: [], toUs: untilUs };
  const ears = new Ears(machine.gadget, machine.shown.outputs);
  const ahead = machine.beside();
  /** As the machine itself is let go on, planned moves at their own times. @returns whether it came to that moment */
  const goOn = (toUs: number): boolean => ahead.advance(toUs, machine.work + mostParts - ahead.work);
  const moves = planned.filter(({ atUs }) => atUs <= untilUs);
  const come = (toUs: number): boolean => {
    for (let move = moves[0]; move && move.atUs <= toUs; move = moves[0]) {
      if (!goOn(Math.max(move.atUs, ahead.nowUs))) return false;
      ahead.stimulate({ ...moves.shift()!, atUs: ahead.nowUs });
    }
    return goOn(toUs);
  };
  const sounds: Foreseen['sounds'] = [];
  const fromUs = ahead.nowUs;
  let toUs = fromUs;
  for (let piece = 1; piece <= pieces; piece += 1) {
    const pieceUs = fromUs + Math.floor(((untilUs - fromUs) * piece) / pieces);
    if (!come(pieceUs)) break;
    toUs = pieceUs;
    sounds.push(...ears.follow(ahead.takeTrace(), -Infinity));
  }
  return { sounds, toUs };
}

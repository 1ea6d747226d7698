import { kindOfStatus } from './message.ts';

/** What can be wrong between equipment and the gadget. */
export const wireFaults = [
  'none',
  'wrongChannel',
  'droppedByte',
  'hangingNote',
  'reversedCable',
  'programsOnly',
] as const;
export type WireFault = (typeof wireFaults)[number];

/** Every so manieth message has the fault, where not all of them have it. */
const everySo = 3;

/**
 * What comes through of a whole message.
 * @param number how many came before it: of dropped bytes every third message loses its last, of hanging notes every third
 *   end is lost
 * @returns bytes; none where nothing comes through
 */
export function throughFault(bytes: readonly number[], fault: WireFault, number: number): number[] {
  const [status = 0, first = 0] = bytes;
  const kind = kindOfStatus(status);
  const hit = number % everySo === everySo - 1;
  switch (fault) {
    case 'none':
      return [...bytes];
    case 'wrongChannel':
      return kind ? [(status & 0xf0) | ((status + 1) & 0xf), ...bytes.slice(1)] : [...bytes];
    case 'droppedByte':
      return hit ? bytes.slice(0, -1) : [...bytes];
    case 'hangingNote':
      return hit && kind === 'noteOff' ? [] : [...bytes];
    case 'reversedCable':
      return [];
    case 'programsOnly':
      return kind === 'noteOn' ? [0xc0 | (status & 0xf), first] : kind ? [] : [...bytes];
  }
}

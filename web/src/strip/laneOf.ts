import type { EntryOf, TraceEntry } from '@hum-lever/core';
import { isOutputEntry } from '../outputs/index.ts';

/** The key of the row of what comes from outside, and of its lane. */
export const outsideKey = 'outside';

/** The lane that an entry is shown on; null: none. */
export const laneOf = (entry: TraceEntry): string | null => {
  if (isOutputEntry(entry)) return `output ${entry.id}`;
  switch (entry.lane) {
    case 'contact':
    case 'clean':
    case 'gesture':
      return `${entry.lane} ${entry.id}`;
    case 'counted':
    case 'heard':
      return `clean ${entry.id}`;
    // Words stand where there is room for them.
    case 'swallowed':
    case 'value':
    case 'code':
      return `gesture ${entry.id}`;
    case 'ghost':
    case 'finger':
    case 'turned':
    case 'moved':
    case 'sent':
      return `contact ${entry.id}`;
    case 'state':
      return 'state';
    case 'signal':
    case 'still':
      return 'state';
    case 'lineIn':
    case 'characterIn':
    case 'midiIn':
    case 'power':
      return outsideKey;
    default:
      return null;
  }
};

/** Entries that the keys walk through: those that a lane shows. */
export function isShown(entry: TraceEntry): boolean {
  return standsStill(entry) || laneOf(entry) !== null;
}

export const standsStill = (entry: TraceEntry): entry is EntryOf<'blocked' | 'busy'> =>
  entry.lane === 'blocked' || entry.lane === 'busy';

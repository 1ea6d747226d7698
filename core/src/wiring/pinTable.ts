import type { BoardPin, Edge4 } from '../gadget/index.ts';

/**
 * A pin table as text, one pin a line in the order in which they lie: `edge port name words…`, port `-` for none.
 * @throws RangeError for a line without an edge, port and name
 */
export function pinTable(text: string): BoardPin[] {
  return text
    .trim()
    .split('\n')
    .map((line) => {
      const [edge, port, name, ...can] = line.trim().split(/\s+/);
      if (edge === undefined || port === undefined || name === undefined)
        throw new RangeError(`expected "edge port name words", got "${line}"`);
      return { name, edge: edge as Edge4, port: port === '-' ? '' : port, can };
    });
}

import type { LineWriter, OutputLine } from '../flow/line/outputLine.ts';

type Reader = Parameters<OutputLine<'tone'>['verbs'][string]>[0];

/** Notes that a key holds: the key, the list or table that has them, which row of it, and how far they are moved. */
interface KeyNotes {
  key: string;
  variableId: string;
  row: string;
  by: string;
}

/** `key, Notes[row] + by` as a line has it. */
export function keyNotes(line: Reader): KeyNotes {
  const key = line.expression();
  line.must(',');
  const variableId = line.id('variables');
  line.must('[');
  const row = line.expression();
  line.must(']');
  return { key, variableId, row, by: line.word('by') ? line.expression() : '0' };
}

/** How far something is moved; nothing where it is not. */
export const showMoved = (by: string, write: LineWriter): string =>
  by.trim() === '0' ? '' : ` by ${write.expression(by)}`;

export const showKeyNotes = ({ key, variableId, row, by }: KeyNotes, write: LineWriter): string =>
  `${write.expression(key)}, ${write.variable(variableId)}[${write.expression(row)}]${showMoved(by, write)}`;

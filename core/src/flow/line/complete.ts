import type { Gadget } from '../../gadget/index.ts';
import { ExpressionError } from '../error.ts';
import { namesOf } from './names.ts';
import { LineReader, type Completion } from './reader.ts';
import { readLine } from './rule.ts';

/** What could stand at the cursor of a text that is read so, in the order of the language; nothing past a mistake. */
function completed(
  text: string,
  cursor: number,
  gadget: Gadget,
  read: (line: LineReader) => void,
): Completion[] {
  let line: LineReader | null = null;
  try {
    line = new LineReader(text, namesOf(gadget), cursor);
    read(line);
  } catch (error) {
    if (!(error instanceof ExpressionError)) throw error;
  }
  return line?.completions ?? [];
}

/** What could stand at the cursor of a typed rule. @param cursor 0 to the length of the text */
export const completeRule = (text: string, cursor: number, gadget: Gadget): Completion[] =>
  completed(text, cursor, gadget, readLine);

/** What could stand at the cursor of a typed expression. @param cursor 0 to the length of the text */
export const completeExpression = (text: string, cursor: number, gadget: Gadget): Completion[] =>
  completed(text, cursor, gadget, (line) => line.expression());

/** As `completeExpression`, for text with expressions in braces; nothing outside of them. */
export function completeTemplate(text: string, cursor: number, gadget: Gadget): Completion[] {
  const open = text.slice(0, cursor).lastIndexOf('{');
  if (open === -1 || text.slice(open, cursor).includes('}')) return [];
  const close = text.indexOf('}', cursor);
  const inner = text.slice(open + 1, close === -1 ? undefined : close);
  return completeExpression(inner, cursor - open - 1, gadget).map(({ start, end, text: word }) => ({
    text: word,
    start: start + open + 1,
    end: end + open + 1,
  }));
}

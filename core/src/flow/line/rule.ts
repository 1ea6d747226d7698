import type { Action, Gadget, Rule, Trigger } from '../../gadget/index.ts';
import { ExpressionError } from '../error.ts';
import { showExpression } from '../words.ts';
import { readAction, showAction } from './action.ts';
import { namesOf, type Names } from './names.ts';
import { LineReader } from './reader.ts';
import { nameOf, readTrigger, showTrigger } from './trigger.ts';

/*
 * A rule as one line of text, for those who would rather type: the same model as the sentences, both ways.
 *
 *   when Stir press if heat > 50 do heat = heat - 10; Lamp on then Boiling
 */

type Said = Omit<Rule, 'id'>;

/** A rule as it is typed. What names nothing any more is shown by its id. */
export function showRule(rule: Said, gadget: Gadget): string {
  const names = namesOf(gadget);
  return [`when ${showTrigger(rule.trigger, names)}`, ...answerParts(rule, names)].join(' ');
}

/** What a rule does, without what it waits for; 'stay' where that is nothing at all. */
export const showAnswer = (rule: Said, gadget: Gadget): string =>
  answerParts(rule, namesOf(gadget)).join(' ') || 'stay';

function answerParts({ guard, actions, targetIds, internal }: Said, names: Names): string[] {
  const { gadget } = names;
  const parts: string[] = [];
  if (guard !== null) parts.push(`if ${showExpression(guard, gadget)}`);
  if (actions.length > 0) parts.push(`do ${actions.map((action) => showAction(action, names)).join('; ')}`);
  if (targetIds.length > 0) {
    const targets = targetIds.map((id) => nameOf(names, 'states', id, reserved)).join(', ');
    parts.push(`then ${internal ? 'within ' : ''}${targets}`);
  }
  return parts;
}
const reserved: ReadonlySet<string> = new Set(['within']);

/** @throws ExpressionError at the first character that is wrong */
export function readLine(line: LineReader): Said {
  line.oneOf(['when']);
  const trigger = readTrigger(line);
  const guard = line.word('if') ? line.expression() : null;
  const actions: Action[] = [];
  if (line.word('do')) {
    do actions.push(readAction(line));
    while (line.sign(';'));
  }
  const targetIds: string[] = [];
  let internal = false;
  if (line.word('then')) {
    internal = line.word('within');
    do targetIds.push(line.id('states'));
    while (line.sign(','));
  }
  if (!line.ended)
    throw new ExpressionError(
      targetIds.length > 0
        ? 'expected a comma and another state, or the end'
        : actions.length > 0
          ? 'expected ";" and more to do, "then" and a state, or the end'
          : 'expected "if" and a condition, "do" and what to do, "then" and a state, or the end',
      line.here,
    );
  return { trigger, guard, actions, targetIds, internal };
}

/**
 * A typed rule as the document keeps it. Whether the document can have it is for its door to say.
 * @throws ExpressionError at the first character that is wrong
 */
export function readRule(text: string, gadget: Gadget): Said {
  return readLine(new LineReader(text, namesOf(gadget)));
}

/** One thing to do, as it is typed. */
export const showOneAction = (action: Action, gadget: Gadget): string => showAction(action, namesOf(gadget));

/** What a rule waits for, as it is typed. */
export const showOneTrigger = (trigger: Trigger, gadget: Gadget): string =>
  showTrigger(trigger, namesOf(gadget));

/** One thing to do, as typed. @throws ExpressionError */
export const readActionLine = (text: string, gadget: Gadget): Action =>
  whole(new LineReader(text, namesOf(gadget)), readAction);

/** What a rule waits for, as typed. @throws ExpressionError */
export const readTriggerLine = (text: string, gadget: Gadget): Trigger =>
  whole(new LineReader(text, namesOf(gadget)), readTrigger);

function whole<T>(line: LineReader, read: (line: LineReader) => T): T {
  const found = read(line);
  if (!line.ended) throw new ExpressionError('expected the end here', line.here);
  return found;
}

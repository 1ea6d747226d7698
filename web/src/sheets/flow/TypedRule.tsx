import { Autocomplete } from '@mantine/core';
import { completeRule, ExpressionError, readRule, showRule, type Rule } from '@hum-lever/core';
import { useState, type KeyboardEvent } from 'react';
import { useDocument } from '../../client/index.ts';
import { refusal } from './sentences.ts';
import classes from './Flow.module.css';

/** The rule as one line, for those who would rather type. What can stand at the end of it is offered. */
export function TypedRule({
  rule,
  put,
  close,
}: {
  rule: Rule;
  put: (rule: Omit<Rule, 'id'>) => string | null;
  close: () => void;
}) {
  const gadget = useDocument();
  const [typed, setTyped] = useState(() => showRule(rule, gadget));
  const [wrong, setWrong] = useState<{ message: string; index: number | null } | null>(null);
  const offered = completeRule(typed, typed.length, gadget).slice(0, 12);
  const whole = (text: string, start: number) => `${typed.slice(0, start)}${text} `;
  const finish = () => {
    try {
      const refused = put(readRule(typed, gadget));
      if (refused === null) close();
      else setWrong({ message: refused, index: null });
    } catch (error) {
      if (!(error instanceof ExpressionError)) throw error;
      setWrong({ message: refusal(error), index: error.index });
    }
  };
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    const chosen = event.currentTarget.getAttribute('aria-activedescendant');
    if (event.key === 'Enter' && !chosen) finish();
    if (event.key === 'Escape') close();
  };
  return (
    <div className={classes.typed}>
      <Autocomplete
        size="xs"
        autoFocus
        comboboxProps={{ withinPortal: false }}
        aria-label="The rule as text"
        classNames={{ input: 'number' }}
        value={typed}
        // Values are whole lines, so that choosing one is typing it; only its end is shown.
        data={offered.map(({ text, start }) => whole(text, start))}
        renderOption={({ option }) => option.value.trimEnd().slice(lastWordAt(option.value))}
        filter={({ options }) => options}
        onChange={(value) => {
          setTyped(value);
          setWrong(null);
        }}
        onKeyDown={onKeyDown}
        error={wrong !== null}
        aria-describedby={wrong ? `${rule.id}-wrong` : undefined}
      />
      {wrong && (
        <p className={classes.wrong} id={`${rule.id}-wrong`} role="alert">
          {wrong.index !== null && (
            <span className="number" aria-hidden>
              …{typed.slice(Math.max(0, wrong.index - 18), wrong.index)}
              <mark>{typed[wrong.index] ?? '␣'}</mark>
              {typed.slice(wrong.index + 1, wrong.index + 12)}
            </span>
          )}
          {wrong.message}
        </p>
      )}
      <p className={classes.typedHint}>Enter takes it, Escape leaves it as it was.</p>
    </div>
  );
}

/** Where the last word of a line begins, quotes and all. */
function lastWordAt(line: string): number {
  const found = /(?:"[^"]*"|\S+)\s*$/.exec(line);
  return found?.index ?? 0;
}

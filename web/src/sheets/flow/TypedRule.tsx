import { ExpressionError, readRule, showRule, type Rule } from '@hum-lever/core';
import { useRef, useState } from 'react';
import { useDocument } from '../../client/index.ts';
import { CompletingInput, refusal } from '../../shared/index.ts';
import classes from './Flow.module.css';

/** The rule as one line, for those who would rather type. What can stand at the end of it is offered. */
export default function TypedRule({
  rule,
  put,
  leave,
}: {
  rule: Rule;
  put: (rule: Omit<Rule, 'id'>) => string | null;
  /** It is taken, or left; `rejected`: something was typed that could not be. */
  leave: (rejected: boolean) => void;
}) {
  const gadget = useDocument();
  const [typed, setTyped] = useState(() => showRule(rule, gadget));
  const [wrong, setWrong] = useState<{ message: string; index: number | null } | null>(null);
  const rejected = useRef(false);
  const finish = () => {
    try {
      const refused = put(readRule(typed, gadget));
      if (refused === null) return leave(false);
      rejected.current = true;
      setWrong({ message: refused, index: null });
    } catch (error) {
      if (!(error instanceof ExpressionError)) throw error;
      rejected.current = true;
      setWrong({ message: refusal(error), index: error.index });
    }
  };
  return (
    <div
      className={classes.typed}
      onKeyDown={(event) => {
        // What is left by Enter hands the focus to its button, which would take the same key for a click.
        if (event.key === 'Enter') event.preventDefault();
      }}
    >
      <CompletingInput
        autoFocus
        aria-label="The rule as text"
        value={typed}
        language="rule"
        gadget={gadget}
        typing
        change={(value) => {
          setTyped(value);
          setWrong(null);
        }}
        finish={finish}
        escape={() => leave(rejected.current)}
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

import { limits, showExpression, showTemplate, type Length, type Variable } from '@hum-lever/core';
import { useDocument } from '../client/index.ts';
import {
  Choice,
  CompletingField,
  outside,
  readTime,
  showTime,
  TextField,
  type Typed,
  typedExpression,
  typedTemplate,
  wantedLength,
  wantedTime,
} from '../shared/index.ts';
import classes from './Slots.module.css';

/** Which of the gadget's outputs of these kinds. */
export function OutputSlot({
  kinds,
  value,
  choose,
}: {
  kinds: readonly string[];
  value: string;
  choose: (id: string) => void;
}) {
  const { outputs } = useDocument();
  const data = outputs
    .filter(({ kind }) => kinds.includes(kind))
    .map(({ id, name }) => ({ value: id, label: name }));
  return <Choice label="Output" stage="output" data={data} value={value} choose={choose} />;
}

/** One of a list of named things. */
export function NamedSlot({
  label,
  among,
  value,
  choose,
}: {
  label: string;
  among: readonly { id: string; name: string }[];
  value: string;
  choose: (id: string) => void;
}) {
  return (
    <Choice
      label={label}
      stage="state"
      data={among.map(({ id, name }) => ({ value: id, label: name }))}
      value={value}
      choose={choose}
    />
  );
}

/** A variable of one of these kinds. */
export function VariableSlot({
  kinds,
  value,
  choose,
}: {
  kinds: readonly Variable['kind'][];
  value: string;
  choose: (id: string) => void;
}) {
  const { variables } = useDocument().flow;
  return (
    <NamedSlot
      label="Variable"
      among={variables.filter(({ kind }) => kinds.includes(kind))}
      value={value}
      choose={choose}
    />
  );
}

/** A short text as it is; `wide` where it is long. */
export function PlainSlot({
  label,
  value,
  wide = false,
  commit,
}: {
  label: string;
  value: string;
  wide?: boolean;
  commit: (text: string) => string | null;
}) {
  return (
    <TextField
      size="xs"
      className={(wide ? classes.wide : classes.short)!}
      classNames={{ input: 'number' }}
      aria-label={label}
      value={value}
      commit={commit}
    />
  );
}

/** An expression or text over names, as the document keeps it over ids. */
export function ExpressionSlot({
  label,
  value,
  template = false,
  short = false,
  tell,
  commit,
}: {
  label: string;
  value: string;
  template?: boolean;
  short?: boolean;
  /** Told of every turn that typing takes. */
  tell?: (typed: Typed) => void;
  commit: (stored: string) => string | null;
}) {
  const gadget = useDocument();
  return (
    <CompletingField
      className={(template ? classes.wide : short ? classes.short : classes.expression)!}
      aria-label={label}
      language={template ? 'template' : 'expression'}
      gadget={gadget}
      tell={tell}
      value={(template ? showTemplate : showExpression)(value, gadget)}
      commit={(typed) => {
        const read = (template ? typedTemplate : typedExpression)(typed, gadget);
        return 'ok' in read ? commit(read.ok) : read.refused;
      }}
    />
  );
}

/** A time, in the unit that it is best read in. */
export function TimeSlot({
  label,
  value,
  minUs = 0,
  maxUs = limits.timeUs,
  commit,
}: {
  label: string;
  value: number;
  minUs?: number;
  maxUs?: number;
  commit: (us: number) => string | null;
}) {
  return (
    <TextField
      size="xs"
      className={classes.short!}
      classNames={{ input: 'number' }}
      aria-label={label}
      quoted={false}
      value={showTime(value)}
      commit={(typed) => {
        const us = readTime(typed, value);
        return us === null ? wantedTime : (outside(us, minUs, maxUs) ?? commit(us));
      }}
    />
  );
}

/** A time, or worked out by an expression in ms. */
export function LengthSlot({
  label,
  value,
  minUs = 0,
  commit,
}: {
  label: string;
  value: Length;
  minUs?: number;
  commit: (length: Length) => string | null;
}) {
  const gadget = useDocument();
  return (
    <CompletingField
      className={classes.short!}
      aria-label={label}
      language="expression"
      gadget={gadget}
      value={typeof value === 'number' ? showTime(value) : `${showExpression(value.ms, gadget)} ms`}
      commit={(typed) => {
        const us = readTime(typed, value);
        if (us !== null) return outside(us, minUs, limits.lengthUs) ?? commit(us);
        const read = typedExpression(typed.replace(/\s*ms\s*$/, ''), gadget);
        return 'ok' in read ? commit({ ms: read.ok }) : `${wantedLength} ${read.refused}`;
      }}
    />
  );
}

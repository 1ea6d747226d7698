import {
  limits,
  readableUnit,
  lengthUnits,
  type LengthUnit,
  showExpression,
  showTemplate,
  type Length,
  type Variable,
} from '@hum-lever/core';
import { useState } from 'react';
import { useDocument } from '../client/index.ts';
import {
  Choice,
  CompletingField,
  NumberField,
  TextField,
  WhileWriting,
  typedExpression,
  typedTemplate,
  type Typed,
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

const units: readonly LengthUnit[] = ['ms', 's', 'min', 'h', 'd'];

/** A time in the unit that it is best read in, or another that was chosen for typing it. */
function FixedLength({
  label,
  minUs,
  value,
  commit,
}: {
  label: string;
  minUs: number;
  value: number;
  commit: (us: number) => string | null;
}) {
  const [chosen, setChosen] = useState<LengthUnit | null>(null);
  const unit = chosen ?? readableUnit(value, ['d', 'h', 'min', 's']) ?? 'ms';
  const us = lengthUnits[unit];
  return (
    <>
      <NumberField
        label=""
        aria-label={label}
        width={76}
        decimals={unit === 'ms' ? 3 : 6}
        min={minUs / us}
        max={limits.lengthUs / us}
        step={unit === 'ms' ? 50 : 1}
        value={value / us}
        commit={(typed) => {
          const said = commit(Math.round(typed * us));
          if (said === null) setChosen(null);
          return said;
        }}
      />
      <Choice label={`${label}, in which unit`} data={units} value={unit} choose={setChosen} />
    </>
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
  const fixed = typeof value === 'number';
  return (
    <>
      {fixed ? (
        <FixedLength label={label} minUs={minUs} value={value} commit={commit} />
      ) : (
        <>
          <ExpressionSlot short label={label} value={value.ms} commit={(ms) => commit({ ms })} />
          ms
        </>
      )}
      <WhileWriting>
        <button
          type="button"
          className={classes.swap}
          aria-label={fixed ? `${label}: work it out` : `${label}: a fixed time`}
          title={fixed ? 'Work it out by an expression' : 'A fixed time'}
          onClick={() => commit(fixed ? { ms: String(Math.round(value / 1_000)) } : 1_000_000)}
        >
          {fixed ? 'ƒ' : '123'}
        </button>
      </WhileWriting>
    </>
  );
}

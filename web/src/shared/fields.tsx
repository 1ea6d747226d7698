import { TextInput, type TextInputProps } from '@mantine/core';
import { limits, type Gadget } from '@hum-lever/core';
import { Suspense, useState, type KeyboardEvent } from 'react';
import { CompletingInput } from './CompletingInput.tsx';
import { useAsProse, Word } from './asProse.tsx';
import { onDemand } from './onDemand.tsx';
import { numberWidth, type Commit, type NumberFieldProps } from './typed.ts';
import { msToUs, usToMs } from './units.ts';

export type { Commit };

/** How a field stands that is typed in: under way, refused, or taken. */
export type Typed = 'typing' | 'refused' | 'taken';

/** What is typed stays here until Enter or leaving the field; Escape brings back what was there. */
export function useCommit(value: string, commit: Commit<string>, tell?: (typed: Typed) => void) {
  const [typed, setTyped] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const finish = () => {
    if (typed === null) return;
    const refused = typed === value ? null : commit(typed);
    setError(refused);
    // Refused text stays, so that it can be mended.
    if (refused === null) setTyped(null);
    tell?.(refused === null ? 'taken' : 'refused');
  };
  const forget = () => {
    setTyped(null);
    setError(null);
    tell?.('taken');
  };
  const type = (text: string) => {
    setTyped(text);
    tell?.('typing');
  };
  return { shown: typed ?? value, typing: typed !== null, setTyped: type, error, finish, forget };
}

export type FieldProps = { value: string; commit: Commit<string> };

/** @param quoted where it is read, as words that are the maker's own */
export function TextField({
  quoted = true,
  ...props
}: FieldProps & Omit<TextInputProps, 'value'> & { quoted?: boolean }) {
  const { value } = props;
  if (useAsProse()) return <Word slot={props['aria-label'] ?? ''}>{quoted ? `“${value}”` : value}</Word>;
  return <TextFieldTyped {...props} />;
}

function TextFieldTyped({ value, commit, ...rest }: FieldProps & Omit<TextInputProps, 'value'>) {
  const { shown, setTyped, error, finish, forget } = useCommit(value, commit);
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key === 'Enter') finish();
    if (event.key === 'Escape') forget();
  };
  return (
    <TextInput
      {...rest}
      value={shown}
      error={error}
      onChange={(event) => setTyped(event.currentTarget.value)}
      onBlur={finish}
      onKeyDown={onKeyDown}
    />
  );
}

type CompletingProps = FieldProps & {
  language: 'expression' | 'template';
  gadget: Gadget;
  tell?: ((typed: Typed) => void) | undefined;
  className?: string;
  placeholder?: string;
  'aria-label': string;
};

/** A text with what could come next, while it is typed. */
export function CompletingField(props: CompletingProps) {
  const { value, language } = props;
  if (useAsProse())
    return <Word slot={props['aria-label']}>{language === 'template' ? `“${value}”` : value}</Word>;
  return <CompletingTyped {...props} />;
}

function CompletingTyped({ value, commit, tell, ...rest }: CompletingProps) {
  const { shown, typing, setTyped, error, finish, forget } = useCommit(value, commit, tell);
  return (
    <CompletingInput
      {...rest}
      value={shown}
      error={error}
      typing={typing}
      change={setTyped}
      finish={finish}
      leave={finish}
      escape={forget}
    />
  );
}

/** What edits numbers is large, and the first sheet reads as sentences. */
const NumberInputTyped = onDemand(() => import('./NumberTyped.tsx'));

/** A number with its unit; arrow keys and the small buttons take effect at once. */
export function NumberField(props: NumberFieldProps) {
  const { value, unit, decimals = 0, fixed = false } = props;
  if (!useAsProse()) return <NumberTyped {...props} />;
  const shown = fixed ? value.toFixed(decimals) : String(Number(value.toFixed(decimals)));
  return (
    <Word slot={props['aria-label'] ?? String(props.label)}>{unit ? `${shown}\u202f${unit}` : shown}</Word>
  );
}

/** Until it is there, its number can be read in its place. */
function NumberTyped(props: NumberFieldProps) {
  const { label, value, unit, width = numberWidth } = props;
  const named = props['aria-label'];
  /** Whoever waits for it goes on in it. */
  const [waits, setWaits] = useState(false);
  const waiting = (
    <TextInput
      readOnly
      size="xs"
      label={label}
      {...(named !== undefined && { 'aria-label': named })}
      w={width}
      value={`${value}${unit ? `\u202f${unit}` : ''}`}
      classNames={{ input: 'number' }}
      onFocus={() => setWaits(true)}
      onBlur={() => setWaits(false)}
    />
  );
  return (
    <Suspense fallback={waiting}>
      <NumberInputTyped {...props} autoFocus={waits} />
    </Suspense>
  );
}

interface DurationFieldProps extends Omit<NumberFieldProps, 'unit' | 'decimals' | 'min' | 'max'> {
  minUs?: number;
  maxUs?: number;
}

/** A duration: milliseconds on screen, whole microseconds in the document. */
export function DurationField({
  value,
  commit,
  minUs = 0,
  maxUs = 3_600_000_000,
  ...rest
}: DurationFieldProps) {
  return (
    <NumberField
      {...rest}
      value={usToMs(value)}
      unit="ms"
      decimals={3}
      min={usToMs(minUs)}
      max={usToMs(maxUs)}
      commit={(ms) => commit(msToUs(ms))}
    />
  );
}

/** A row of a display: counted from 0 in the document, from 1 by people. */
export function RowField({ value, commit }: { value: number; commit: Commit<number> }) {
  return (
    <NumberField
      label=""
      aria-label="Row"
      width={62}
      min={1}
      max={limits.displayRows}
      value={value + 1}
      commit={(row) => commit(row - 1)}
    />
  );
}

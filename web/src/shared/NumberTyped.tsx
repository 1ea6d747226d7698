import { NumberInput } from '@mantine/core';
import { useState } from 'react';
import { numberWidth, type NumberFieldProps } from './typed.ts';

/** A number that is typed, counted up and down by arrow keys and small buttons, and taken on Enter or leaving. */
export default function NumberTyped({
  value,
  commit,
  unit,
  decimals = 0,
  fixed = false,
  width = numberWidth,
  ...rest
}: NumberFieldProps) {
  const [typed, setTyped] = useState<number | string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const finish = (given: number | string | null) => {
    if (given === null || given === '') {
      setTyped(null);
      setError(null);
      return;
    }
    const refused = Number(given) === value ? null : commit(Number(given));
    setError(refused);
    if (refused === null) setTyped(null);
  };
  return (
    <NumberInput
      {...rest}
      w={width}
      size="xs"
      value={typed ?? value}
      suffix={unit ? `\u202f${unit}` : ''}
      decimalScale={decimals}
      fixedDecimalScale={fixed}
      clampBehavior="blur"
      error={error}
      classNames={{ input: 'number' }}
      onChange={setTyped}
      onBlur={() => finish(typed)}
      onKeyDown={(event) => event.key === 'Enter' && finish(typed)}
    />
  );
}

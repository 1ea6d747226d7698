import { Textarea } from '@mantine/core';
import type { ComponentProps } from 'react';
import { useCommit, type FieldProps } from './fields.tsx';

/** Some lines of text. */
export function ProseField({
  value,
  commit,
  onKeyDown,
  ...rest
}: FieldProps & Omit<ComponentProps<typeof Textarea>, 'value'>) {
  const { shown, setTyped, error, finish, forget } = useCommit(value, commit);
  return (
    <Textarea
      {...rest}
      autosize
      minRows={3}
      value={shown}
      error={error}
      onChange={(event) => setTyped(event.currentTarget.value)}
      onBlur={finish}
      onKeyDown={(event) => {
        if (event.key === 'Escape') forget();
        onKeyDown?.(event);
      }}
    />
  );
}

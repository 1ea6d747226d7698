import { NativeSelect } from '@mantine/core';

interface ChoiceProps<T extends string> {
  label: string;
  /** Whether the label stands above; otherwise the sentence around it says what is chosen. */
  visible?: boolean;
  data: readonly (T | { value: T; label: string })[];
  value: T;
  choose: (value: T) => void;
}

/** One of several, as a slot in a sentence or a small field. */
export function Choice<T extends string>({ label, visible = false, data, value, choose }: ChoiceProps<T>) {
  return (
    <NativeSelect
      size="xs"
      {...(visible ? { label } : { 'aria-label': label })}
      data={[...data]}
      value={value}
      // The options are exactly these values.
      onChange={(event) => choose(event.currentTarget.value as T)}
    />
  );
}

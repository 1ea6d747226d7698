import { NativeSelect } from '@mantine/core';
import { useAsProse, Word } from './asProse.tsx';
import type { Stage } from './stages.tsx';

interface ChoiceProps<T extends string> {
  label: string;
  /** Whether the label stands above; otherwise the sentence around it says what is chosen. */
  visible?: boolean;
  data: readonly (T | { value: T; label: string })[];
  value: T;
  choose: (value: T) => void;
  /** Where on the path it lies, which its colour says where it is read. */
  stage?: Stage;
  /** It begins its sentence, where it is read. */
  capital?: boolean;
}

/** One of several, as a slot in a sentence or a small field. */
export function Choice<T extends string>({
  label,
  visible = false,
  data,
  value,
  choose,
  stage,
  capital,
}: ChoiceProps<T>) {
  if (useAsProse()) {
    const chosen = data.find((one) => (typeof one === 'string' ? one : one.value) === value);
    return (
      <Word slot={label} stage={stage} capital={capital}>
        {typeof chosen === 'object' ? chosen.label : value}
      </Word>
    );
  }
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

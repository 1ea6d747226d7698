import { Button, Group } from '@mantine/core';
import { noteName, readNote, rowsOfScale, scales } from '@hum-lever/core';
import { useState } from 'react';
import { Choice, TextField } from '../../shared/index.ts';
import classes from './Sound.module.css';

/** What a key plays, in steps of the scale above its own note. */
export const stacks = [
  { id: 'note', title: 'its note', degrees: [0] },
  { id: 'third', title: 'its note and the third above', degrees: [0, 2] },
  { id: 'triad', title: 'three stacked in thirds', degrees: [0, 2, 4] },
  { id: 'seventh', title: 'four stacked in thirds', degrees: [0, 2, 4, 6] },
  { id: 'fourths', title: 'three stacked in fourths', degrees: [0, 3, 6] },
  { id: 'sixths', title: 'its note, the third and the sixth above', degrees: [0, 2, 5] },
] as const;

export interface Chosen {
  root: number;
  steps: readonly number[];
  degrees: readonly number[];
}

/** A root, a scale, and what each key plays of it. */
export function useScale() {
  const [root, setRoot] = useState(60);
  const [scaleId, setScale] = useState('major');
  const [stackId, setStack] = useState<string>('note');
  const scale = scales.find(({ id }) => id === scaleId)!;
  const stack = stacks.find(({ id }) => id === stackId)!;
  const chosen: Chosen = { root, steps: scale.steps, degrees: stack.degrees };
  const fields = (
    <>
      from
      <TextField
        size="xs"
        w={64}
        classNames={{ input: 'number' }}
        aria-label="First note"
        value={noteName(root)}
        commit={(typed) => {
          const note = readNote(typed.trim());
          if (note === null) return 'Expected a note from C-1 to G9, such as C4, F♯3 or 60.';
          setRoot(note);
          return null;
        }}
      />
      on in
      <Choice
        label="Scale"
        data={scales.map(({ id, title }) => ({ value: id, label: title }))}
        value={scaleId}
        choose={setScale}
      />
      ; each key plays
      <Choice
        label="Each key plays"
        data={stacks.map(({ id, title }) => ({ value: id, label: title }))}
        value={stackId}
        choose={setStack}
      />
    </>
  );
  return { chosen, fields };
}

/** Other notes for all keys at once. */
export function FillForm({
  rows,
  of,
  filled,
}: {
  rows: number;
  of: string;
  filled: (patch: { numbers: number[]; columns: number }) => string | null;
}) {
  const { chosen, fields } = useScale();
  const { root, steps, degrees } = chosen;
  return (
    <Group gap={6} role="group" aria-label={`Fill ${of}`} className={classes.fill!}>
      {fields}
      <Button
        size="compact-sm"
        variant="default"
        onClick={() =>
          filled({
            numbers: rowsOfScale(rows, root, steps, degrees, degrees.length),
            columns: degrees.length,
          })
        }
      >
        Fill {rows === 1 ? 'its row' : `all ${rows} rows`}
      </Button>
    </Group>
  );
}

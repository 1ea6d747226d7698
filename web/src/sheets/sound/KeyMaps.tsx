import { Button } from '@mantine/core';
import {
  bytesEach,
  chordOf,
  noNote,
  noteName,
  readNotes,
  rowsTold,
  type Gadget,
  type HeldVerdict,
  type KeyMap,
  type Output,
  type Variable,
} from '@hum-lever/core';
import { useState } from 'react';
import { edit } from '../../client/index.ts';
import { count, showBytes, TextField } from '../../shared/index.ts';
import { FillForm } from './FillForm.tsx';
import classes from './Sound.module.css';

type Table = Extract<Variable, { kind: 'table' }>;
/** What changes while it runs is kept as wide as any number of the flow. */
const changingBytes = 4;
/** Notes of a row as they are typed. */
const written = (notes: readonly number[]) => notes.map(noteName).join(' ');

/** What each key plays: notes by name, and the chord that they are. */
export function KeyMapPart({ gadget, map }: { gadget: Gadget; map: KeyMap }) {
  const { rows, outputIds, controlIds } = map;
  const { columns } = rows;
  const nameIn = (list: readonly { id: string; name: string }[], id: string | undefined) =>
    list.find((one) => one.id === id)?.name;
  const told =
    rows.kind === 'table' ? rowsTold(gadget, { variableId: rows.id, row: '-', by: '0' }).rows : null;
  const [filling, setFilling] = useState(false);
  const howMany = (rows.kind === 'table' ? rows.numbers.length : rows.length) / columns;
  const outputs = outputIds.map((id) => `“${nameIn(gadget.outputs, id) ?? id}”`);
  return (
    <section className={classes.part} aria-label={`Keys of ${rows.name}`}>
      <h2>{rows.name}</h2>
      <p>
        {count(howMany, 'row')}, {count(columns, 'note')} in each at most, played on {outputs.join(' and ')};{' '}
        {showBytes(howMany * columns * (rows.kind === 'table' ? bytesEach(rows) : changingBytes))}{' '}
        {rows.kind === 'table' ? 'of the program' : 'that change while it runs'}.{' '}
        {rows.kind === 'table' && (
          <Button size="compact-xs" variant="subtle" onClick={() => setFilling(!filling)}>
            {filling ? 'Leave them' : 'Fill from a scale'}
          </Button>
        )}
      </p>
      {filling && rows.kind === 'table' && (
        <FillForm
          rows={howMany}
          of={rows.name}
          filled={(patch) => change(rows, patch, () => setFilling(false))}
        />
      )}
      {rows.kind === 'table' && told && (
        <ol className={classes.keys}>
          {told.map((notes, row) => (
            <Key
              key={row}
              name={nameIn(gadget.controls, controlIds[row]) ?? `row ${row}`}
              notes={notes}
              columns={columns}
              commit={(typed) => typeRow(rows, row, typed)}
            />
          ))}
        </ol>
      )}
    </section>
  );
}

function change(rows: Table, patch: object, then: () => void): string | null {
  const refused = edit({ name: 'changeVariable', args: [rows.id, patch] });
  if (refused === null) then();
  return refused;
}

/** Other notes in one row, in as many columns as it takes. */
function typeRow(rows: Table, row: number, typed: string): string | null {
  const notes = readNotes(typed);
  if (!notes) return 'Expected notes from C-1 to G9, such as C4 E4 G4 or 60 64 67.';
  const { numbers, columns } = rows;
  const wide = Math.max(columns, notes.length);
  const all = Array.from({ length: numbers.length / columns }, (_, n) => {
    const own = n === row ? notes : numbers.slice(n * columns, (n + 1) * columns);
    return Array.from({ length: wide }, (_unused, column) => own[column] ?? noNote);
  });
  return change(rows, { numbers: all.flat(), columns: wide }, () => undefined);
}

/** One key: read first, written once it is pressed. */
function Key({
  name,
  notes,
  columns,
  commit,
}: {
  name: string;
  notes: readonly number[];
  columns: number;
  commit: (typed: string) => string | null;
}) {
  const [open, setOpen] = useState(false);
  /** Whoever wrote goes on from where that was. */
  const [wrote, setWrote] = useState(false);
  const done = () => {
    setOpen(false);
    setWrote(true);
  };
  const chord = chordOf(notes);
  return (
    <li onKeyDown={({ key }) => open && key === 'Escape' && done()}>
      <span className={classes.keyName}>{name}</span>
      {open ? (
        <TextField
          size="xs"
          autoFocus
          classNames={{ input: 'number' }}
          aria-label={`Notes of ${name}`}
          value={written(notes)}
          commit={(typed) => {
            const refused = commit(typed);
            if (refused === null) done();
            return refused;
          }}
        />
      ) : (
        <button
          type="button"
          autoFocus={wrote}
          className={classes.notes}
          aria-label={`Notes of ${name}: ${written(notes) || 'none'}`}
          onClick={() => setOpen(true)}
        >
          {written(notes) || '–'}
        </button>
      )}
      {columns > 1 && <span className={classes.chord}>{chord?.name ?? ''}</span>}
    </li>
  );
}

/** Whether messages can get lost on their way. */
const loses = (output: Output): boolean =>
  output.kind === 'midi' &&
  output.transport !== 'free' &&
  (output.overload === 'newest' || output.overload === 'oldest');

/** What was found of notes that keys hold. */
export function heldWords(held: readonly HeldVerdict[] | null, output: Output): string | null {
  const own = held?.filter(({ outputId }) => outputId === output.id);
  if (!own || own.length === 0) return null;
  if (own.some(({ verdict }) => verdict === 'stuck')) return 'A note can stick: the snags say how.';
  const controls = new Set(own.flatMap(({ controlIds }) => controlIds)).size;
  const states = own.reduce((sum, one) => sum + one.states, 0);
  const of = count(controls, 'key');
  return own.every(({ verdict }) => verdict === 'never')
    ? `No note of its ${of} sticks: every order of pressing, letting go and whatever else has a say was walked, ${count(states, 'moment')}; times apart.${loses(output) ? ' But its queue is set to lose what it has no room for, and that may be what ends a note.' : ''}`
    : `Whether a note of its ${of} can stick is not known: not every order could be walked.`;
}

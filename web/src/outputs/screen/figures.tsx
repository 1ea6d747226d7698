import { Button } from '@mantine/core';
import {
  cellsWideMm,
  displayBus,
  displayCells,
  inksOf,
  sendings,
  updates,
  usualPalette,
  type IdleDim,
  type Screen,
  type TextDisplay,
} from '@hum-lever/core';
import { Choice, NumberField } from '../../shared/index.ts';
import { useEffect, useMemo, useRef } from 'react';
import { useGadget } from '../../client/index.ts';
import type { FiguresOf } from '../figuresOf.ts';
import { OwnCharacters } from './OwnCharacters.tsx';
import { useGlow } from './useGlow.ts';
import classes from './Swatches.module.css';

const field = { label: '', min: 1, width: 124 } as const;

/** Rows of characters, and how many stand in one. */
const Cells = ({
  of: { columns, rows },
  change,
}: {
  of: { columns: number; rows: number };
  change: (patch: { columns: number } | { rows: number }) => string | null;
}) => (
  <>
    <NumberField
      {...field}
      aria-label="Columns"
      unit="columns"
      max={80}
      value={columns}
      commit={(value) => change({ columns: value })}
    />
    <NumberField
      {...field}
      aria-label="Rows"
      unit="rows"
      max={8}
      value={rows}
      commit={(value) => change({ rows: value })}
    />
  </>
);

/** How wide what can be seen of it is. */
const Wide = ({ mm, commit }: { mm: number; commit: (mm: number) => string | null }) => (
  <NumberField
    {...field}
    aria-label="Width of what can be seen"
    width={130}
    unit="mm wide"
    min={5}
    max={500}
    value={Math.round(mm)}
    commit={commit}
  />
);

/** How often it is told at most. */
const Often = ({ unit, hz, commit }: { unit: string; hz: number; commit: (hz: number) => string | null }) => (
  <NumberField {...field} aria-label="At most" width={176} unit={unit} max={60} value={hz} commit={commit} />
);

const cellWords: Record<TextDisplay['cells'], string> = {
  dots: 'letters of 5 × 8 dots',
  seven: 'digits of seven segments',
  fourteen: 'letters of fourteen segments',
};

const usualDim = { afterUs: 30_000_000, percent: 20 } as const;

/** When it dims by itself, and how far; of one whose light cannot be dimmed, nothing. */
function Dims({
  of: { id, dims },
  change,
}: {
  of: { id: string; dims: IdleDim | null };
  change: (patch: { dims: IdleDim | null }) => string | null;
}) {
  const how = useGlow(id)?.how;
  if (dims === null && how !== 'dimmed' && how !== 'mixed') return null;
  return (
    <span role="group" aria-label="Dims" className={classes.dims}>
      <Choice
        label="Where nobody touches anything"
        data={[
          { value: 'stays', label: 'stays as bright as it is' },
          { value: 'dims', label: 'dims by itself' },
        ]}
        value={dims === null ? 'stays' : 'dims'}
        choose={(does) => change({ dims: does === 'stays' ? null : usualDim })}
      />
      {dims && (
        <>
          to
          <NumberField
            label=""
            aria-label="Dims to"
            width={84}
            unit="%"
            min={1}
            max={99}
            value={dims.percent}
            commit={(percent) => change({ dims: { ...dims, percent } })}
          />
          after
          <NumberField
            label=""
            aria-label="Dims after"
            width={150}
            unit="s untouched"
            min={1}
            max={3_600}
            value={dims.afterUs / 1_000_000}
            commit={(seconds) => change({ dims: { ...dims, afterUs: Math.round(seconds * 1_000_000) } })}
          />
        </>
      )}
    </span>
  );
}

/** How often it is told what stands on it, and what that takes; of one without a controller of its own, nothing. */
function Told({ output, change }: Parameters<FiguresOf<'text'>>[0]) {
  const parts = useGadget(({ document }) => document?.parts);
  const { id, sends, mostHz, update } = output;
  const isTold = useMemo(() => parts !== undefined && displayCells({ parts }, id) !== null, [parts, id]);
  if (!isTold && sends === 'free') return null;
  return (
    <>
      <Often unit="times a second" hz={mostHz} commit={(value) => change({ mostHz: value })} />
      <Choice
        label="What telling it takes"
        data={sendings.map((value) => ({ value, label: tellingWords[value] }))}
        value={sends}
        choose={(value) => change({ sends: value })}
      />
      <Choice
        label="What is told"
        data={[
          { value: 'whole', label: 'all rows are told' },
          { value: 'changed', label: 'only changed characters are told' },
        ]}
        value={update}
        choose={(value) => change({ update: value })}
      />
    </>
  );
}

export const text: FiguresOf<'text'> = ({ output, change }) => {
  const { cells, contrast, palette } = output;
  const putColour = (at: number) => (colour: string) =>
    change({ palette: palette.map((was, n) => (n === at ? colour : was)) });
  return (
    <>
      <Cells of={output} change={change} />
      <span>{cellWords[cells]}</span>
      <Wide mm={cellsWideMm(output)} commit={(wideMm) => change({ wideMm })} />
      {cells === 'dots' && (
        <NumberField
          label=""
          aria-label="Contrast trim"
          width={150}
          unit="% contrast"
          min={0}
          max={100}
          value={contrast}
          commit={(value) => change({ contrast: value })}
        />
      )}
      <span role="group" aria-label="Colours" className={classes.palette}>
        <label>
          ground <InkColour label="Ground" value={palette[0]!} commit={putColour(0)} />
        </label>
        <label>
          on <InkColour label="What is on" value={palette[1]!} commit={putColour(1)} />
        </label>
      </span>
      <Told output={output} change={change} />
      <Dims of={output} change={change} />
      {cells === 'dots' && <OwnCharacters display={output} change={change} />}
    </>
  );
};

const sendingWords: Record<(typeof sendings)[number], string> = {
  free: 'its bus takes no time',
  blocking: 'the loop waits while a picture is sent',
  background: 'a picture is sent beside the loop',
};
const tellingWords: typeof sendingWords = {
  free: 'its bus takes no time',
  blocking: 'the loop waits while it is told',
  background: 'it is told beside the loop',
};

/** Kept when the choice is made: on the way there it changes with every move of the hand. */
function InkColour({
  label,
  value,
  commit,
}: {
  label: string;
  value: string;
  commit: (value: string) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const kept = useRef(commit);
  useEffect(() => {
    kept.current = commit;
    input.current!.value = value;
  });
  useEffect(() => {
    const field = input.current!;
    const keep = () => kept.current(field.value);
    // React tells of every move; the field itself tells of the end.
    field.addEventListener('change', keep);
    return () => field.removeEventListener('change', keep);
  }, []);
  return <input ref={input} type="color" aria-label={label} defaultValue={value} />;
}

/** Colours of the inks; as many as its pixels can show. */
function Palette({ output, change }: Parameters<FiguresOf<'screen'>>[0]) {
  const { palette, depth } = output;
  const most = inksOf({ depth, palette: usualPalette(depth).concat(Array<string>(16).fill('')) });
  const inks = palette.slice(0, inksOf(output));
  const put = (ink: number, colour: string) =>
    change({ palette: palette.map((was, n) => (n === ink ? colour : was)) });
  return (
    <span role="group" aria-label="Inks" className={classes.palette}>
      inks
      {inks.map((colour, ink) => (
        <label key={ink}>
          <span className="number">{ink}</span>
          <InkColour
            label={`Colour of ${ink === 0 ? 'the ground' : `ink ${ink}`}`}
            value={colour}
            commit={(value) => put(ink, value)}
          />
        </label>
      ))}
      {inks.length < most && (
        <Button
          size="compact-xs"
          variant="default"
          onClick={() => change({ palette: [...inks, usualPalette(depth)[inks.length] ?? inks[1]!] })}
        >
          Another ink
        </Button>
      )}
      {inks.length > 2 && (
        <Button size="compact-xs" variant="default" onClick={() => change({ palette: inks.slice(0, -1) })}>
          Without ink {inks.length - 1}
        </Button>
      )}
    </span>
  );
}

const updateWords: Record<Screen['update'], string> = {
  whole: 'all of it is sent',
  changed: 'only changed tiles are sent',
  swapped: 'all of it is sent, then changed over to',
};

/** What is sent of a picture; only a display that keeps two of them can change over. */
function Update({ output, change }: Parameters<FiguresOf<'screen'>>[0]) {
  const parts = useGadget(({ document }) => document?.parts);
  const keepsTwo = useMemo(
    () => parts !== undefined && displayBus({ parts }, output.id)?.pixels.holds === 1,
    [parts, output.id],
  );
  const offered = updates.filter((value) => value !== 'swapped' || keepsTwo || output.update === value);
  return (
    <Choice
      label="What is sent of a picture"
      data={offered.map((value) => ({ value, label: updateWords[value] }))}
      value={output.update}
      choose={(update) => change({ update })}
    />
  );
}

export const screen: FiguresOf<'screen'> = ({ output, change }) => (
  <>
    <Wide mm={output.wideMm} commit={(wideMm) => change({ wideMm })} />
    <Palette output={output} change={change} />
    <Dims of={output} change={change} />
    <Often unit="pictures/s" hz={output.mostHz} commit={(value) => change({ mostHz: value })} />
    <Choice
      label="What sending a picture takes"
      data={sendings.map((value) => ({ value, label: sendingWords[value] }))}
      value={output.sends}
      choose={(value) => change({ sends: value as typeof output.sends })}
    />
    <Update output={output} change={change} />
    in characters
    <Cells of={output} change={change} />
  </>
);

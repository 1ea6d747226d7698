import {
  outputStateOf,
  safelyShown,
  type Light,
  type OutputKind,
  type OutputStateOf,
  type TextDisplay,
} from '@hum-lever/core';
import { showHz, useLit } from '../shared/index.ts';
import { usePlayer } from '../workers/index.ts';
import { Cells } from './Cells.tsx';
import classes from './InHand.module.css';
import { Lamp } from './Lamp.tsx';

/** What an output is just now; undefined while nothing plays. */
const useOutput = <K extends OutputKind>(kind: K, id: string): OutputStateOf<K> | undefined =>
  usePlayer((state) => state.shown && outputStateOf(state.shown.outputs, kind, id)) ?? undefined;

export function Display({ display }: { display: TextDisplay }) {
  const rows = useOutput('text', display.id)?.rows;
  const pointed = useIsLit(display.id);
  return (
    <div className={classes.display} data-lit={pointed}>
      <Cells
        name={display.name}
        columns={display.columns}
        rows={Array.from({ length: display.rows }, (_, row) => rows?.[row] ?? '')}
      />
    </div>
  );
}

export function LightPart({ light }: { light: Light }) {
  const lit = useOutput('light', light.id);
  const capped = lit !== undefined && safelyShown(lit) !== lit;
  const pointed = useIsLit(light.id);
  return (
    <div data-lit={pointed}>
      <Lamp name={light.name} colour={lit?.colour ?? light.colour} lit={lit} fast={capped} />
    </div>
  );
}

export function Sounder({ id, name }: { id: string; name: string }) {
  const hz = useOutput('tone', id)?.hz ?? 0;
  const pointed = useIsLit(id);
  return (
    <figure className={classes.sounder} data-on={hz > 0 || undefined} data-lit={pointed}>
      <span className={classes.grille} aria-hidden />
      <figcaption>
        {name}
        <span className="number">{showHz(hz)}</span>
      </figcaption>
    </figure>
  );
}

/** A servo or motor, with where it is or how hard it runs. */
export function Mover({
  id,
  kind,
  name,
  unit,
}: {
  id: string;
  kind: 'servo' | 'motor';
  name: string;
  unit: string;
}) {
  const value = useOutput(kind, id)?.value ?? 0;
  const pointed = useIsLit(id);
  return (
    <figure className={classes.sounder} data-on={value > 0 || undefined} data-lit={pointed}>
      <span className={classes.grille} aria-hidden />
      <figcaption>
        {name}
        <span className="number">
          {value}
          {'\u202f'}
          {unit}
        </span>
      </figcaption>
    </figure>
  );
}

/** What went out last, over the wire or as typing. */
export function Sender({ id, kind, name }: { id: string; kind: 'midi' | 'typist'; name: string }) {
  const last = useOutput(kind, id)?.lines.at(-1);
  const pointed = useIsLit(id);
  return (
    <figure className={classes.sounder} data-lit={pointed}>
      <figcaption>
        {name}
        <span className="number">{last ?? 'nothing yet'}</span>
      </figcaption>
    </figure>
  );
}

/** Whether a sheet points at it: a thread of the wiring, say. */
export const useIsLit = (id: string) => useLit(({ endIds }) => endIds.includes(id)) || undefined;

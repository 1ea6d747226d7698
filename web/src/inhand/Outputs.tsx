import { safelyShown, type Light, type TextDisplay } from '@hum-lever/core';
import { showHz, useLit } from '../shared/index.ts';
import { usePlayer } from '../workers/index.ts';
import { Cells } from './Cells.tsx';
import classes from './InHand.module.css';
import { Lamp } from './Lamp.tsx';

export function Display({ display }: { display: TextDisplay }) {
  const rows = usePlayer((state) => state.shown?.texts[display.id]);
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
  const lit = usePlayer((state) => state.shown?.lights[light.id]);
  const capped = lit !== undefined && safelyShown(lit) !== lit;
  const pointed = useIsLit(light.id);
  return (
    <div data-lit={pointed}>
      <Lamp name={light.name} colour={lit?.colour ?? light.colour} lit={lit} fast={capped} />
    </div>
  );
}

export function Sounder({ id, name }: { id: string; name: string }) {
  const hz = usePlayer((state) => state.shown?.tones[id]?.hz ?? 0);
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
export function Mover({ id, name, unit }: { id: string; name: string; unit: string }) {
  const value = usePlayer((state) => state.shown?.moves[id] ?? 0);
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
export function Sender({ id, name }: { id: string; name: string }) {
  const last = usePlayer((state) => state.shown?.sent[id]?.at(-1));
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

import { controlsOf, type Variable } from '@hum-lever/core';
import { useDocument } from '../../client/index.ts';
import { count, onDemand } from '../../shared/index.ts';
import { usePlayer } from '../../workers/index.ts';
import { Fold } from './Fold.tsx';
import { nowWords } from './nowWords.ts';
import classes from './Flow.module.css';

const Variables = onDemand(() => import('./Variables.tsx'));
const Inside = onDemand(() => import('./Inside.tsx'));
const Layers = onDemand(() => import('./Layers.tsx'));

const idsOf = (list: readonly { id: string }[]) => list.map(({ id }) => id);

/** What the states share: what is remembered, what happens inside, what keys mean in layers. */
export function Panels() {
  const gadget = useDocument();
  const { variables, signals, timers, layers } = gadget.flow;
  const inside = [
    signals.length > 0 ? count(signals.length, 'signal') : 'no signals',
    timers.length > 0 ? count(timers.length, 'timer') : 'no timers',
  ].join(', ');
  return (
    <div className={classes.panels}>
      <Fold
        holds={idsOf(variables)}
        summary={
          <>
            {variables.length === 0 ? 'No variables' : count(variables.length, 'variable')}
            <Values variables={variables} />
          </>
        }
      >
        <Variables />
      </Fold>
      <Fold holds={idsOf([...signals, ...timers])} title={inside} summary="Signals, timers, chance">
        <Inside />
      </Fold>
      {controlsOf(gadget, 'button').length > 0 && (
        <Fold
          holds={idsOf(layers)}
          summary={layers.length === 0 ? 'No layers of keys' : `Keys in ${count(layers.length, 'layer')}`}
        >
          <Layers />
        </Fold>
      )}
    </div>
  );
}

/** Each with what it is now, as far as a line holds them. */
function Values({ variables }: { variables: readonly Variable[] }) {
  const now = usePlayer((state) => state.shown?.variables);
  // What never changes takes no place.
  const changing = variables.filter(({ kind }) => kind !== 'table');
  return (
    <span className={classes.values}>
      {changing.slice(0, 12).map((variable) => (
        <span key={variable.id}>
          {variable.name} <span className="number">{nowWords(variable, now?.[variable.id])}</span>
        </span>
      ))}
    </span>
  );
}

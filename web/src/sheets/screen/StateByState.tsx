import {
  shiningFully,
  type DisplayShown,
  type OutputOf,
  type Screen,
  type TextDisplay,
} from '@hum-lever/core';
import { LightsDrawn } from '../../outputs/lights/LightsDrawn.tsx';
import { OnDisplay } from '../../outputs/screen/OnDisplay.tsx';
import { brightStyle } from '../../outputs/screen/inks.ts';
import { useBright } from '../../outputs/screen/useGlow.ts';
import classes from './Screen.module.css';

type Shows = Screen | TextDisplay | OutputOf<'lights'>;

/** More names than this are counted. */
const mostNames = 3;

const namesOf = ({ names }: DisplayShown): string =>
  names.length <= mostNames
    ? names.join(', ')
    : `${names.slice(0, mostNames - 1).join(', ')} and ${names.length - mostNames + 1} more`;

/** All that a display shows, side by side, each as it is first seen in the flow; places of menus, too. */
export function StateByState({
  display,
  moments,
  missing,
  share,
}: {
  display: Shows;
  moments: readonly DisplayShown[];
  /** Names of states of which it was not found out. */
  missing: readonly string[];
  /** How much is looked for already; null: all of it was. */
  share: number | null;
}) {
  return (
    <details className={classes.ways}>
      <summary>What it shows, state by state</summary>
      {share !== null && (
        <p role="status" className={classes.cost}>
          Playing to every state… {Math.round(100 * share)} %
        </p>
      )}
      {share === null && moments.length === 0 && (
        <p className={classes.cost}>No state was found in which anything could stand on it.</p>
      )}
      <ul className={classes.shown} aria-label={`What ${display.name} shows`}>
        {moments.map((moment) => (
          <li key={moment.names[0]}>
            <Shown display={display} moment={moment} />
            <span title={namesOf(moment)}>{namesOf(moment)}</span>
          </li>
        ))}
      </ul>
      {share === null && missing.length > 0 && (
        <p className={classes.cost}>
          Not found out for {missing.join(', ')}: no way was found there, or it does not last.
        </p>
      )}
    </details>
  );
}

function Shown({ display, moment: { shows } }: { display: Shows; moment: DisplayShown }) {
  // An edit made another kind of it: what was found before is of no use.
  if (display.kind !== shows.kind) return null;
  if (display.kind === 'lights')
    return (
      <div className={classes.smallLights}>
        {shows.kind === 'lights' && <LightsDrawn output={display} colours={shows.colours} />}
      </div>
    );
  return <ShownBright display={display} shows={shows} />;
}

function ShownBright({ display, shows }: { display: Screen | TextDisplay; shows: DisplayShown['shows'] }) {
  const bright = useBright(display, shows.kind === 'lights' ? shiningFully : shows.shining);
  return (
    <div className={classes.small} style={{ background: display.palette[0], ...brightStyle(bright) }}>
      {shows.kind !== 'lights' && <OnDisplay display={display} drawn={shows.glass} />}
    </div>
  );
}

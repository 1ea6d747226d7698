import { lightData, lightsUa, restingPicture, type OutputOf } from '@hum-lever/core';
import { useDocument } from '../../client/index.ts';
import { OutputFigures } from '../../outputs/figures.tsx';
import { LightsDrawn } from '../../outputs/lights/LightsDrawn.tsx';
import { useOutput } from '../../outputs/useOutput.ts';
import { showCurrent, showDuration } from '../../shared/index.ts';
import classes from './Screen.module.css';

/** Lights by number: what they show just now, large, and what that takes. Rules and states tell them. */
export function InLights({ display }: { display: OutputOf<'lights'> }) {
  const gadget = useDocument();
  const told = useOutput('lights', display.id);
  const colours = told ? restingPicture(told) : [];
  const data = lightData(gadget, display.id);
  const ua = told ? lightsUa(gadget, display.id, colours) : null;
  return (
    <>
      <div className={classes.lights}>
        <LightsDrawn output={display} colours={colours} />
      </div>
      <p className={classes.cost}>
        <span className="number">{display.count}</span> lights, as they come to rest in hand; rules and states
        tell them by their numbers, from <span className="number">0</span> to{' '}
        <span className="number">{display.count - 1}</span>.{' '}
        {data && (
          <>
            A picture takes <span className="number">{showDuration(data.us)}</span> over its line
            {data.interruptsOff && ', in which nothing else is heard'}.{' '}
          </>
        )}
        {ua !== null && (
          <>
            Draws about <span className="number">{showCurrent(ua)}</span> while it shows this.
          </>
        )}
      </p>
      <div className={classes.below}>
        <div className={classes.figures}>
          <OutputFigures output={display} />
        </div>
      </div>
    </>
  );
}

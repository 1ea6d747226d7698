import { readOn, type Drawn, type Screen } from '@hum-lever/core';
import { useIsLit } from '../../shared/index.ts';
import { useOutput } from '../useOutput.ts';
import { Glass } from './Glass.tsx';
import classes from './Display.module.css';

const blank: Drawn = { pageId: null, rows: [], drawings: [] };
/** Of common small displays, and what the case has room for. */
const pixelMm = 0.4;
const room = { leastMm: 24, mostMm: 56 };

export function ScreenInHand({ output }: { output: Screen }) {
  const { id, name, widthPx } = output;
  const drawn = useOutput('screen', id)?.glass ?? blank;
  const pointed = useIsLit(id);
  const wideMm = Math.max(room.leastMm, Math.min(room.mostMm, widthPx * pixelMm));
  return (
    <figure className={classes.display} data-lit={pointed}>
      <div className={classes.glass} data-pixels style={{ width: `${wideMm}mm` }}>
        <Glass screen={output} drawn={drawn} label={`${name}: ${readOn(drawn).join(' / ')}`} />
      </div>
      <figcaption>{name}</figcaption>
    </figure>
  );
}

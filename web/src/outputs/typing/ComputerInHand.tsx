import { fieldSize, type OutputOf } from '@hum-lever/core';
import { useIsLit } from '../../shared/index.ts';
import { useOutput } from '../useOutput.ts';
import classes from './Computer.module.css';
import { keyWords } from './keys.ts';

/** A computer that stands in: what was typed into it, the keys that it takes for held, a figure that arrows move. */
export function ComputerInHand({ output: { id, name } }: { output: OutputOf<'typist'> }) {
  const computer = useOutput('typist', id)?.computer;
  const pointed = useIsLit(id);
  const { text = '', held = [], x = 0, y = 0 } = computer ?? {};
  return (
    <figure className={classes.computer} data-lit={pointed}>
      <div className={classes.screen}>
        <p className={classes.text} aria-label={`Typed into ${name}`}>
          <span>{text.split('\n').slice(-2).join('\n')}▏</span>
        </p>
        <svg
          viewBox={`0 0 ${fieldSize.x} ${fieldSize.y}`}
          role="img"
          aria-label={`Figure at ${x + 1}, ${y + 1}`}
        >
          <rect x={x + 0.1} y={y + 0.1} width={0.8} height={0.8} rx={0.2} />
        </svg>
      </div>
      <figcaption>
        {name}
        <span className="number" aria-label={`Keys held on ${name}`}>
          {held.length === 0 ? 'no key held' : held.map(keyWords).join(' + ')}
        </span>
      </figcaption>
    </figure>
  );
}

import {
  inBand,
  rgbOf,
  seenBy,
  visions,
  type CodedLight,
  type Gadget,
  type LightCode,
  type LightPattern,
  type Meaning,
} from '@hum-lever/core';
import { useNavigate } from 'react-router';
import { useDocument } from '../../../client/index.ts';
import { FirstStep, goTo, showDuration, showHz } from '../../../shared/index.ts';
import { visionWords } from '../../../words/index.ts';
import { useStates } from '../../../workers/index.ts';
import classes from './LightCodes.module.css';

/** Who looks at a light for longer to know what it means looks for something else. */
const mostReadUs = 2_000_000;
/** Of a long row of lights so many are shown. */
const mostShown = 12;

/** What every light tells, and in which states. */
export function LightCodesView() {
  const gadget = useDocument();
  const lit = gadget.outputs.some(({ kind }) => kind === 'light' || kind === 'lights');
  const { shown, share } = useStates(lit ? gadget : null);
  if (!lit)
    return (
      <FirstStep>
        There is no light yet. Add one in Parts and let states switch it: here stands what each of its
        patterns and colours means, which of them mean two things, and to whose eyes they look alike.
      </FirstStep>
    );
  if (shown === null) return <p role="status">Playing to every state… {Math.round(100 * (share ?? 0))} %</p>;
  const found = shown.codes;
  const told = found.lights.filter(({ codes }) => codes.length > 0);
  if (told.length === 0) return <p>No state was found: there is nothing yet that a light could tell.</p>;
  return (
    <>
      {told.map((light) => (
        <OneLight key={light.outputId} gadget={gadget} light={light} />
      ))}
      {found.alike.length > 0 && (
        <p>
          Nothing that can be seen or heard tells apart:{' '}
          {found.alike.map((names) => names.join(' and ')).join('; ')}.
        </p>
      )}
      {found.missing.length > 0 && (
        <p>
          Not found out for <Meanings means={found.missing} />: no way was found there, or it does not last.
        </p>
      )}
    </>
  );
}

function OneLight({ gadget, light }: { gadget: Gadget; light: CodedLight }) {
  const name = gadget.outputs.find(({ id }) => id === light.outputId)?.name ?? '';
  return (
    <table className={classes.codes} aria-label={`What ${name} tells`}>
      <caption>{name}</caption>
      <thead>
        <tr>
          <th scope="col">What is seen</th>
          <th scope="col">Means</th>
          {visions.map((vision) => (
            <th key={vision} scope="col">
              To {visionWords[vision]}
            </th>
          ))}
          <th scope="col">To be read in</th>
        </tr>
      </thead>
      <tbody>
        {light.codes.map((code) => (
          <Row key={JSON.stringify([code.pattern, code.colours])} code={code} />
        ))}
      </tbody>
    </table>
  );
}

function Row({ code }: { code: LightCode }) {
  const { pattern, colours, means, readUs, centiHz } = code;
  return (
    <tr>
      <th scope="row">
        <Lamps colours={colours.map(rgbOf)} />
        {[...new Set(colours)].join(', ')} {patternWords(pattern)}
        {inBand(centiHz) && (
          <strong className={classes.warn}>{showHz(centiHz / 100)}: between 3 and 30 can harm</strong>
        )}
      </th>
      <td>
        <Meanings means={means} />
      </td>
      {visions.map((vision) => (
        <td key={vision}>
          <Lamps colours={colours.map((colour) => seenBy(rgbOf(colour), vision))} />
        </td>
      ))}
      <td>
        {readUs === 0 ? 'at once' : <span className="number">{showDuration(readUs)}</span>}
        {readUs > mostReadUs && <strong className={classes.warn}>longer than two seconds</strong>}
      </td>
    </tr>
  );
}

/** States, each a step away. */
const Meanings = ({ means }: { means: readonly Meaning[] }) =>
  means.map(({ name, stateIds }, n) => (
    <span key={name}>
      {n > 0 && ', '}
      <StateLink id={stateIds[0]!} name={name} />
    </span>
  ));

function StateLink({ id, name }: { id: string; name: string }) {
  const navigate = useNavigate();
  return (
    <button
      type="button"
      className={classes.state}
      onClick={() => {
        goTo({ kind: 'state', id });
        void navigate('../flow', { relative: 'path' });
      }}
    >
      {name}
    </button>
  );
}

const hex = (colour: number) => `#${colour.toString(16).padStart(6, '0')}`;

/** Lit lights in their colours, still: what blinks is said in words. */
function Lamps({ colours }: { colours: readonly number[] }) {
  return (
    <span className={classes.lamps} aria-hidden>
      {colours.slice(0, mostShown).map((colour, n) => (
        <span key={n} style={{ background: hex(colour) }} />
      ))}
      {colours.length > mostShown && '…'}
    </span>
  );
}

function patternWords(pattern: LightPattern): string {
  switch (pattern.kind) {
    case 'dark':
      return 'dark';
    case 'steady':
      return pattern.percent === null || pattern.percent === 100 ? 'steady' : `at ${pattern.percent}\u202f%`;
    case 'blink':
      return `blinking every ${showDuration(pattern.periodUs)}`;
    case 'pattern':
      return `as ${pattern.steps}, ${showDuration(pattern.stepUs)} a step`;
  }
}

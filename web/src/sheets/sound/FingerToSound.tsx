import { latencyParts, type Gadget, type Latency, type LatencyPart } from '@hum-lever/core';
import { useDebouncedValue } from '@mantine/hooks';
import { useCallback } from 'react';
import { count, showDuration, type Stage } from '../../shared/index.ts';
import { exploring, useAnswer } from '../../workers/index.ts';
import classes from './Sound.module.css';

/** From about so long on a hand feels that the sound is late. Source: the job, B04 and M02. */
const feltUs = 10_000;

const partWords: Record<LatencyPart, { title: string; stage: Stage }> = {
  contact: { title: 'until the contact closes', stage: 'contact' },
  read: { title: 'until the loop reads it', stage: 'contact' },
  clean: { title: 'until it counts as a press', stage: 'clean' },
  gesture: { title: 'until it is clear what it means', stage: 'gesture' },
  answer: { title: 'until it begins to sound or to go out', stage: 'state' },
  wire: { title: 'its bytes on the wire', stage: 'output' },
};

/** How long it takes from a finger to a sound, part by part, as it was played. Nothing where no key sounds. */
export function FingerToSound({ gadget }: { gadget: Gadget }) {
  // Playing takes a second: it waits until hands rest, so that no edit is played that is gone by then.
  const [rested] = useDebouncedValue(gadget, 600);
  const latencies = useAnswer(
    useCallback(() => exploring().latencies(rested), [rested]),
    true,
  );
  if (!latencies || latencies.found.length === 0) return null;
  return (
    <section className={classes.part} aria-label="From finger to sound">
      <h2>From finger to sound</h2>
      {latencies.found.map((latency) => (
        <Way key={latency.outputId} gadget={gadget} latency={latency} />
      ))}
      {latencies.untried > 0 && (
        <p className={classes.soft}>
          {count(latencies.untried, 'button')} could not be tried: what was played before took too long.
        </p>
      )}
    </section>
  );
}

function Way({ gadget, latency }: { gadget: Gadget; latency: Latency }) {
  const { outputId, controlIds, whole, parts, sounded, presses, worstId } = latency;
  const nameIn = (list: readonly { id: string; name: string }[], id: string) =>
    list.find((one) => one.id === id)?.name ?? id;
  const late = whole.worstUs > feltUs;
  const shown = latencyParts.filter((part) => parts[part].worstUs > 0);
  const full = Math.max(feltUs, whole.worstUs);
  return (
    <div className={classes.way}>
      <p>
        To “{nameIn(gadget.outputs, outputId)}” from {count(controlIds.length, 'key')}:{' '}
        <span className="number">{showDuration(whole.medianUs)}</span> as a rule,{' '}
        <span className="number">{showDuration(whole.worstUs)}</span> at worst
        {controlIds.length > 1 && ` (${nameIn(gadget.controls, worstId)})`}.{' '}
        {late
          ? 'From about 10\u202fms on a hand feels it.'
          : 'That is within the 10\u202fms from which on a hand feels it.'}
      </p>
      <div
        className={classes.parts}
        role="img"
        aria-label={shown
          .map((part) => `${partWords[part].title} ${showDuration(parts[part].medianUs)}`)
          .join(', ')}
      >
        {shown.map((part) => (
          <span
            key={part}
            data-stage={partWords[part].stage}
            style={{ width: `${(100 * parts[part].medianUs) / full}%` }}
          />
        ))}
        <i style={{ left: `${(100 * feltUs) / full}%` }} />
      </div>
      <table className={classes.table} aria-label={`Parts of the way to ${nameIn(gadget.outputs, outputId)}`}>
        <thead>
          <tr>
            <th scope="col">Part of the way</th>
            <th scope="col">As a rule</th>
            <th scope="col">At worst</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((part) => (
            <tr key={part}>
              <th scope="row">
                <span className={classes.dot} data-stage={partWords[part].stage} /> {partWords[part].title}
              </th>
              <td className="number">{showDuration(parts[part].medianUs)}</td>
              <td className="number">{showDuration(parts[part].worstUs)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className={classes.soft}>
        Played: {count(presses, 'press', 'presses')}, from its first state on, each at another moment of the
        loop{sounded < presses && `; ${sounded} of them sounded there`}.
      </p>
    </div>
  );
}

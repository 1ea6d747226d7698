import type { Gadget } from '@hum-lever/core';
import { meaning } from '../../../outputs/midi/meaning.ts';
import { showMessage, showMoment } from '../../../shared/index.ts';
import { traceNow, usePlayer } from '../../../workers/index.ts';
import { monitored, tempoOf } from './monitored.ts';
import sound from '../Sound.module.css';
import classes from './Source.module.css';

const mostShown = 8;

/** What went over the wires last, either way: when, which bytes, what they mean. */
export function Monitor({ gadget }: { gadget: Gadget }) {
  usePlayer((state) => state.traceVersion);
  usePlayer((state) => state.pastUs);
  const seen = monitored(traceNow(), mostShown);
  if (seen.length === 0)
    return <p className={sound.soft}>Nothing has gone over a wire yet. Press a key, here or in hand.</p>;
  const nameOf = (outputId: string | null) =>
    outputId === null ? 'in' : (gadget.outputs.find(({ id }) => id === outputId)?.name ?? 'out');
  return (
    <table className={`${sound.table} ${classes.seen}`} aria-label="What went over the wires">
      <thead>
        <tr>
          <th scope="col">At</th>
          <th scope="col">Way</th>
          <th scope="col">Bytes</th>
          <th scope="col">Says</th>
        </tr>
      </thead>
      <tbody>
        {seen.map((one, n) => {
          const tempo = tempoOf(one);
          return (
            <tr key={n}>
              <td className="number">{showMoment(one.atUs)}</td>
              <td>{nameOf(one.outputId)}</td>
              <td className="number">
                {showMessage(one.bytes)}
                {one.times > 1 && ` × ${one.times}`}
              </td>
              <td>
                {one.lost ? 'lost: ' : ''}
                {meaning(one.bytes)}
                {tempo !== null && `, ${tempo.toFixed(1)} beats a minute`}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

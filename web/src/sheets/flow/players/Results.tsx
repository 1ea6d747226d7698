import { Table } from '@mantine/core';
import { shareInterval, standingOf, type Gadget, type Round, type Standing } from '@hum-lever/core';
import { Suspense, useState } from 'react';
import { quartilesOf } from './bins.ts';
import type { Played } from './useRounds.ts';
import classes from './Players.module.css';
import { onDemand } from '../../../shared/index.ts';

const Histogram = onDemand(() => import('./Histogram.tsx'));

interface Summed {
  standing: Standing;
  /** The middle half, and the middle; lengths in seconds. */
  scores: [number, number, number];
  lengths: [number, number, number];
}
const known = new WeakMap<readonly Round[], Summed>();

/** Worked out once: a degree that is over is drawn again with every batch of the next. */
function summed(rounds: readonly Round[]): Summed {
  const before = known.get(rounds);
  if (before) return before;
  const standing = standingOf(rounds);
  const lengths = quartilesOf(standing.lengthsUs.map((us) => us / 1_000_000));
  const made = { standing, scores: quartilesOf(standing.scores), lengths };
  known.set(rounds, made);
  return made;
}

/** What many rounds came to, and how that changes with the difficulty. */
export function Results({
  gadget,
  played,
  scored,
}: {
  gadget: Gadget;
  played: readonly Played[];
  scored: boolean;
}) {
  const [chosen, setChosen] = useState('');
  const all = played.map(({ name, rounds }) => ({ name, ...summed(rounds) }));
  const shown = all.find(({ name }) => name === chosen) ?? all[0];
  if (!shown) return null;
  const { standing } = shown;
  return (
    <section className={`card ${classes.card}`} aria-label="What came of it">
      {all.length > 1 && (
        <ByDegree gadget={gadget} all={all} chosen={shown.name} choose={setChosen} scored={scored} />
      )}
      <h2>
        {standing.rounds.toLocaleString('en')} {standing.rounds === 1 ? 'round' : 'rounds'}
        {all.length > 1 && ` at ${shown.name}`}
      </h2>
      <Outcomes gadget={gadget} ends={standing.ends} rounds={standing.rounds} />
      <p className="soft">
        In brackets: between what the share of all rounds there could be lies, in 19 cases of 20.
      </p>
      <Suspense fallback={null}>
        <div className={classes.charts}>
          {scored && <Histogram title="Score" values={standing.scores} unit="" />}
          <Histogram
            title="Length of a round"
            values={standing.lengthsUs.map((us) => us / 1_000_000)}
            unit="s"
          />
          <Histogram title="Presses" values={standing.presses} unit="" />
        </div>
      </Suspense>
    </section>
  );
}

const nameOf = ({ flow }: Gadget, id: string) =>
  id === '' ? 'no end within the time' : (flow.states.find((state) => state.id === id)?.name ?? id);
const share = (times: number, of: number) => `${((100 * times) / of).toFixed(1)}\u202f%`;

/** With what the share of all rounds there could be lies between. */
function shareBetween(times: number, of: number): string {
  const [low, high] = shareInterval(times, of).map((one) => (100 * one).toFixed(1));
  return `${share(times, of)} (${low} to ${high})`;
}

/** Each degree as a row: how it ended, and the middle half of scores and lengths. */
function ByDegree({
  gadget,
  all,
  chosen,
  choose,
  scored,
}: {
  gadget: Gadget;
  all: ({ name: string } & Summed)[];
  chosen: string;
  choose: (name: string) => void;
  scored: boolean;
}) {
  const ends = [...new Set(all.flatMap(({ standing }) => Object.keys(standing.ends)))];
  const half = (quartiles: readonly number[], unit: string) => {
    const [low, middle, high] = quartiles.map((value) => Number(value.toFixed(1)));
    return `${middle}${unit} (${low} to ${high})`;
  };
  return (
    <div className={classes.scroll}>
      <Table verticalSpacing={4} aria-label="By difficulty">
        <Table.Thead>
          <Table.Tr>
            <Table.Th>At</Table.Th>
            {ends.map((id) => (
              <Table.Th key={id} className="right">
                {nameOf(gadget, id)}
              </Table.Th>
            ))}
            {scored && <Table.Th className="right">Score, middle half</Table.Th>}
            <Table.Th className="right">Length, middle half</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {all.map(({ name, standing, scores, lengths }) => (
            <Table.Tr key={name}>
              <Table.Td>
                <label className="number">
                  <input type="radio" name="degree" checked={name === chosen} onChange={() => choose(name)} />{' '}
                  {name}
                </label>
              </Table.Td>
              {ends.map((id) => (
                <Table.Td key={id} className="number right">
                  {share(standing.ends[id] ?? 0, standing.rounds)}
                </Table.Td>
              ))}
              {scored && <Table.Td className="number right">{half(scores, '')}</Table.Td>}
              <Table.Td className="number right">{half(lengths, '\u202fs')}</Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </div>
  );
}

/** How often each end was come to, as bars with their numbers. */
function Outcomes({
  gadget,
  ends,
  rounds,
}: {
  gadget: Gadget;
  ends: Record<string, number>;
  rounds: number;
}) {
  return (
    <ul className={classes.outcomes}>
      {Object.entries(ends)
        .sort(([, a], [, b]) => b - a)
        .map(([id, times]) => (
          <li key={id}>
            <span>{nameOf(gadget, id)}</span>
            <span className={classes.track} aria-hidden>
              <span style={{ width: `${(100 * times) / rounds}%` }} />
            </span>
            <span className="number">{shareBetween(times, rounds)}</span>
          </li>
        ))}
    </ul>
  );
}

import { ActionIcon, Button, Progress } from '@mantine/core';
import { IconX } from '@tabler/icons-react';
import { endsOf, isHistory, type Contest, type Player } from '@hum-lever/core';
import { useMemo } from 'react';
import { useParams } from 'react-router';
import { create } from 'zustand';
import { useDocument } from '../../../client/index.ts';
import { Choice, NumberField } from '../../../shared/index.ts';
import { Difficulty } from './Difficulty.tsx';
import { degreesOf, type Varying } from './degrees.ts';
import { doable, PlayerSlots } from './PlayerSlots.tsx';
import { Results } from './Results.tsx';
import { useRounds } from './useRounds.ts';
import classes from './Players.module.css';
import '@mantine/core/styles/Progress.layer.css';

/** Who plays what, as it was last asked. */
interface Form {
  players: readonly Player[];
  contest: Contest;
  count: number;
  varying: Varying | null;
}
/** By gadget, so that a look at another view does not lose it. */
const useForms = create<Record<string, Form>>(() => ({}));
/** More hands than that seldom find room on one gadget. */
const mostPlayers = 4;

/** Bots that play many rounds: what comes of doing nothing, of mashing, and of playing well. */
export function PlayersView() {
  const gadget = useDocument();
  const moves = useMemo(() => doable(gadget), [gadget]);
  const states = gadget.flow.states.filter((state) => !isHistory(state));
  const numbers = gadget.flow.variables.filter(({ kind }) => kind === 'number');
  const { gadgetId = '' } = useParams();
  const form = useForms((all) => all[gadgetId]) ?? {
    players: [{ kind: 'idle' as const }],
    contest: {
      opening: moves.slice(0, 1).map(({ line }) => line),
      endStateIds: endsOf(gadget),
      scoreId: numbers.find(({ name }) => /score|points/i.test(name))?.id ?? null,
      limitUs: 120_000_000,
    },
    count: 1_000,
    varying: null,
  };
  const { players, contest, count, varying } = form;
  const { played, done, asked, running, failure, run, clear, cancel } = useRounds();
  /** What was played before was of another plan. */
  const put = (patch: Partial<Form>) => {
    useForms.setState({ [gadgetId]: { ...form, ...patch } });
    clear();
    return null;
  };
  const change = (patch: Partial<Contest>) => put({ contest: { ...contest, ...patch } });
  const replace = (at: number, by: Player[]) => put({ players: players.toSpliced(at, 1, ...by) });
  if (moves.length === 0) return <p>Nobody can do anything yet: add a button or a dial in Parts.</p>;
  return (
    <>
      <section className={`card ${classes.card}`} aria-label="Who plays what">
        {players.map((player, at) => (
          <div key={at} className={classes.line} role="group" aria-label={`Player ${at + 1}`}>
            {at === 0 ? 'Somebody who' : 'against somebody who'}
            <PlayerSlots player={player} put={(next) => replace(at, [next])} moves={moves} />
            {at > 0 && (
              <ActionIcon
                variant="subtle"
                size="sm"
                aria-label={`Without player ${at + 1}`}
                onClick={() => replace(at, [])}
              >
                <IconX size={15} />
              </ActionIcon>
            )}
            {at === players.length - 1 && at < mostPlayers - 1 && (
              <Button
                size="compact-xs"
                variant="default"
                onClick={() =>
                  put({
                    players: [...players, players.at(-1)!],
                    contest: { ...contest, throughContacts: true },
                  })
                }
              >
                Let another one play, too
              </Button>
            )}
          </div>
        ))}
        <div className={classes.line}>
          A round begins when
          <Choice
            label="How a round begins"
            data={[
              { value: '', label: 'the power comes on' },
              ...moves.map(({ value, label }) => ({ value, label })),
            ]}
            value={contest.opening[0] ? `${contest.opening[0].controlId} ${contest.opening[0].what}` : ''}
            choose={(chosen) =>
              change({ opening: moves.filter(({ value }) => value === chosen).map(({ line }) => line) })
            }
          />
          and is over after
          <NumberField
            label=""
            aria-label="Longest round"
            unit="s"
            width={84}
            min={1}
            max={3_600}
            value={contest.limitUs / 1_000_000}
            commit={(s) => change({ limitUs: Math.round(s * 1_000_000) })}
          />
          at the latest; the score is
          <Choice
            label="Score"
            data={[
              { value: '', label: 'not counted' },
              ...numbers.map(({ id, name }) => ({ value: id, label: name })),
            ]}
            value={contest.scoreId ?? ''}
            choose={(id) => change({ scoreId: id === '' ? null : id })}
          />
        </div>
        <Ends ids={contest.endStateIds} states={states} put={(endStateIds) => change({ endStateIds })} />
        <Difficulty varying={varying} put={(next) => put({ varying: next })} />
        <label className={classes.line}>
          <input
            type="checkbox"
            checked={contest.throughContacts === true}
            onChange={(event) => change({ throughContacts: event.currentTarget.checked })}
          />
          through contacts, scan and cleaning, as on the bench: slower, and what they swallow or favour counts
        </label>
        <div className={classes.line}>
          <NumberField
            label=""
            aria-label="Rounds"
            unit="rounds"
            width={128}
            min={1}
            max={100_000}
            value={count}
            commit={(n) => put({ count: n })}
          />
          {running ? (
            <Button size="compact-sm" variant="default" onClick={cancel}>
              Stop
            </Button>
          ) : (
            <Button
              size="compact-sm"
              onClick={() => void run(degreesOf(gadget, varying), contest, players, count)}
            >
              Play them
            </Button>
          )}
          <Progress
            className={classes.progress}
            color="var(--stage-state)"
            value={asked === 0 ? 0 : (100 * done) / asked}
            aria-label="Rounds played"
          />
        </div>
        {failure !== null && <p role="alert">{failure}</p>}
      </section>
      {played.length > 0 && <Results gadget={gadget} played={played} scored={contest.scoreId !== null} />}
    </>
  );
}

/** The states that end a round, in a line; all there are, where some are chosen. */
function Ends({
  ids,
  states,
  put,
}: {
  ids: readonly string[];
  states: readonly { id: string; name: string }[];
  put: (ids: string[]) => void;
}) {
  const chosen = states.filter(({ id }) => ids.includes(id));
  return (
    <details className={classes.ends}>
      <summary>
        {chosen.length === 0 ? (
          'It ends when the time is over'
        ) : (
          <>
            It ends in <span className={classes.chosen}>{chosen.map(({ name }) => name).join(', ')}</span>
          </>
        )}
      </summary>
      <fieldset aria-label="It ends in">
        {states.map(({ id, name }) => (
          <label key={id}>
            <input
              type="checkbox"
              checked={ids.includes(id)}
              onChange={(event) =>
                put(event.currentTarget.checked ? [...ids, id] : ids.filter((one) => one !== id))
              }
            />{' '}
            {name}
          </label>
        ))}
      </fieldset>
    </details>
  );
}

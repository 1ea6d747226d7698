import { Button, Progress } from '@mantine/core';
import { endsOf, isHistory, type Contest, type Player } from '@hum-lever/core';
import { useMemo, useState } from 'react';
import { useDocument } from '../../../client/index.ts';
import { Choice, NumberField } from '../../../shared/index.ts';
import { Difficulty } from './Difficulty.tsx';
import { degreesOf, type Varying } from './degrees.ts';
import { doable, PlayerSlots } from './PlayerSlots.tsx';
import { Results } from './Results.tsx';
import { useRounds } from './useRounds.ts';
import classes from './Players.module.css';
import '@mantine/core/styles/Progress.layer.css';

/** Bots that play many rounds: what comes of doing nothing, of mashing, and of playing well. */
export function PlayersView() {
  const gadget = useDocument();
  const moves = useMemo(() => doable(gadget), [gadget]);
  const states = gadget.flow.states.filter((state) => !isHistory(state));
  const numbers = gadget.flow.variables.filter(({ kind }) => kind === 'number');
  const [player, setPlayer] = useState<Player>({ kind: 'idle' });
  const [contest, setContest] = useState<Contest>(() => ({
    opening: moves.slice(0, 1).map(({ line }) => line),
    endStateIds: endsOf(gadget),
    scoreId: numbers.find(({ name }) => /score|points/i.test(name))?.id ?? null,
    limitUs: 120_000_000,
  }));
  const [count, setCount] = useState(1_000);
  const [varying, setVarying] = useState<Varying | null>(null);
  const { played, done, running, failure, run, cancel, asked } = useRounds();
  const change = (patch: Partial<Contest>) => {
    setContest({ ...contest, ...patch });
    return null;
  };
  if (moves.length === 0) return <p>Nobody can do anything yet: add a button or a dial in Parts.</p>;
  return (
    <>
      <section className={`card ${classes.card}`} aria-label="Who plays what">
        <div className={classes.line}>
          Somebody who
          <PlayerSlots player={player} put={setPlayer} moves={moves} />
        </div>
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
        <fieldset className={classes.ends}>
          <legend>It ends in</legend>
          {states.map(({ id, name }) => (
            <label key={id}>
              <input
                type="checkbox"
                checked={contest.endStateIds.includes(id)}
                onChange={(event) =>
                  change({
                    endStateIds: event.currentTarget.checked
                      ? [...contest.endStateIds, id]
                      : contest.endStateIds.filter((one) => one !== id),
                  })
                }
              />{' '}
              {name}
            </label>
          ))}
        </fieldset>
        <Difficulty varying={varying} put={setVarying} />
        <div className={classes.line}>
          <NumberField
            label=""
            aria-label="Rounds"
            unit="rounds"
            width={128}
            min={1}
            max={100_000}
            value={count}
            commit={(n) => {
              setCount(n);
              return null;
            }}
          />
          {running ? (
            <Button size="compact-sm" variant="default" onClick={cancel}>
              Stop
            </Button>
          ) : (
            <Button
              size="compact-sm"
              onClick={() => void run(degreesOf(gadget, varying), contest, player, count)}
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

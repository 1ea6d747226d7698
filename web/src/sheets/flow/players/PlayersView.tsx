import { ActionIcon, Button, Progress } from '@mantine/core';
import { IconX } from '@tabler/icons-react';
import {
  controlsOf,
  endsOf,
  isHistory,
  movesOf,
  standingOf,
  type Contest,
  type Gadget,
  type Player,
  type PolicyLine,
} from '@hum-lever/core';
import { lazy, Suspense, useMemo, useState } from 'react';
import { useDocument } from '../../../client/index.ts';
import { Choice, NumberField } from '../../../shared/index.ts';
import { ExpressionSlot } from '../slots.tsx';
import { stepWords } from '../ask/stepWords.ts';
import { useRounds } from './useRounds.ts';
import classes from './Players.module.css';
import '@mantine/core/styles/Progress.css';

const Histogram = lazy(() => import('./Histogram.tsx'));

const kinds = [
  { value: 'idle', label: 'does nothing' },
  { value: 'mash', label: 'mashes one key' },
  { value: 'random', label: 'does anything at random' },
  { value: 'policy', label: 'plays by rules, as a person reacts' },
] as const;

/** Things that can be done, as one text each. */
function doable(gadget: Gadget): { value: string; label: string; line: Omit<PolicyLine, 'when'> }[] {
  return movesOf(gadget)
    .filter(({ events }) => events.length > 0)
    .map(({ controlId, what }) => ({
      value: `${controlId} ${what}`,
      label: stepWords(gadget, { kind: 'move', controlId, what }),
      line: { controlId, what },
    }));
}

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
  const { rounds, running, failure, run, cancel, asked } = useRounds();
  const standing = useMemo(() => standingOf(rounds), [rounds]);
  const change = (patch: Partial<Contest>) => {
    setContest({ ...contest, ...patch });
    return null;
  };
  const [button] = controlsOf(gadget, 'button');
  const fresh: Record<Player['kind'], Player> = {
    idle: { kind: 'idle' },
    mash: { kind: 'mash', controlId: button?.id ?? '', perSecond: 7 },
    random: { kind: 'random', perSecond: 2 },
    policy: {
      kind: 'policy',
      lines: moves
        .slice(0, 1)
        .map(({ line }) => ({ when: numbers[0] ? `${numbers[0].id} > 0` : 'true', ...line })),
    },
  };
  if (moves.length === 0) return <p>Nobody can do anything yet: add a button or a dial in Parts.</p>;
  return (
    <>
      <section className={`card ${classes.card}`} aria-label="Who plays what">
        <div className={classes.line}>
          Somebody who
          <Choice
            label="Player"
            data={[...kinds]}
            value={player.kind}
            choose={(kind) => setPlayer(fresh[kind])}
          />
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
            <Button size="compact-sm" onClick={() => run(contest, player, count)}>
              Play them
            </Button>
          )}
          <Progress
            className={classes.progress}
            color="var(--stage-state)"
            value={asked === 0 ? 0 : (100 * rounds.length) / asked}
            aria-label="Rounds played"
          />
        </div>
        {failure !== null && <p role="alert">{failure}</p>}
      </section>
      {rounds.length > 0 && (
        <section className={`card ${classes.card}`} aria-label="What came of it">
          <h2>
            {rounds.length.toLocaleString('en')} {rounds.length === 1 ? 'round' : 'rounds'}
          </h2>
          <Outcomes gadget={gadget} ends={standing.ends} rounds={standing.rounds} />
          <Suspense fallback={null}>
            <div className={classes.charts}>
              {contest.scoreId !== null && <Histogram title="Score" values={standing.scores} unit="" />}
              <Histogram
                title="Length of a round"
                values={standing.lengthsUs.map((us) => us / 1_000_000)}
                unit="s"
              />
              <Histogram title="Presses" values={standing.presses} unit="" />
            </div>
          </Suspense>
        </section>
      )}
    </>
  );
}

function PlayerSlots({
  player,
  put,
  moves,
}: {
  player: Player;
  put: (player: Player) => void;
  moves: ReturnType<typeof doable>;
}) {
  const gadget = useDocument();
  const set = (next: Player) => {
    put(next);
    return null;
  };
  switch (player.kind) {
    case 'idle':
      return null;
    case 'mash':
      return (
        <>
          <Choice
            label="Key"
            data={controlsOf(gadget, 'button').map(({ id, name }) => ({ value: id, label: name }))}
            value={player.controlId}
            choose={(controlId) => set({ ...player, controlId })}
          />
          <PerSecond value={player.perSecond} commit={(perSecond) => set({ ...player, perSecond })} />
        </>
      );
    case 'random':
      return <PerSecond value={player.perSecond} commit={(perSecond) => set({ ...player, perSecond })} />;
    case 'policy': {
      const replace = (at: number, by: PolicyLine[]) =>
        set({ ...player, lines: player.lines.toSpliced(at, 1, ...by) });
      return (
        <ul className={classes.policy}>
          {player.lines.map((line, at) => (
            <li key={at} className={classes.line}>
              when
              <ExpressionSlot
                label={`Condition ${at + 1}`}
                value={line.when}
                commit={(when) => replace(at, [{ ...line, when }])}
              />
              then
              <Choice
                label={`What is done, ${at + 1}`}
                data={moves.map(({ value, label }) => ({ value, label }))}
                value={`${line.controlId} ${line.what}`}
                choose={(chosen) =>
                  replace(at, [{ ...line, ...moves.find(({ value }) => value === chosen)!.line }])
                }
              />
              <ActionIcon
                variant="subtle"
                size="sm"
                aria-label={`Take rule ${at + 1} out`}
                onClick={() => replace(at, [])}
              >
                <IconX size={15} />
              </ActionIcon>
            </li>
          ))}
          <li>
            <Button
              size="compact-xs"
              variant="default"
              onClick={() =>
                set({ ...player, lines: [...player.lines, { when: 'true', ...moves[0]!.line }] })
              }
            >
              Add a rule
            </Button>
          </li>
        </ul>
      );
    }
  }
}

function PerSecond({ value, commit }: { value: number; commit: (value: number) => null }) {
  return (
    <NumberField
      label=""
      aria-label="Times a second"
      unit="a second"
      width={122}
      decimals={1}
      min={0.1}
      max={20}
      value={value}
      commit={commit}
    />
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
  const nameOf = (id: string) =>
    id === '' ? 'no end within the time' : (gadget.flow.states.find((state) => state.id === id)?.name ?? id);
  return (
    <ul className={classes.outcomes}>
      {Object.entries(ends)
        .sort(([, a], [, b]) => b - a)
        .map(([id, times]) => (
          <li key={id}>
            <span>{nameOf(id)}</span>
            <span className={classes.track} aria-hidden>
              <span style={{ width: `${(100 * times) / rounds}%` }} />
            </span>
            <span className="number">
              {((100 * times) / rounds).toFixed(1)}
              {'\u202f'}%
            </span>
          </li>
        ))}
    </ul>
  );
}

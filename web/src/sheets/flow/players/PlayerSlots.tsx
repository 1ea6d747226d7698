import { ActionIcon, Button } from '@mantine/core';
import { IconX } from '@tabler/icons-react';
import {
  controlsOf,
  doableMoves,
  endsOf,
  isHistory,
  type Gadget,
  type Player,
  type PolicyLine,
} from '@hum-lever/core';
import { useDocument } from '../../../client/index.ts';
import { Choice, NumberField } from '../../../shared/index.ts';
import { stepWords } from '../ask/stepWords.ts';
import { ExpressionSlot, NamedSlot } from '../../../slots/index.ts';
import classes from './Players.module.css';

const kinds = [
  { value: 'idle', label: 'does nothing' },
  { value: 'mash', label: 'mashes one key' },
  { value: 'random', label: 'does anything at random' },
  { value: 'way', label: 'takes the shortest way to' },
  { value: 'policy', label: 'plays by rules, as a person reacts' },
] as const;

type Doable = { value: string; label: string; line: Omit<PolicyLine, 'when'> };
interface Props {
  player: Player;
  put: (player: Player) => void;
  moves: readonly Doable[];
}

/** Things that can be done, as one text each. */
export function doable(gadget: Gadget): Doable[] {
  return doableMoves(gadget).map(({ controlId, what }) => ({
    value: `${controlId} ${what}`,
    label: stepWords(gadget, { kind: 'move', controlId, what }),
    line: { controlId, what },
  }));
}

/** Each kind of player as it starts out. */
function fresh(kind: Player['kind'], gadget: Gadget, moves: readonly Doable[]): Player {
  const { flow } = gadget;
  switch (kind) {
    case 'idle':
      return { kind };
    case 'mash':
      return { kind, controlId: controlsOf(gadget, 'button')[0]?.id ?? '', perSecond: 7 };
    case 'random':
      return { kind, perSecond: 2 };
    case 'way':
      return { kind, stateId: endsOf(gadget)[0] ?? flow.initialId ?? '' };
    case 'policy': {
      const number = flow.variables.find((variable) => variable.kind === 'number');
      const when = number ? `${number.id} > 0` : 'true';
      return { kind, lines: moves.slice(0, 1).map(({ line }) => ({ when, ...line })) };
    }
  }
}

/** Who plays, and how. */
export function PlayerSlots({ player, put, moves }: Props) {
  const gadget = useDocument();
  return (
    <>
      <Choice
        label="Player"
        data={[...kinds]}
        value={player.kind}
        choose={(kind) => put(fresh(kind, gadget, moves))}
      />
      <Details player={player} put={put} moves={moves} />
    </>
  );
}

function Details({ player, put, moves }: Props) {
  const gadget = useDocument();
  const set = (next: Player) => {
    put(next);
    return null;
  };
  switch (player.kind) {
    case 'idle':
      return null;
    case 'way':
      return (
        <NamedSlot
          label="Where it wants to go"
          among={gadget.flow.states.filter((state) => !isHistory(state))}
          value={player.stateId}
          choose={(stateId) => set({ ...player, stateId })}
        />
      );
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

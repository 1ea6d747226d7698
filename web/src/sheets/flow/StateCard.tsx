import { Button } from '@mantine/core';
import { IconPlayerPlay, IconPlus } from '@tabler/icons-react';
import { isHistory, nextId, type State, type Trigger } from '@hum-lever/core';
import { memo, useRef } from 'react';
import { edit, useDocument } from '../../client/index.ts';
import { Choice, TextField, useNear, usePlace, begin, Prose } from '../../shared/index.ts';
import { ActionList } from './ActionLine.tsx';
import { markSigns, markWords } from './markWords.ts';
import { useIsActive } from './lastRule.ts';
import { kindSigns, kindWords } from './Outline.tsx';
import { RuleLine } from './RuleLine.tsx';
import { afterTime, nextTrigger } from './sentences.ts';
import { StateMenu } from './StateMenu.tsx';
import classes from './Flow.module.css';

interface StateCardProps {
  state: State;
  /** Names of the states around it, outermost first. */
  around: string;
  /** The states directly in it, history apart. */
  inner: readonly State[];
  /** Drawn also where it is not seen: there are few. */
  everywhere: boolean;
}

/** About as high as it will be, so that the page does not jump when it is drawn. */
const headHeight = 110;
const ruleHeight = 34;

/** One state: what happens on entering and leaving it, and its rules in the order in which they are asked. */
export const StateCard = memo(function StateCard({ everywhere, ...given }: StateCardProps) {
  const { state } = given;
  const card = useRef<HTMLLIElement>(null);
  const near = useNear(card, everywhere);
  const current = useIsActive(state.id);
  const { id, className } = usePlace(state.id);
  return (
    <li
      ref={card}
      id={id}
      className={`card ${classes.state} ${className ?? ''}`}
      data-current={current || undefined}
      aria-label={`State ${state.name}`}
      aria-current={current || undefined}
      style={near ? undefined : { height: headHeight + ruleHeight * state.rules.length }}
    >
      {near ? <Inside {...given} everywhere={everywhere} /> : state.name}
    </li>
  );
});

/** What does not change while the gadget plays. */
const Inside = memo(function Inside({ state, around, inner, everywhere }: StateCardProps) {
  const gadget = useDocument();
  const { flow } = gadget;
  const change = (patch: Partial<Pick<State, 'name' | 'entry' | 'exit'>>) =>
    edit({ name: 'changeState', args: [state.id, patch] });
  const parent = flow.states.find((one) => one.id === state.parentId);
  const first = parent ? parent.initial?.targetIds.includes(state.id) : flow.initialId === state.id;
  const history = isHistory(state);
  const addRule = (trigger: Trigger) => {
    const fresh = { trigger, guard: null, actions: [], targetIds: [], internal: false };
    // It is written at once; which id it gets is the edit's to say.
    begin(nextId(gadget, 'rule'));
    edit({ name: 'addRule', args: [state.id, fresh] });
  };
  return (
    <>
      <header className={classes.stateHead}>
        <div className={classes.stateName}>
          <TextField
            variant="unstyled"
            aria-label="Name of the state"
            value={state.name}
            commit={(name) => change({ name: name.trim() })}
          />
          {around !== '' && <span className={classes.around}>in {around}</span>}
        </div>
        {state.kind !== 'plain' && (
          <span className={classes.first} title={kindWords[state.kind]}>
            {kindSigns[state.kind]} {kindWords[state.kind]}
          </span>
        )}
        {first && (
          <span className={classes.first}>
            <IconPlayerPlay size={14} aria-hidden /> starts here
          </span>
        )}
        {flow.marks
          .filter(({ placeId }) => placeId === state.id)
          .map(({ means }) => (
            <span key={means} className={classes.first} title={`Here ${markWords[means]}`}>
              {markSigns[means]}
            </span>
          ))}
        <span className={classes.here}>in hand now</span>
        <StateMenu state={state} first={first === true} />
      </header>
      {(inner.length > 0 && state.kind === 'plain') || history ? (
        <Beginning state={state} inner={inner} history={history} />
      ) : null}
      {!history && state.entry.length > 0 && <OnEntering state={state} change={change} />}
      {!history && state.kind !== 'final' && (
        <ol className={classes.rules}>
          {state.rules.map((rule, at) => (
            <RuleLine key={rule.id} state={state} rule={rule} number={at + 1} everywhere={everywhere} />
          ))}
        </ol>
      )}
      {!history && state.exit.length > 0 && <OnLeaving state={state} change={change} />}
      {!history && (
        <div className={classes.foot}>
          {state.kind !== 'final' && (
            <>
              <Button
                size="compact-xs"
                variant="default"
                onClick={() => addRule(nextTrigger(gadget, state))}
                aria-label={`Add a rule to ${state.name}`}
              >
                Add a rule
              </Button>
              <button
                type="button"
                className={classes.add}
                onClick={() => addRule(afterTime)}
                aria-label={`Add a rule to ${state.name} for when time has passed`}
              >
                <IconPlus size={13} aria-hidden /> after a time
              </button>
            </>
          )}
          {state.entry.length === 0 && <OnEntering state={state} change={change} />}
          {state.exit.length === 0 && state.kind !== 'final' && <OnLeaving state={state} change={change} />}
        </div>
      )}
    </>
  );
});

interface EndsProps {
  state: State;
  change: (patch: Partial<Pick<State, 'entry' | 'exit'>>) => string | null;
}

const OnEntering = ({ state, change }: EndsProps) => (
  <div className={classes.block}>
    <span className={classes.blockName}>On entering</span>
    <ActionList
      label={`On entering ${state.name}`}
      actions={state.entry}
      put={(entry) => change({ entry })}
      putLasting={(action, until) =>
        change({ entry: [...state.entry, action], exit: [...state.exit, until] })
      }
    />
  </div>
);
const OnLeaving = ({ state, change }: EndsProps) => (
  <div className={classes.block}>
    <span className={classes.blockName}>On leaving</span>
    <ActionList label={`On leaving ${state.name}`} actions={state.exit} put={(exit) => change({ exit })} />
  </div>
);

/** Where entering a state with others in it leads; for history, while there is none. */
function Beginning({ state, inner, history }: { state: State; inner: readonly State[]; history: boolean }) {
  const [first] = inner;
  const value = state.initial?.targetIds[0] ?? '';
  return (
    <div className={classes.running}>
      <Prose>
        {history ? 'At first' : 'Begins in'}
        <Choice
          label={history ? `Where ${state.name} leads at first` : `Where ${state.name} begins`}
          stage="state"
          data={[
            { value: '', label: first ? `${first.name}, its first` : 'the first' },
            ...inner.map(({ id, name }) => ({ value: id, label: name })),
          ]}
          value={inner.some(({ id }) => id === value) ? value : ''}
          choose={(id) =>
            edit({
              name: 'changeState',
              args: [
                state.id,
                { initial: id === '' ? null : { targetIds: [id], actions: state.initial?.actions ?? [] } },
              ],
            })
          }
        />
      </Prose>
    </div>
  );
}

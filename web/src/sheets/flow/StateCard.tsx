import { ActionIcon, Button, Menu } from '@mantine/core';
import { IconDots, IconPlayerPlay } from '@tabler/icons-react';
import type { State } from '@hum-lever/core';
import { memo } from 'react';
import { edit, useDocument } from '../../client/index.ts';
import { TextField, usePlace } from '../../shared/index.ts';
import { ActionList } from './ActionLine.tsx';
import { RuleLine } from './RuleLine.tsx';
import { firstTrigger } from './sentences.ts';
import classes from './Flow.module.css';

interface StateCardProps {
  state: State;
  index: number;
  /** Whether the gadget in hand is in it. */
  current: boolean;
  /** The rule that fired last, where it is one of this state's. */
  lastRuleId: string | null;
}

/** One state: what happens on entering and leaving it, and its rules in the order in which they are asked. */
export const StateCard = memo(function StateCard({ state, index, current, lastRuleId }: StateCardProps) {
  const gadget = useDocument();
  const { flow } = gadget;
  const { id, className } = usePlace(state.id);
  const change = (patch: Partial<Pick<State, 'name' | 'entry' | 'exit'>>) =>
    edit({ name: 'changeState', args: [state.id, patch] });
  const first = flow.initialId === state.id;
  const addRule = () =>
    edit({
      name: 'addRule',
      args: [state.id, { trigger: firstTrigger(gadget), guard: null, actions: [], targetId: null }],
    });
  return (
    <li
      id={id}
      className={`card ${classes.state} ${className ?? ''}`}
      data-current={current || undefined}
      aria-label={`State ${state.name}`}
      aria-current={current || undefined}
    >
      <header className={classes.stateHead}>
        <TextField
          className={classes.stateName!}
          variant="unstyled"
          aria-label="Name of the state"
          value={state.name}
          commit={(name) => change({ name: name.trim() })}
        />
        {first && (
          <span className={classes.first}>
            <IconPlayerPlay size={14} aria-hidden /> starts here
          </span>
        )}
        {current && <span className={classes.here}>in hand now</span>}
        <Menu position="bottom-end">
          <Menu.Target>
            <ActionIcon variant="subtle" aria-label={`More for ${state.name}`}>
              <IconDots size={18} />
            </ActionIcon>
          </Menu.Target>
          <Menu.Dropdown>
            <Menu.Item disabled={first} onClick={() => edit({ name: 'setInitialState', args: [state.id] })}>
              Start here
            </Menu.Item>
            <Menu.Item
              disabled={index === 0}
              onClick={() => edit({ name: 'moveState', args: [state.id, -1] })}
            >
              Move up
            </Menu.Item>
            <Menu.Item
              disabled={index === flow.states.length - 1}
              onClick={() => edit({ name: 'moveState', args: [state.id, 1] })}
            >
              Move down
            </Menu.Item>
            <Menu.Item onClick={() => edit({ name: 'removeState', args: [state.id] })}>
              Remove, with the rules that lead here
            </Menu.Item>
          </Menu.Dropdown>
        </Menu>
      </header>
      <div className={classes.block}>
        <span className={classes.blockName}>On entering</span>
        <ActionList
          label={`On entering ${state.name}`}
          actions={state.entry}
          put={(entry) => change({ entry })}
        />
      </div>
      <ol className={classes.rules}>
        {state.rules.map((rule, at) => (
          <RuleLine key={rule.id} state={state} rule={rule} number={at + 1} fired={rule.id === lastRuleId} />
        ))}
      </ol>
      <Button
        size="compact-sm"
        variant="default"
        onClick={addRule}
        aria-label={`Add a rule to ${state.name}`}
      >
        Add a rule
      </Button>
      <div className={classes.block}>
        <span className={classes.blockName}>On leaving</span>
        <ActionList
          label={`On leaving ${state.name}`}
          actions={state.exit}
          put={(exit) => change({ exit })}
        />
      </div>
    </li>
  );
});

import { ActionIcon, Menu } from '@mantine/core';
import { IconDots } from '@tabler/icons-react';
import { showExpression, type Rule, type State } from '@hum-lever/core';
import { edit, useDocument } from '../../client/index.ts';
import { Choice, DurationField, TextField, usePlace } from '../../shared/index.ts';
import { ActionList } from './ActionLine.tsx';
import { targetChoices, triggerChoices, triggerOf, triggerValue, typedGuard } from './sentences.ts';
import classes from './Flow.module.css';

/** A rule as a sentence: when, if, then, and where to. */
export function RuleLine({
  state,
  rule,
  number,
  fired,
}: {
  state: State;
  rule: Rule;
  number: number;
  fired: boolean;
}) {
  const gadget = useDocument();
  const { variables } = gadget.flow;
  const { id, className } = usePlace(rule.id);
  const change = (patch: Partial<Omit<Rule, 'id'>>) => edit({ name: 'changeRule', args: [rule.id, patch] });
  const guard = (typed: string) => {
    const read = typedGuard(typed, variables);
    return 'ok' in read ? change({ guard: read.ok }) : read.refused;
  };
  return (
    <li
      id={id}
      className={`${classes.rule} ${className ?? ''}`}
      data-fired={fired || undefined}
      aria-label={`Rule ${number}`}
    >
      <span className={`number ${classes.ruleNumber}`} title={fired ? 'The last rule that fired' : undefined}>
        {number}
      </span>
      <div className={classes.sentence}>
        <div className={classes.clause}>
          When
          <Choice
            label="When"
            data={triggerChoices(gadget, rule.trigger)}
            value={triggerValue(rule.trigger)}
            choose={(chosen) => change({ trigger: triggerOf(chosen) })}
          />
          {rule.trigger.kind === 'after' && (
            <DurationField
              label=""
              aria-label="Time since entering"
              width={98}
              minUs={1_000}
              step={50}
              value={rule.trigger.delayUs}
              commit={(delayUs) => change({ trigger: { kind: 'after', delayUs } })}
            />
          )}
          if
          <TextField
            size="xs"
            className={classes.guard!}
            classNames={{ input: 'number' }}
            aria-label="Only if"
            placeholder="always"
            value={rule.guard === null ? '' : showExpression(rule.guard, variables)}
            commit={guard}
          />
          <Choice
            label="Then"
            data={targetChoices(gadget, state.id)}
            value={rule.targetId ?? ''}
            choose={(chosen) => change({ targetId: chosen || null })}
          />
        </div>
        <ActionList
          label={`Rule ${number} of ${state.name}`}
          actions={rule.actions}
          put={(actions) => change({ actions })}
        />
      </div>
      <Menu position="bottom-end">
        <Menu.Target>
          <ActionIcon variant="subtle" size="sm" aria-label={`More for rule ${number} of ${state.name}`}>
            <IconDots size={16} />
          </ActionIcon>
        </Menu.Target>
        <Menu.Dropdown>
          <Menu.Item disabled={number === 1} onClick={() => edit({ name: 'moveRule', args: [rule.id, -1] })}>
            Ask it earlier
          </Menu.Item>
          <Menu.Item
            disabled={number === state.rules.length}
            onClick={() => edit({ name: 'moveRule', args: [rule.id, 1] })}
          >
            Ask it later
          </Menu.Item>
          <Menu.Item onClick={() => edit({ name: 'removeRule', args: [rule.id] })}>Remove</Menu.Item>
        </Menu.Dropdown>
      </Menu>
    </li>
  );
}

import { ActionIcon, Menu } from '@mantine/core';
import { IconDots, IconKeyboard } from '@tabler/icons-react';
import { areInside, showExpression, type Rule, type State } from '@hum-lever/core';
import { memo, Suspense, useRef, useState } from 'react';
import { edit, useDocument } from '../../client/index.ts';
import {
  Choice,
  CompletingField,
  typedGuard,
  useAsProse,
  useNear,
  usePlace,
  onDemand,
  Prose,
} from '../../shared/index.ts';
import { ActionList } from './ActionLine.tsx';
import { useFiredLast } from './lastRule.ts';
import { TargetSlot } from './TargetSlot.tsx';
import { saysWhen, TriggerSlots } from './TriggerSlots.tsx';
import classes from './Flow.module.css';

const TypedRule = onDemand(() => import('./TypedRule.tsx'));
const WhyNot = onDemand(() => import('./WhyNot.tsx'));

interface RuleProps {
  state: State;
  rule: Rule;
  number: number;
}

/** A rule as a sentence: when, if, then, and where to. */
export const RuleLine = memo(function RuleLine({
  everywhere,
  ...given
}: RuleProps & {
  /** Drawn also where it is not seen: there are few. */
  everywhere: boolean;
}) {
  const { rule, number } = given;
  const line = useRef<HTMLLIElement>(null);
  const near = useNear(line, everywhere);
  const fired = useFiredLast(rule.id);
  const { id, className } = usePlace(rule.id);
  return (
    <li
      ref={line}
      id={id}
      className={`${classes.rule} ${className ?? ''}`}
      data-fired={fired || undefined}
      aria-label={`Rule ${number}`}
    >
      <span className={`number ${classes.ruleNumber}`} title={fired ? 'The last rule that fired' : undefined}>
        {number}
      </span>
      {near ? <Inside {...given} /> : <div className={classes.sentence} />}
    </li>
  );
});

/** What does not change while the gadget plays. */
const Inside = memo(function Inside({ state, rule, number }: RuleProps) {
  const keyboard = useRef<HTMLButtonElement>(null);
  const [typing, setTyping] = useState(false);
  const [asking, setAsking] = useState(false);
  const lasting = useDocument().flow.marks.some(({ placeId }) => placeId === rule.id);
  const change = (patch: Partial<Omit<Rule, 'id'>>) => edit({ name: 'changeRule', args: [rule.id, patch] });
  const leave = (rejected: boolean) => {
    setTyping(false);
    // A rule that was begun by typing, and never got anywhere, does not stay as one that says nothing.
    const says = rule.guard !== null || rule.actions.length > 0 || rule.targetIds.length > 0;
    if (rejected && !says) edit({ name: 'removeRule', args: [rule.id] });
    else keyboard.current?.focus();
  };
  return (
    <>
      <div className={classes.sentence}>
        {lasting && <span className={classes.also}>for good: </span>}
        <Suspense fallback={null}>
          {typing ? (
            <TypedRule rule={rule} put={change} leave={leave} />
          ) : (
            <Sentence state={state} rule={rule} number={number} change={change} />
          )}
          {asking && <WhyNot ruleId={rule.id} close={() => setAsking(false)} />}
        </Suspense>
      </div>
      <span className={classes.ruleTools}>
        <ActionIcon
          variant="subtle"
          size="sm"
          aria-label={`Rule ${number} of ${state.name} as text`}
          ref={keyboard}
          aria-pressed={typing}
          onClick={() => setTyping(!typing)}
        >
          <IconKeyboard size={16} />
        </ActionIcon>
        <Menu position="bottom-end">
          <Menu.Target>
            <ActionIcon variant="subtle" size="sm" aria-label={`More for rule ${number} of ${state.name}`}>
              <IconDots size={16} />
            </ActionIcon>
          </Menu.Target>
          <Menu.Dropdown>
            <Menu.Item
              disabled={number === 1}
              onClick={() => edit({ name: 'moveRule', args: [rule.id, -1] })}
            >
              Ask it earlier
            </Menu.Item>
            <Menu.Item
              disabled={number === state.rules.length}
              onClick={() => edit({ name: 'moveRule', args: [rule.id, 1] })}
            >
              Ask it later
            </Menu.Item>
            <Menu.Item onClick={() => setAsking(true)}>Why does it not fire?</Menu.Item>
            <Menu.Item onClick={() => edit({ name: 'setMark', args: [rule.id, 'lasting', !lasting] })}>
              {lasting ? 'What it does can be undone' : 'What it does is for good, and cannot be undone'}
            </Menu.Item>
            <Menu.Item onClick={() => edit({ name: 'removeRule', args: [rule.id] })}>Remove</Menu.Item>
          </Menu.Dropdown>
        </Menu>
      </span>
    </>
  );
});

function Sentence({
  state,
  rule,
  number,
  change,
}: RuleProps & { change: (patch: Partial<Omit<Rule, 'id'>>) => string | null }) {
  return (
    <div className={classes.running}>
      <Prose id={rule.id}>
        <Head state={state} rule={rule} change={change} />
      </Prose>
      <ActionList
        label={`Rule ${number} of ${state.name}`}
        actions={rule.actions}
        put={(actions) => change({ actions })}
      />
    </div>
  );
}

/** When, if, and where to: read, only what is said. */
function Head({
  state,
  rule,
  change,
}: Omit<RuleProps, 'number'> & { change: (patch: Partial<Omit<Rule, 'id'>>) => string | null }) {
  const gadget = useDocument();
  const read = useAsProse();
  const guard = (typed: string) => {
    const given = typedGuard(typed, gadget);
    return 'ok' in given ? change({ guard: given.ok }) : given.refused;
  };
  const [first, ...others] = rule.targetIds;
  const inward = rule.targetIds.length > 0 && areInside(gadget, rule.targetIds, state.id);
  const leads = first !== undefined || rule.actions.length === 0;
  return (
    <>
      {!(read && saysWhen.has(rule.trigger.kind)) && 'When'}
      <TriggerSlots trigger={rule.trigger} put={(trigger) => change({ trigger })} />
      {(!read || rule.guard !== null) && (
        <>
          if
          <CompletingField
            className={classes.guard!}
            aria-label="Only if"
            language="expression"
            gadget={gadget}
            placeholder="always"
            value={rule.guard === null ? '' : showExpression(rule.guard, gadget)}
            commit={guard}
          />
        </>
      )}
      {read && <span className={classes.colon}>{': '}</span>}
      {(!read || leads) && <TargetSlot state={state} rule={rule} />}
      {others.length > 0 && (
        <span className={classes.also}>
          and to {others.map((id) => gadget.flow.states.find((one) => one.id === id)?.name).join(', ')}
        </span>
      )}
      {inward && (
        <Choice
          label="Whether it leaves this state"
          data={[
            { value: 'out', label: `leaving ${state.name} first` },
            { value: 'in', label: `staying in ${state.name}` },
          ]}
          value={rule.internal ? 'in' : 'out'}
          choose={(chosen) => change({ internal: chosen === 'in' })}
        />
      )}
      {read && leads && rule.actions.length > 0 && <span className={classes.colon}>{'; '}</span>}
    </>
  );
}

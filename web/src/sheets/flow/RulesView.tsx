import { TextInput } from '@mantine/core';
import { isHistory, nestingOf } from '@hum-lever/core';
import { lazy, Suspense, useMemo, useState } from 'react';
import { useDocument } from '../../client/index.ts';
import { useCopied } from './clipboard.ts';
import { useActive, useLastRule } from './lastRule.ts';
import { Outline } from './Outline.tsx';
import { Panels } from './Panels.tsx';
import { StateCard } from './StateCard.tsx';
import classes from './Flow.module.css';

const PasteButton = lazy(() => import('./PasteButton.tsx'));

/** From so many states on, a filter helps more than it takes room. */
const manyStates = 8;
/** From so many states or rules on, only what is seen is drawn: each is a sentence of open slots. */
const mostDrawn = { states: 40, rules: 120 };
/** States as an outline and as cards, with their rules as sentences. */
export function RulesView() {
  const { flow } = useDocument();
  const active = useActive();
  const lastRuleId = useLastRule();
  const copied = useCopied((state) => state.text);
  const [filter, setFilter] = useState('');
  const nesting = useMemo(() => nestingOf(flow), [flow]);
  const everywhere =
    flow.states.length <= mostDrawn.states &&
    flow.states.reduce((sum, { rules }) => sum + rules.length, 0) <= mostDrawn.rules;
  const wanted = filter.toLowerCase();
  const shown = ({ name }: { name: string }) => name.toLowerCase().includes(wanted);
  return (
    <>
      <Panels />
      <div className={classes.withOutline}>
        <div className={classes.side}>
          {flow.states.length > manyStates && (
            <TextInput
              size="xs"
              mb={6}
              aria-label="Filter states by name"
              placeholder="Filter by name"
              value={filter}
              onChange={(event) => setFilter(event.currentTarget.value)}
            />
          )}
          <Outline activeIds={active} shown={shown} />
          {copied !== null && (
            <Suspense fallback={null}>
              <PasteButton copied={copied} />
            </Suspense>
          )}
        </div>
        <ol className={classes.states}>
          {nesting.ordered.filter(shown).map((state) => {
            const home = isHistory(state) ? state.parentId : state.id;
            return (
              <StateCard
                key={state.id}
                state={state}
                around={nesting
                  .ancestorsOf(state.id)
                  .map(({ name }) => name)
                  .reverse()
                  .join(' / ')}
                inner={nesting.childrenOf(home).filter((one) => !isHistory(one))}
                current={active.includes(state.id)}
                everywhere={everywhere}
                lastRuleId={state.rules.some(({ id }) => id === lastRuleId) ? lastRuleId : null}
              />
            );
          })}
        </ol>
      </div>
    </>
  );
}

import { TextInput } from '@mantine/core';
import { isHistory, nestingOf } from '@hum-lever/core';
import { useMemo, useState } from 'react';
import { useDocument } from '../../client/index.ts';
import { Inside } from './Inside.tsx';
import { useActive, useLastRule } from './lastRule.ts';
import { Layers } from './Layers.tsx';
import { Outline } from './Outline.tsx';
import { PasteButton } from './PasteButton.tsx';
import { StateCard } from './StateCard.tsx';
import { Variables } from './Variables.tsx';
import classes from './Flow.module.css';

/** From so many states on, a filter helps more than it takes room. */
const manyStates = 8;
/** States as an outline and as cards, with their rules as sentences. */
export function RulesView() {
  const { flow } = useDocument();
  const active = useActive();
  const lastRuleId = useLastRule();
  const [filter, setFilter] = useState('');
  const nesting = useMemo(() => nestingOf(flow), [flow]);
  const wanted = filter.toLowerCase();
  const shown = ({ name }: { name: string }) => name.toLowerCase().includes(wanted);
  return (
    <>
      <div className={classes.panels}>
        <Variables />
        <Inside />
        <Layers />
      </div>
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
          <PasteButton />
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
                lastRuleId={state.rules.some(({ id }) => id === lastRuleId) ? lastRuleId : null}
              />
            );
          })}
        </ol>
      </div>
    </>
  );
}

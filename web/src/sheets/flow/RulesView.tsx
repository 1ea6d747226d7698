import { TextInput } from '@mantine/core';
import { isHistory, nestingOf } from '@hum-lever/core';
import { Suspense, useMemo, useState } from 'react';
import { useDocument } from '../../client/index.ts';
import { useCopied } from './clipboard.ts';
import { Outline } from './Outline.tsx';
import { Panels } from './Panels.tsx';
import { StateCard } from './StateCard.tsx';
import classes from './Flow.module.css';
import { onDemand } from '../../shared/index.ts';

const PasteButton = onDemand(() => import('./PasteButton.tsx'));

/** From so many states on, a filter helps more than it takes room. */
const manyStates = 8;
/** From so many states or rules on, only what is seen is drawn: each is a sentence of open slots. */
const mostDrawn = { states: 40, rules: 120 };
/** States as an outline and as cards, with their rules as sentences. */
export function RulesView() {
  const { flow } = useDocument();
  const copied = useCopied((state) => state.text);
  const [filter, setFilter] = useState('');
  // What a card is given stays the same object while the gadget plays: only an edit draws a card anew.
  const cards = useMemo(() => {
    const nesting = nestingOf(flow);
    return nesting.ordered.map((state) => {
      const around = nesting.ancestorsOf(state.id).map(({ name }) => name);
      const home = isHistory(state) ? state.parentId : state.id;
      const inner = nesting.childrenOf(home).filter((one) => !isHistory(one));
      return { state, around: around.reverse().join(' / '), inner };
    });
  }, [flow]);
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
          <Outline shown={shown} />
          {copied !== null && (
            <Suspense fallback={null}>
              <PasteButton copied={copied} />
            </Suspense>
          )}
        </div>
        <ol className={classes.states}>
          {cards
            .filter(({ state }) => shown(state))
            .map((card) => (
              <StateCard key={card.state.id} {...card} everywhere={everywhere} />
            ))}
        </ol>
      </div>
    </>
  );
}

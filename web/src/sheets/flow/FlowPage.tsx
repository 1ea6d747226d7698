import { Button, TextInput } from '@mantine/core';
import { useMemo, useState } from 'react';
import { edit, useDocument } from '../../client/index.ts';
import { FirstStep, SheetFrame } from '../../shared/index.ts';
import { traceNow, usePlayer } from '../../workers/index.ts';
import { StateCard } from './StateCard.tsx';
import { StateIndex } from './StateIndex.tsx';
import { Variables } from './Variables.tsx';
import classes from './Flow.module.css';

/** From so many states on, a filter helps more than it takes room. */
const manyStates = 8;

/** The last rule that fired, up to the moment that is looked at. */
function useLastRule(): string | null {
  const version = usePlayer((state) => state.traceVersion);
  const pastUs = usePlayer((state) => state.pastUs);
  return useMemo(() => {
    const fired = traceNow().findLast(
      (entry) => entry.lane === 'rule' && (pastUs === null || entry.at <= pastUs),
    );
    return fired?.lane === 'rule' ? fired.id : null;
  }, [version, pastUs]); // eslint-disable-line react-hooks/exhaustive-deps -- the trace grows in place; its version says when
}

/** What the gadget does: states, and rules as sentences. */
export function FlowPage() {
  const { flow } = useDocument();
  const stateId = usePlayer((state) => state.shown?.stateId ?? null);
  const lastRuleId = useLastRule();
  const [filter, setFilter] = useState('');
  const addState = () => edit({ name: 'addState', args: [`State ${flow.states.length + 1}`] });
  const add = <Button onClick={addState}>Add a state</Button>;
  const shown = flow.states.filter(({ name }) => name.toLowerCase().includes(filter.toLowerCase()));
  return (
    <SheetFrame
      title="Flow"
      about="What it does: in each state, the first rule that fits answers."
      tools={flow.states.length > 0 && add}
    >
      {flow.states.length === 0 ? (
        <FirstStep action={add}>
          A state is how the gadget is at the moment: ready, running, over. Add one, say what happens on
          entering it, then add rules for what leads on.
        </FirstStep>
      ) : (
        <>
          <StateIndex currentId={stateId} />
          <Variables />
          {flow.states.length > manyStates && (
            <TextInput
              mb="sm"
              size="sm"
              aria-label="Filter states by name"
              placeholder="Filter states by name"
              value={filter}
              onChange={(event) => setFilter(event.currentTarget.value)}
            />
          )}
          <ol className={classes.states}>
            {shown.map((state) => (
              <StateCard
                key={state.id}
                state={state}
                index={flow.states.indexOf(state)}
                current={state.id === stateId}
                lastRuleId={state.rules.some(({ id }) => id === lastRuleId) ? lastRuleId : null}
              />
            ))}
          </ol>
        </>
      )}
    </SheetFrame>
  );
}

import { SegmentedControl } from '@mantine/core';
import { Suspense } from 'react';
import { useSearchParams } from 'react-router';
import { useDocument } from '../../client/index.ts';
import { FirstStep, SheetFrame, onDemand } from '../../shared/index.ts';
import { AddState, FirstState } from './AddState.tsx';
import { Panels } from './Panels.tsx';
import { RulesView } from './RulesView.tsx';
import classes from './Flow.module.css';

const MapView = onDemand(() => import('./map/index.ts').then(({ MapView: view }) => ({ default: view })));
const GridView = onDemand(() => import('./grid/index.ts').then(({ GridView: view }) => ({ default: view })));

const AskView = onDemand(() => import('./ask/index.ts').then(({ AskView: view }) => ({ default: view })));
const PlayersView = onDemand(() =>
  import('./players/index.ts').then(({ PlayersView: view }) => ({ default: view })),
);
const CompareView = onDemand(() =>
  import('./compare/index.ts').then(({ CompareView: view }) => ({ default: view })),
);

const views = [
  { value: 'rules', label: 'Rules', about: 'In each state, the first rule that fits answers.' },
  { value: 'map', label: 'Map', about: 'Every state, and what leads from one to another.' },
  { value: 'grid', label: 'Grid', about: 'What each state makes of everything that can happen.' },
  { value: 'ask', label: 'Ask', about: 'What it can come to, and how.' },
  { value: 'players', label: 'Players', about: 'Many rounds, and how they end.' },
  { value: 'compare', label: 'Compare', about: 'What it does otherwise than an earlier revision.' },
] as const;

/** What the gadget does: states, and rules as sentences; the same as a map, and as a grid of what is answered. */
export function FlowPage() {
  const { flow } = useDocument();
  const [params, setParams] = useSearchParams();
  const { value: view, about } = views.find(({ value }) => value === params.get('view')) ?? views[0];
  const tools = (
    <>
      <SegmentedControl
        size="xs"
        aria-label="View"
        data={views.map(({ value, label }) => ({ value, label }))}
        value={view}
        onChange={(value) => setParams(value === 'rules' ? {} : { view: value }, { replace: true })}
      />
      <AddState shown={() => view !== 'rules' && setParams({}, { replace: true })} />
    </>
  );
  return (
    <SheetFrame title="Flow" about={about} tools={flow.states.length > 0 && tools}>
      {flow.states.length === 0 ? (
        <>
          <FirstStep action={<FirstState />}>
            A state is how the gadget is at the moment: ready, running, over. Add one, say what happens on
            entering it, then add rules for what leads on. Keys that always do the same need none: layers of
            keys say what each does.
          </FirstStep>
          <div className={classes.below}>
            <Panels />
          </div>
        </>
      ) : (
        <Suspense fallback={<p role="status">Drawing…</p>}>
          {view === 'rules' && <RulesView />}
          {view === 'map' && <MapView />}
          {view === 'grid' && <GridView />}
          {view === 'ask' && <AskView />}
          {view === 'players' && <PlayersView />}
          {view === 'compare' && <CompareView />}
        </Suspense>
      )}
    </SheetFrame>
  );
}

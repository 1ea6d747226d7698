import { Button, Progress } from '@mantine/core';
import type { Caveat, Gadget } from '@hum-lever/core';
import { useDocument } from '../../../client/index.ts';
import { count } from '../../../shared/index.ts';
import type { Explored } from '../../../workers/index.ts';
import { QuestionForm } from './QuestionForm.tsx';
import { TaskTable } from './TaskTable.tsx';
import { useExploring } from './useExploring.ts';
import classes from './Ask.module.css';
import '@mantine/core/styles/Progress.layer.css';

const caveatWords: Record<Caveat, string> = {
  chance: 'Of random numbers with many outcomes, both ends and some between were tried.',
  elapsed: 'Conditions on elapsed time were tried just after entering and long after.',
  kept: 'What is kept while it is off was taken as it is on the first day.',
  heard: 'Of the numbers that a message carries, one of each was tried.',
  knob: 'Dials were followed for a hundred steps either way.',
};

/** Everything that the gadget can come to, and questions about it. */
export function AskView() {
  const gadget = useDocument();
  const exploration = useExploring();
  const { explored, running, cancelled, failure, tasks, ask } = exploration;
  return (
    <>
      <div className={classes.walk}>
        <p role="status">
          {failure ?? (explored ? exploredWords(exploration) : 'Looking…')}
          {explored && coverageWords(explored.coverage)}
          {explored && !running && explored.caveats.map((caveat) => ` ${caveatWords[caveat]}`).join('')}
          {explored && !running && leftWords(gadget, explored.left)}
        </p>
        {running && (
          <div className={classes.bar}>
            <Progress
              value={
                explored ? (100 * (explored.states - explored.waiting)) / Math.max(1, explored.states) : 0
              }
              aria-label="States walked from, of those found so far"
              color="var(--stage-state)"
              className={classes.progress}
            />
            <Button size="compact-sm" variant="default" onClick={exploration.cancel}>
              Stop looking
            </Button>
          </div>
        )}
        {!running && explored?.cut && (
          <Button size="compact-sm" variant="default" onClick={exploration.more}>
            Look five times as far
          </Button>
        )}
      </div>
      <TaskTable tasks={tasks} />
      <QuestionForm
        ask={ask}
        tried={exploration.tried}
        stop={exploration.cancel}
        ready={!running && explored !== null}
        cut={cancelled || explored?.cut === true}
      />
      <p className={classes.how}>
        Every press, turn and timer is tried in every order, and chance with every outcome. Times are left
        out: a timer that runs may come next, or not. What is found is then played at real times.
      </p>
    </>
  );
}

/** Variables that need not be told apart; asking about one of them follows it. */
function leftWords({ flow }: Gadget, left: readonly string[]): string {
  const names = flow.variables.filter(({ id }) => left.includes(id)).map(({ name }) => name);
  return names.length === 0 ? '' : ` Nothing depends on ${names.join(', ')}: followed only when asked for.`;
}

/** How much of the flow came to pass on the way. */
function coverageWords({ states, rules }: Explored['coverage']): string {
  const part = ([some, all]: [number, number], word: string) =>
    some === all ? `all ${count(all, word)}` : `${some} of ${count(all, word)}`;
  return ` Entered: ${part(states, 'innermost state')}; fired: ${part(rules, 'rule')}.`;
}

function exploredWords({ explored, running, cancelled }: ReturnType<typeof useExploring>): string {
  const { states, complete } = explored!;
  const shown = count(states, 'state').replace(/^\d+/, (digits) => Number(digits).toLocaleString('en'));
  if (running) return `${shown} so far…`;
  if (complete) return `All ${shown} were looked at.`;
  return cancelled
    ? `Stopped after ${shown}; more exist.`
    : `The first ${shown} were looked at; more exist. A state here is where it stands together with every value and running timer.`;
}

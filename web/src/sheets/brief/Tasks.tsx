import '@mantine/core/styles/Chip.layer.css';
import { ActionIcon, Button, Chip, Group } from '@mantine/core';
import { IconArrowDown, IconArrowUp, IconTrash } from '@tabler/icons-react';
import {
  circumstances,
  readExpression,
  showExpression,
  type Circumstance,
  type Task,
  type TaskVerdict,
} from '@hum-lever/core';
import { useCallback } from 'react';
import { edit, useDocument } from '../../client/index.ts';
import {
  Choice,
  count,
  FirstStep,
  NumberField,
  showDuration,
  TextField,
  usePlace,
} from '../../shared/index.ts';
import { lab, useAnswer } from '../../workers/index.ts';
import classes from './Brief.module.css';

const freshTask: Omit<Task, 'id'> = {
  name: 'A new task',
  startStateId: null,
  goalStateId: null,
  doneWhen: null,
  budgetPresses: null,
  budgetUs: null,
  circumstances: [],
};

const circumstanceWords: Record<Circumstance, string> = {
  dark: 'in the dark',
  'one-hand': 'with one hand',
  gloves: 'in gloves',
  standing: 'standing',
  'first-time': 'for the first time',
};

/** What a user wants done, from where, within how many presses and seconds. */
export function Tasks() {
  const gadget = useDocument();
  const { brief } = gadget;
  const ask = useCallback(() => lab().taskVerdicts(gadget), [gadget]);
  const verdicts = useAnswer(ask, false);
  const addTask = () => edit({ name: 'addTask', args: [freshTask] });
  const add = (variant: 'filled' | 'default') => (
    <Button variant={variant} onClick={addTask}>
      Add a task
    </Button>
  );
  if (brief.tasks.length === 0)
    return (
      <FirstStep action={add('filled')}>
        A task is something a user wants done: where they start, where they have got there, and how many
        presses and seconds it may take. Later work is measured against these.
      </FirstStep>
    );
  return (
    <>
      <ol className={classes.tasks}>
        {brief.tasks.map((task, index) => (
          <TaskCard
            key={task.id}
            task={task}
            verdict={verdicts?.find(({ taskId }) => taskId === task.id)}
            first={index === 0}
            last={index === brief.tasks.length - 1}
          />
        ))}
      </ol>
      {add('default')}
    </>
  );
}

function TaskCard({
  task,
  verdict,
  first,
  last,
}: {
  task: Task;
  verdict: TaskVerdict | undefined;
  first: boolean;
  last: boolean;
}) {
  const place = usePlace(task.id);
  const gadget = useDocument();
  const { states, variables } = gadget.flow;
  const change = (patch: Partial<Omit<Task, 'id'>>) => edit({ name: 'changeTask', args: [task.id, patch] });
  const move = (by: number) => edit({ name: 'moveTask', args: [task.id, by] });
  const options = (none: string) => [
    { value: '', label: none },
    ...states.map(({ id, name }) => ({ value: id, label: name })),
  ];
  const setCondition = (typed: string): string | null => {
    if (typed.trim() === '') return change({ doneWhen: null });
    try {
      return change({ doneWhen: readExpression(typed.trim(), gadget) });
    } catch (error) {
      return (error as Error).message;
    }
  };
  return (
    <li id={place.id} className={`card ${classes.task} ${place.className ?? ''}`}>
      <div className={classes.line}>
        <TextField
          className={classes.name!}
          aria-label="Task"
          value={task.name}
          commit={(name) => change({ name: name.trim() })}
        />
        <span className={classes.tools}>
          <ActionIcon
            variant="subtle"
            aria-label={`Move ${task.name} up`}
            disabled={first}
            onClick={() => move(-1)}
          >
            <IconArrowUp size={18} stroke={1.7} />
          </ActionIcon>
          <ActionIcon
            variant="subtle"
            aria-label={`Move ${task.name} down`}
            disabled={last}
            onClick={() => move(1)}
          >
            <IconArrowDown size={18} stroke={1.7} />
          </ActionIcon>
          <ActionIcon
            variant="subtle"
            aria-label={`Remove ${task.name}`}
            onClick={() => edit({ name: 'removeTask', args: [task.id] })}
          >
            <IconTrash size={18} stroke={1.7} />
          </ActionIcon>
        </span>
      </div>
      <div className={classes.line}>
        <Choice
          visible
          label="Starts in"
          data={options('anywhere')}
          value={task.startStateId ?? ''}
          choose={(chosen) => change({ startStateId: chosen || null })}
        />
        <Choice
          visible
          label="Done when in"
          data={options('not said yet')}
          value={task.goalStateId ?? ''}
          choose={(chosen) => change({ goalStateId: chosen || null })}
        />
        <TextField
          size="xs"
          w={170}
          label="and where"
          placeholder={variables[0] ? `${variables[0].name} > 0` : 'a condition'}
          value={task.doneWhen === null ? '' : showExpression(task.doneWhen, gadget)}
          commit={setCondition}
        />
        <NumberField
          label="At most presses"
          width={110}
          min={0}
          max={1000}
          value={task.budgetPresses ?? 0}
          commit={(presses) => change({ budgetPresses: presses === 0 ? null : presses })}
        />
        <NumberField
          label="At most seconds"
          width={110}
          min={0}
          max={3600}
          decimals={1}
          value={(task.budgetUs ?? 0) / 1_000_000}
          commit={(seconds) => change({ budgetUs: seconds === 0 ? null : Math.round(seconds * 1_000_000) })}
        />
      </div>
      {verdict && (task.goalStateId !== null || task.doneWhen !== null) && (
        <p className={classes.verdict} role="status" data-over={isOver(verdict) || undefined}>
          {verdictWords(task, verdict)}
        </p>
      )}
      <Chip.Group
        multiple
        value={task.circumstances}
        onChange={(chosen) =>
          change({ circumstances: circumstances.filter((circumstance) => chosen.includes(circumstance)) })
        }
      >
        <Group gap={6} role="group" aria-label={`Circumstances of ${task.name}`}>
          {circumstances.map((circumstance) => (
            <Chip key={circumstance} size="xs" value={circumstance} variant="outline">
              {circumstanceWords[circumstance]}
            </Chip>
          ))}
        </Group>
      </Chip.Group>
    </li>
  );
}

const isOver = ({ over }: TaskVerdict) => over !== null && (over.presses || over.time);

/** What the shortest ways come to, and whether that keeps the budget. */
function verdictWords({ budgetPresses, budgetUs }: Task, verdict: TaskVerdict): string {
  const { fewest, quickest, complete, over } = verdict;
  if (!fewest || !quickest)
    return complete
      ? 'As the flow is now, there is no way to get there.'
      : 'No way there was found, as far as was looked.';
  const way = ({ presses, timeUs }: typeof fewest) =>
    `${count(presses, 'press', 'presses')} in ${showDuration(timeUs)}`;
  const one = fewest.timeUs === quickest.timeUs;
  const ways = one
    ? `At best ${way(fewest)}`
    : `Fewest presses: ${way(fewest)}. Least time: ${way(quickest)}`;
  const far = complete ? '' : ', as far as was looked';
  if (!over) return `${ways}${far}.`;
  const broken = [
    ...(over.presses ? [`over the budget of ${count(budgetPresses!, 'press', 'presses')}`] : []),
    ...(over.time ? [`over the budget of ${showDuration(budgetUs!)}`] : []),
  ];
  if (broken.length > 0) return `${ways}${far}: ${broken.join(' and ')}.`;
  const both = [fewest, quickest].some(
    ({ presses, timeUs }) =>
      (budgetPresses === null || presses <= budgetPresses) && (budgetUs === null || timeUs <= budgetUs),
  );
  return both ? `${ways}: within the budget.` : `${ways}: neither keeps both budgets.`;
}

import { ActionIcon, Button } from '@mantine/core';
import { IconTrash } from '@tabler/icons-react';
import type { Task } from '@hum-lever/core';
import { edit, useDocument } from '../../client/index.ts';
import { Choice, FirstStep, NumberField, ProseField, SheetFrame, TextField } from '../../shared/index.ts';
import classes from './Brief.module.css';

const freshTask: Omit<Task, 'id'> = {
  name: 'A new task',
  startStateId: null,
  goalStateId: null,
  budgetPresses: null,
  budgetUs: null,
};

/** What it is for, and what a user must be able to do with it. */
export function BriefPage() {
  const { brief } = useDocument();
  const addTask = () => edit({ name: 'addTask', args: [freshTask] });
  return (
    <SheetFrame title="Brief" about="What the gadget is for, and what its user must be able to do.">
      <ProseField
        label="Purpose"
        description="In your own words: who uses it, where, and what for."
        value={brief.purpose}
        commit={(purpose) => edit({ name: 'setPurpose', args: [purpose] })}
      />
      <h2 className={classes.heading}>User tasks</h2>
      {brief.tasks.length === 0 ? (
        <FirstStep action={<Button onClick={addTask}>Add a task</Button>}>
          A task is something a user wants done: where they start, where they have got there, and how many
          presses and seconds it may take. Later work is measured against these.
        </FirstStep>
      ) : (
        <>
          <ol className={classes.tasks}>
            {brief.tasks.map((task) => (
              <TaskCard key={task.id} task={task} />
            ))}
          </ol>
          <Button variant="default" onClick={addTask}>
            Add a task
          </Button>
        </>
      )}
    </SheetFrame>
  );
}

function TaskCard({ task }: { task: Task }) {
  const { states } = useDocument().flow;
  const change = (patch: Partial<Omit<Task, 'id'>>) => edit({ name: 'changeTask', args: [task.id, patch] });
  const options = (none: string) => [
    { value: '', label: none },
    ...states.map(({ id, name }) => ({ value: id, label: name })),
  ];
  return (
    <li className={`card ${classes.task}`}>
      <div className={classes.line}>
        <TextField
          className={classes.name!}
          aria-label="Task"
          value={task.name}
          commit={(name) => change({ name: name.trim() })}
        />
        <ActionIcon
          variant="subtle"
          aria-label={`Remove ${task.name}`}
          onClick={() => edit({ name: 'removeTask', args: [task.id] })}
        >
          <IconTrash size={18} stroke={1.7} />
        </ActionIcon>
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
        <NumberField
          label="At most presses"
          width={120}
          min={0}
          max={1000}
          value={task.budgetPresses ?? 0}
          commit={(presses) => change({ budgetPresses: presses === 0 ? null : presses })}
        />
        <NumberField
          label="At most seconds"
          width={120}
          min={0}
          max={3600}
          decimals={1}
          value={(task.budgetUs ?? 0) / 1_000_000}
          commit={(seconds) => change({ budgetUs: seconds === 0 ? null : Math.round(seconds * 1_000_000) })}
        />
      </div>
    </li>
  );
}

import { ActionIcon, Table, VisuallyHidden } from '@mantine/core';
import { IconPlayerPlay } from '@tabler/icons-react';
import type { Task } from '@hum-lever/core';
import { useDocument } from '../../../client/index.ts';
import { showDuration } from '../../../shared/index.ts';
import { KeepWay } from '../../../keeping/index.ts';
import { player, type ToldTask, type ToldWay } from '../../../workers/index.ts';
import { wayWords } from './stepWords.ts';
import classes from './Ask.module.css';

/** The tasks of the brief with their shortest ways, against their budgets. */
export function TaskTable({ tasks }: { tasks: ToldTask[] | null }) {
  const gadget = useDocument();
  const asked = gadget.brief.tasks;
  if (asked.length === 0) return null;
  return (
    <section className={`card ${classes.card}`} aria-label="Tasks of the brief">
      <h2>Shortest ways for the tasks of the brief</h2>
      <Table verticalSpacing={4}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th>Task</Table.Th>
            <Table.Th>Way</Table.Th>
            <Table.Th className="right">Presses</Table.Th>
            <Table.Th className="right">Time</Table.Th>
            <Table.Th>
              <VisuallyHidden>Play and keep</VisuallyHidden>
            </Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {asked.map((task) => (
            <Rows key={task.id} task={task} found={tasks?.find(({ taskId }) => taskId === task.id)} />
          ))}
        </Table.Tbody>
      </Table>
      <p className={classes.how}>
        Times by the keystroke-level method: 0.28 s a press, 0.15 s a step, 1.35 s to think before each new
        decision, holds and waits as they are.
      </p>
    </section>
  );
}

/** One way, or two where the one with the fewest presses is not the quickest. */
function Rows({ task, found }: { task: Task; found: ToldTask | undefined }) {
  const { fewest, quickest } = found ?? { fewest: null, quickest: null };
  if (!found || !fewest || !quickest)
    return (
      <Table.Tr>
        <Table.Td>{task.name}</Table.Td>
        <Table.Td colSpan={4}>{!found ? '…' : noWayWords(found, task)}</Table.Td>
      </Table.Tr>
    );
  const one = fewest.presses === quickest.presses && fewest.timeUs === quickest.timeUs;
  return (
    <>
      <Row task={task} way={fewest} head={task.name} what={one ? null : 'fewest presses'} />
      {!one && <Row task={task} way={quickest} head={null} what="least time" />}
    </>
  );
}

function noWayWords({ complete }: ToldTask, { goalStateId, doneWhen }: Task): string {
  if (goalStateId === null && doneWhen === null) return 'It is not said yet when it is done.';
  return complete ? 'There is no way.' : 'No way was found, as far as was looked.';
}

function Row({
  task,
  way,
  head,
  what,
}: {
  task: Task;
  way: ToldWay;
  head: string | null;
  what: string | null;
}) {
  const gadget = useDocument();
  const { budgetPresses, budgetUs, goalStateId, doneWhen } = task;
  const wanted = [
    ...(goalStateId === null ? [] : [`in(${goalStateId})`]),
    ...(doneWhen === null ? [] : [`(${doneWhen})`]),
  ].join(' && ');
  const over = (is: number, budget: number | null) => (budget !== null && is > budget) || undefined;
  return (
    <Table.Tr>
      <Table.Td>{head}</Table.Td>
      <Table.Td>
        {what !== null && <strong>{what}: </strong>}
        {way.steps.length === 0 ? 'it is so already' : wayWords(gadget, way.steps)}
        {way.waits && <span className="soft"> (part of it is waiting)</span>}
      </Table.Td>
      <Table.Td className="right number" data-over={over(way.presses, budgetPresses)}>
        {way.presses}
        {budgetPresses !== null && ` of ${budgetPresses}`}
      </Table.Td>
      <Table.Td className="right number" data-over={over(way.timeUs, budgetUs)}>
        {showDuration(way.timeUs)}
        {budgetUs !== null && ` of ${showDuration(budgetUs)}`}
      </Table.Td>
      <Table.Td>
        {way.script && (
          <span className={classes.tools}>
            <ActionIcon
              variant="subtle"
              aria-label={`Play ${what === null ? 'the way' : `the way with ${what}`}: ${task.name}`}
              onClick={() => player.watch(gadget, way.script!)}
            >
              <IconPlayerPlay size={16} />
            </ActionIcon>
            <KeepWay
              way={way.script}
              name={what === null ? task.name : `${task.name}: ${what}`}
              expected={[{ kind: 'condition', text: wanted, is: true }]}
            />
          </span>
        )}
      </Table.Td>
    </Table.Tr>
  );
}

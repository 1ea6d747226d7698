import { ActionIcon, Table, VisuallyHidden } from '@mantine/core';
import { IconPlayerPlay } from '@tabler/icons-react';
import type { Task } from '@hum-lever/core';
import { useDocument } from '../../../client/index.ts';
import { showDuration } from '../../../shared/index.ts';
import { player, type ToldTask, type ToldWay } from '../../../workers/index.ts';
import { stepWords } from './stepWords.ts';
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
            <Table.Th className="right">Fewest presses</Table.Th>
            <Table.Th className="right">Least time</Table.Th>
            <Table.Th>The quickest way</Table.Th>
            <Table.Th>
              <VisuallyHidden>Play</VisuallyHidden>
            </Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {asked.map((task) => {
            const found = tasks?.find(({ taskId }) => taskId === task.id);
            return <Row key={task.id} task={task} found={found} />;
          })}
        </Table.Tbody>
      </Table>
      <p className={classes.how}>
        Times by the keystroke-level method: 0.28 s a press, 0.15 s a step, 1.35 s to think before each new
        decision, holds and waits as they are.
      </p>
    </section>
  );
}

function Row({ task, found }: { task: Task; found: ToldTask | undefined }) {
  const gadget = useDocument();
  const quickest = found?.quickest;
  return (
    <Table.Tr>
      <Table.Td>{task.name}</Table.Td>
      <Table.Td className="right number">{found ? pressWords(found, task) : '…'}</Table.Td>
      <Table.Td className="right number">{found ? timeWords(found, task) : '…'}</Table.Td>
      <Table.Td>{quickest ? quickest.steps.map((step) => stepWords(gadget, step)).join(', ') : ''}</Table.Td>
      <Table.Td>
        {quickest?.script && (
          <ActionIcon
            variant="subtle"
            aria-label={`Play the quickest way: ${task.name}`}
            onClick={() => player.watch(gadget, quickest.script!)}
          >
            <IconPlayerPlay size={16} />
          </ActionIcon>
        )}
      </Table.Td>
    </Table.Tr>
  );
}

const overBudget = (is: number, budget: number | null) =>
  budget !== null && is > budget ? ' – over budget' : '';
const none = ({ complete }: ToldTask) => (complete ? 'no way' : 'none found');

function pressWords(found: ToldTask, { budgetPresses }: Task): string {
  const way: ToldWay | null = found.fewest;
  if (!way) return none(found);
  const of = budgetPresses === null ? '' : ` of ${budgetPresses}`;
  return `${way.presses}${of}${overBudget(way.presses, budgetPresses)}`;
}

function timeWords(found: ToldTask, { budgetUs }: Task): string {
  const way: ToldWay | null = found.quickest;
  if (!way) return none(found);
  const of = budgetUs === null ? '' : ` of ${showDuration(budgetUs)}`;
  return `${showDuration(way.timeUs)}${of}${overBudget(way.timeUs, budgetUs)}`;
}

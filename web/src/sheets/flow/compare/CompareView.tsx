import { Table, VisuallyHidden } from '@mantine/core';
import { compareFlows, readGadget, type FlowChange, type Gadget } from '@hum-lever/core';
import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { api, useDocument, useRevisions } from '../../../client/index.ts';
import { Choice, count, showDate, showDuration } from '../../../shared/index.ts';
import { useWays, type Ways } from './useWays.ts';
import classes from './Compare.module.css';

/** What another revision did otherwise: in the grid, in timers, and in the shortest ways for the tasks. */
export function CompareView() {
  const { gadgetId } = useParams();
  const { data: revisions } = useRevisions(gadgetId!);
  const [chosen, setChosen] = useState<number | null>(null);
  const others = revisions ?? [];
  const revision = chosen ?? others.at(-1)?.revision ?? null;
  const { data: other, error } = useQuery({
    queryKey: ['revision', gadgetId, revision],
    enabled: revision !== null,
    queryFn: async () => {
      const read = readGadget((await api.revision(gadgetId!, revision!)).document);
      if (read.outcome !== 'opened') throw new Error(read.message);
      return read.gadget;
    },
  });
  return (
    <>
      <div className={classes.line}>
        Against
        <Choice
          label="Revision to compare with"
          data={others.map(({ revision: number, name, savedAt }) => ({
            value: String(number),
            label: `${number}${name === null ? '' : `, ${name}`} (${showDate(savedAt)})`,
          }))}
          value={String(revision ?? '')}
          choose={(value) => setChosen(Number(value))}
        />
      </div>
      {error && <p role="alert">{error.message}</p>}
      {other && <Changes before={other} />}
    </>
  );
}

function Changes({ before }: { before: Gadget }) {
  const gadget = useDocument();
  const changes = useMemo(() => compareFlows(before, gadget), [before, gadget]);
  return (
    <>
      <section className="card" aria-label="What changed">
        <h2 className={classes.heading}>
          {changes.length === 0
            ? 'It does just what it did'
            : `${count(changes.length, 'difference')} in what it does`}
        </h2>
        {changes.length > 0 && (
          <Table className="stacks" verticalSpacing={4}>
            <Table.Thead>
              <Table.Tr>
                <Table.Th>State</Table.Th>
                <Table.Th>When</Table.Th>
                <Table.Th>Before</Table.Th>
                <Table.Th>Now</Table.Th>
              </Table.Tr>
            </Table.Thead>
            <Table.Tbody>
              {changes.map((change, at) => (
                <ChangeRow key={at} change={change} first={changes[at - 1]?.state !== change.state} />
              ))}
            </Table.Tbody>
          </Table>
        )}
      </section>
      <Tasks before={before} after={gadget} />
    </>
  );
}

/** @param first of its state: the others leave the name out, for the eye */
function ChangeRow({ change, first }: { change: FlowChange; first: boolean }) {
  const [when, was, is] = wordsOf(change);
  return (
    <Table.Tr>
      <Table.Td>
        {first ? <strong>{change.state}</strong> : <VisuallyHidden>{change.state}</VisuallyHidden>}
      </Table.Td>
      <Table.Td className={classes.when}>{when}</Table.Td>
      <Table.Td className="number" data-says="then">
        {was}
      </Table.Td>
      <Table.Td className="number" data-says="now">
        {is}
      </Table.Td>
    </Table.Tr>
  );
}

function wordsOf(change: FlowChange): [when: string, before: string, after: string] {
  switch (change.kind) {
    case 'added':
      return ['', 'not there', 'a new state'];
    case 'removed':
      return ['', 'a state', 'not there any more'];
    case 'cell':
      return [change.event, change.before || 'nothing', change.after || 'nothing'];
    case 'rule':
      return ['by itself', change.before || 'nothing', change.after || 'nothing'];
    case 'entry':
      return ['on entering', 'something else is done', ''];
    case 'exit':
      return ['on leaving', 'something else is done', ''];
  }
}

const shown = (ways: Ways | undefined, taskId: string): string => {
  const found = ways?.get(taskId);
  if (!found) return '…';
  const { fewest, quickest } = found;
  if (!fewest || !quickest) return found.complete ? 'no way' : 'none found';
  const words = ({ presses, timeUs }: typeof fewest) =>
    `${count(presses, 'press', 'presses')} in ${showDuration(timeUs)}`;
  return fewest.timeUs === quickest.timeUs ? words(fewest) : `${words(fewest)}, or ${words(quickest)}`;
};

function Tasks({ before, after }: { before: Gadget; after: Gadget }) {
  const [was, is] = useWays(before, after);
  const tasks = after.brief.tasks.filter(({ id }) => before.brief.tasks.some((task) => task.id === id));
  if (tasks.length === 0) return null;
  return (
    <section className="card" aria-label="Shortest ways before and now">
      <h2 className={classes.heading}>Shortest ways for the tasks</h2>
      <Table verticalSpacing={4}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th>Task</Table.Th>
            <Table.Th>Before</Table.Th>
            <Table.Th>Now</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {tasks.map(({ id, name }) => (
            <Table.Tr key={id}>
              <Table.Td>{name}</Table.Td>
              <Table.Td className="number">{shown(was, id)}</Table.Td>
              <Table.Td className="number">{shown(is, id)}</Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
    </section>
  );
}

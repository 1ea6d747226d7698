import { Button, Table, VisuallyHidden } from '@mantine/core';
import { boardChoices, boardOf, type BoardFault } from '@hum-lever/core';
import { Suspense, useCallback, useState } from 'react';
import { edit, useDocument } from '../../client/index.ts';
import { Choice, count, showBytes, showCurrent, showMoney, showVolts, onDemand } from '../../shared/index.ts';
import { clashWords } from '../../words/index.ts';
import { lab, useAnswer } from '../../workers/index.ts';
import classes from './Parts.module.css';

const BoardDialog = onDemand(() => import('./BoardDialog.tsx'));

const why = (fault: BoardFault): string => {
  switch (fault.kind) {
    case 'pins':
      if (fault.clashes.every(({ lockedMissing }) => lockedMissing))
        return fault.clashes.map(clashWords).join('; ');
      return `${fault.clashes.some(({ pins }) => pins.length > 0) ? 'not enough pins' : 'no pin'} for ${fault.clashes.slice(0, 3).map(clashWords).join('; ')}${fault.clashes.length > 3 ? ` and ${fault.clashes.length - 3} more` : ''}`;
    case 'rail':
      return `no rail of ${showVolts(fault.minMv)} to ${showVolts(fault.maxMv)} for ${fault.part}`;
    case 'current':
      return `draws ${showCurrent(fault.used)} typically, gives ${showCurrent(fault.of)}`;
    case 'ram':
    case 'flash':
      return `needs ${showBytes(fault.used)} of ${fault.kind === 'ram' ? 'memory' : 'program'}, has ${showBytes(fault.of)}`;
  }
};

/** The board that carries the parts, and the same parts on every other board. */
export function BoardSection() {
  const gadget = useDocument();
  const board = boardOf(gadget);
  const { boardId } = gadget.wiring;
  const [dialog, setDialog] = useState(false);
  const [comparing, setComparing] = useState(false);
  return (
    <section aria-label="Board">
      <h2 className={classes.heading}>Board</h2>
      <div className={classes.boardLine}>
        <Choice
          label="Board"
          data={[
            { value: '', label: 'not chosen yet' },
            ...boardChoices(gadget).map(({ id, name }) => ({ value: id, label: name })),
            ...(boardId !== null && !board ? [{ value: boardId, label: `not known here: ${boardId}` }] : []),
          ]}
          value={gadget.wiring.boardId ?? ''}
          choose={(id) => edit({ name: 'chooseBoard', args: [id === '' ? null : id] })}
        />
        <Button
          variant="default"
          size="xs"
          onClick={() => setComparing(!comparing)}
          aria-expanded={comparing}
        >
          {comparing ? 'Hide the comparison' : 'Compare all boards'}
        </Button>
        <Button variant="default" size="xs" onClick={() => setDialog(true)}>
          Boards of your own…
        </Button>
      </div>
      {board && <p className="soft">{board.note}</p>}
      {comparing && <Comparison />}
      <Suspense fallback={null}>{dialog && <BoardDialog close={() => setDialog(false)} />}</Suspense>
    </section>
  );
}

function Comparison() {
  const gadget = useDocument();
  const rows = useAnswer(
    useCallback(() => lab().boards(gadget), [gadget]),
    false,
  );
  if (rows === null) return <p role="status">Trying the parts on every board…</p>;
  return (
    <Table className={classes.table!} aria-label="The same parts on every board">
      <Table.Thead>
        <Table.Tr>
          <Table.Th>Board</Table.Th>
          <Table.Th className="right">Logic</Table.Th>
          <Table.Th className="right">Price</Table.Th>
          <Table.Th>Verdict</Table.Th>
          <Table.Th>
            <VisuallyHidden>Take it</VisuallyHidden>
          </Table.Th>
        </Table.Tr>
      </Table.Thead>
      <Table.Tbody>
        {rows.map(({ board, faults, crossings }) => (
          <Table.Tr key={board.id}>
            <Table.Td className={classes.boardName!}>{board.name}</Table.Td>
            <Table.Td className="number right">{showVolts(board.logicMv)}</Table.Td>
            <Table.Td className="number right">{showMoney(board.priceCents, gadget.bill.currency)}</Table.Td>
            <Table.Td>
              {faults.length === 0 ? (
                <>
                  fits{crossings !== null && <span className="soft">, {count(crossings, 'crossing')}</span>}
                </>
              ) : (
                <span className={classes.fails}>fails: {faults.map(why).join('; ')}</span>
              )}
            </Table.Td>
            <Table.Td>
              {board.id === gadget.wiring.boardId ? (
                <span className="soft">chosen</span>
              ) : (
                <Button
                  size="compact-xs"
                  variant="default"
                  aria-label={`Take ${board.name}`}
                  onClick={() => edit({ name: 'swapBoard', args: [board.id] })}
                >
                  Take it
                </Button>
              )}
            </Table.Td>
          </Table.Tr>
        ))}
      </Table.Tbody>
    </Table>
  );
}

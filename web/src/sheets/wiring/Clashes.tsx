import { Button, Table, VisuallyHidden } from '@mantine/core';
import type { WayOut } from '@hum-lever/core';
import { useCallback } from 'react';
import { edit, useDocument } from '../../client/index.ts';
import { count, showMoney } from '../../shared/index.ts';
import { clashWords, schemeTitle } from '../../words/index.ts';
import { lab, useAnswer } from '../../workers/index.ts';
import type { Impossible } from './useLaying.ts';
import classes from './Wiring.module.css';

const wayWords: Record<WayOut['kind'], (way: WayOut) => string> = {
  scheme: ({ id, name }) => `Read ${name} another way: ${schemeTitle(id)}`,
  board: ({ name }) => `Take another board: ${name}`,
  unlock: ({ name }) => `Unsolder ${name}`,
  driver: ({ name }) => `Fit a transistor at ${name}`,
  current: ({ name }) => `Let ${name} do with what a pin gives`,
};

const saidOf = (way: WayOut) =>
  wayWords[way.kind](way) +
  (way.drivers.length > 0 ? `, and fit a transistor at ${way.drivers.join(', ')}` : '');

/** Why not every line can have a pin, and what would help, cheapest first. */
export function Clashes({ impossible: { clashes, minimal } }: { impossible: Impossible }) {
  const gadget = useDocument();
  const ways = useAnswer(
    useCallback(() => lab().waysOut(gadget, clashes, 'Keys'), [gadget, clashes]),
    true,
  );
  const pins = [...new Set(clashes.flatMap((clash) => clash.pins))];
  return (
    <section className={`card ${classes.clash}`} aria-label="What cannot be met together" role="alert">
      <h2>
        {clashes.every(({ lockedMissing }) => lockedMissing)
          ? 'Soldered to pins that this board does not have'
          : pins.length === 0
            ? 'This board has no pin for it'
            : `These ${count(clashes.length, 'line')} cannot all be met`}
      </h2>
      <p>
        {pins.length > 0 &&
          `Only ${count(pins.length, 'pin')} could take them: ${pins.slice(0, 16).join(', ')}${pins.length > 16 ? ' …' : ''}. `}
        {minimal && clashes.length > 1 && 'With any one of them less, the rest would fit.'}
      </p>
      <ul className={classes.clashes}>
        {clashes.map((clash) => (
          <li key={`${clash.ownerId} ${clash.terminal}`}>{clashWords(clash)}</li>
        ))}
      </ul>
      <h3>Ways out</h3>
      {ways === null && <p role="status">Trying what would help…</p>}
      {ways?.length === 0 && (
        <p>None of the known ways helps. Leave something out, or add a board of your own.</p>
      )}
      {ways !== null && ways.length > 0 && (
        <Table verticalSpacing={4}>
          <Table.Thead>
            <Table.Tr>
              <Table.Th>What</Table.Th>
              <Table.Th className="right">Lines saved</Table.Th>
              <Table.Th className="right">Costs</Table.Th>
              <Table.Th>
                <VisuallyHidden>Do it</VisuallyHidden>
              </Table.Th>
            </Table.Tr>
          </Table.Thead>
          <Table.Tbody>
            {ways.map((way) => (
              <Table.Tr key={`${way.kind} ${way.id} ${way.name}`}>
                <Table.Td>{saidOf(way)}</Table.Td>
                <Table.Td className="number right">{way.pinsSaved}</Table.Td>
                <Table.Td className={`number right ${classes.whole}`}>
                  {showMoney(way.extraCents, gadget.bill.currency)}
                </Table.Td>
                <Table.Td>
                  <Button
                    size="compact-xs"
                    aria-label={`Do this: ${saidOf(way)}`}
                    onClick={() => edit(way.edit)}
                  >
                    Do this
                  </Button>
                </Table.Td>
              </Table.Tr>
            ))}
          </Table.Tbody>
        </Table>
      )}
    </section>
  );
}

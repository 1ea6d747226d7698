import { Button, Table } from '@mantine/core';
import { IconCheck, IconX } from '@tabler/icons-react';
import type { Policy, Screen, TextDisplay } from '@hum-lever/core';
import { useCallback, useState } from 'react';
import { edit, useDocument } from '../../client/index.ts';
import { showBytes, showDuration } from '../../shared/index.ts';
import { lab, useAnswer } from '../../workers/index.ts';
import classes from './Screen.module.css';

const updateWords: Record<(Screen | TextDisplay)['kind'], Record<Policy['update'], string>> = {
  screen: {
    whole: 'All of it',
    changed: 'Changed tiles',
    swapped: 'All of it, changed over to at once',
  },
  text: { whole: 'All rows', changed: 'Changed characters', swapped: '' },
};
const wayWords = (
  { sends, update }: Pick<Policy, 'sends' | 'update'>,
  { kind }: Pick<Screen | TextDisplay, 'kind'>,
): string => `${updateWords[kind][update]}, ${sends === 'blocking' ? 'the loop waits' : 'beside the loop'}`;

const isWay = ({ sends, update }: Policy, other: Pick<Screen | TextDisplay, 'sends' | 'update'>) =>
  sends === other.sends && update === other.update;

/** The ways to send pictures to a display, side by side, and the cheapest that keeps up. */
export function Ways({ screen }: { screen: Screen | TextDisplay }) {
  const [open, setOpen] = useState(false);
  return (
    <details className={classes.ways} onToggle={({ currentTarget }) => setOpen(currentTarget.open)}>
      <summary>Ways to send it, compared</summary>
      {open && <Compared screen={screen} />}
    </details>
  );
}

function Compared({ screen }: { screen: Screen | TextDisplay }) {
  const gadget = useDocument();
  const ask = useCallback(() => lab().policiesOf(gadget, screen.id), [gadget, screen.id]);
  const answer = useAnswer(ask, false);
  if (answer === null) return <p role="status">Drawing its pages…</p>;
  const { all, best } = answer;
  const shortestUs = gadget.hands.shortestPressUs;
  return (
    <>
      <p>
        {best ? (
          <>
            <b>{wayWords(best, screen)}</b> asks least of chip and program, and keeps up: {screen.mostHz}{' '}
            pictures a second have room{best.waitsUs > 0 && ', and no short press is slept through'}.
          </>
        ) : (
          <>
            None of them keeps up with {screen.mostHz} pictures a second. Fewer pictures, a faster bus, or
            less that changes at once.
          </>
        )}
      </p>
      <Table className={classes.waysTable} aria-label="Ways to send pictures">
        <Table.Thead>
          <Table.Tr>
            <Table.Th>Way</Table.Th>
            <Table.Th>A new page</Table.Th>
            <Table.Th>Most that changes</Table.Th>
            <Table.Th>In a second</Table.Th>
            <Table.Th>Loop waits</Table.Th>
            <Table.Th>Of its time</Table.Th>
            <Table.Th>Memory</Table.Th>
            <Table.Th>Keeps up</Table.Th>
            <Table.Th>Take it</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {all.map((way) => (
            <Table.Tr key={wayWords(way, screen)} data-best={(best && isWay(way, best)) || undefined}>
              <Table.Td>{wayWords(way, screen)}</Table.Td>
              <Table.Td className="number">{showDuration(way.pageUs)}</Table.Td>
              <Table.Td className="number">
                {way.changeUs === 0 ? 'nothing' : showDuration(way.changeUs)}
              </Table.Td>
              <Table.Td className="number">{way.changeUs === 0 ? '–' : way.perSecond}</Table.Td>
              <Table.Td className="number" data-over={way.waitsUs > shortestUs || undefined}>
                {way.waitsUs === 0 ? 'not at all' : showDuration(way.waitsUs)}
              </Table.Td>
              <Table.Td className="number">{Math.round(way.perMille / 10)} %</Table.Td>
              <Table.Td className="number">{showBytes(way.bytes)}</Table.Td>
              <Table.Td>
                {way.keepsUp ? (
                  <IconCheck size={16} role="img" aria-label="yes" />
                ) : (
                  <IconX size={16} role="img" aria-label="no" />
                )}
              </Table.Td>
              <Table.Td>
                {isWay(way, screen) ? (
                  'this one now'
                ) : (
                  <Button
                    size="compact-xs"
                    variant="default"
                    aria-label={`Send so: ${wayWords(way, screen)}`}
                    onClick={() =>
                      edit({
                        name: 'changeOutput',
                        args: [screen.id, { sends: way.sends, update: way.update } as Partial<Screen>],
                      })
                    }
                  >
                    Send so
                  </Button>
                )}
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
      <p className={classes.cost}>
        {screen.kind === 'screen' &&
          'Unless it is changed over to at once, a picture is seen coming, tile by tile. '}
        What changes is the most between values at first, least and most, and by itself, on each of its pages.
        A short press is {showDuration(shortestUs)}. Sending beside the loop wants a chip that can: its sheet
        says so.
      </p>
    </>
  );
}

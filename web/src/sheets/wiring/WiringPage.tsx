import '../../shared/styles/toggle.css';
import { Button, Menu, SegmentedControl, Switch } from '@mantine/core';
import { IconChevronDown } from '@tabler/icons-react';
import { boardChoices, boardOf, netsOf, printWiringCsv } from '@hum-lever/core';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { edit, useDocument } from '../../client/index.ts';
import { Choice, FirstStep, saveFile, SheetFrame } from '../../shared/index.ts';
import { BoardView } from './BoardView.tsx';
import { Clashes } from './Clashes.tsx';
import { KeysView } from './KeysView.tsx';
import { ListView } from './ListView.tsx';
import { OrderView } from './OrderView.tsx';
import { SmallParts } from './SmallParts.tsx';
import { useLaying } from './useLaying.ts';
import classes from './Wiring.module.css';

const views = ['board', 'list', 'order', 'keys'] as const;
type View = (typeof views)[number];
const viewWords: Record<View, string> = {
  board: 'Board',
  list: 'List',
  order: 'In this order',
  keys: 'Sets of keys',
};

/** What the solver is paid for, in the order of its weights. */
const whatCounts =
  'Laying keeps the pins for uploading, console and start free, buses on their native pins, rare talents for who needs them, and threads short, so that neighbours stay together and few cross. What is soldered stays.';

/** Which end goes to which pin: worked out, pinned down, explained. */
export function WiringPage() {
  const gadget = useDocument();
  const { gadgetId } = useParams();
  const board = boardOf(gadget);
  const nets = useMemo(() => netsOf(gadget), [gadget]);
  const [view, setView] = useState<View>('board');
  const laying = useLaying();
  const about = 'Every end of every part to a pin that can do its job, or the reason why not.';
  if (gadget.parts.length === 0)
    return (
      <SheetFrame title="Wiring" about={about}>
        <FirstStep
          action={
            <Button component={Link} to={`/g/${gadgetId}/parts`}>
              To the parts
            </Button>
          }
        >
          There is nothing to wire yet. Add parts first; every part brings its ends along.
        </FirstStep>
      </SheetFrame>
    );
  const choose = (
    <Choice
      label="Board"
      data={[
        { value: '', label: 'choose a board' },
        ...boardChoices(gadget).map(({ id, name }) => ({ value: id, label: name })),
      ]}
      value={gadget.wiring.boardId ?? ''}
      choose={(id) => edit({ name: 'chooseBoard', args: [id === '' ? null : id] })}
    />
  );
  return (
    <SheetFrame
      title="Wiring"
      about={about}
      tools={
        board && (
          <>
            <Menu position="bottom-end">
              <Menu.Target>
                <Button variant="default" rightSection={<IconChevronDown size={15} aria-hidden />}>
                  More
                </Button>
              </Menu.Target>
              <Menu.Dropdown>
                <Menu.Item onClick={() => edit({ name: 'clearWires', args: [] })}>
                  Take away all that is not soldered
                </Menu.Item>
                <Menu.Item onClick={() => saveFile('wiring.csv', 'text/csv', printWiringCsv(gadget))}>
                  Save the list as CSV
                </Menu.Item>
                <Menu.Item onClick={() => window.print()}>Print</Menu.Item>
              </Menu.Dropdown>
            </Menu>
            <Button loading={laying.busy} onClick={laying.lay}>
              Lay the wires
            </Button>
          </>
        )
      }
    >
      <div className={classes.line}>
        {choose}
        {board?.pins.some(({ can }) => can.includes('radio')) && (
          <Switch
            size="sm"
            label="Uses the radio"
            checked={gadget.wiring.radioOn}
            onChange={(event) => edit({ name: 'setRadio', args: [event.currentTarget.checked] })}
          />
        )}
        <SegmentedControl
          size="xs"
          aria-label="View"
          data={views.map((value) => ({ value, label: viewWords[value] }))}
          value={view}
          onChange={(value) => setView(value as View)}
        />
      </div>
      <p className={classes.said} role="status">
        {laying.said || (board && laying.impossible === null ? whatCounts : '')}
      </p>
      {laying.impossible && <Clashes impossible={laying.impossible} />}
      {!board && view !== 'keys' ? (
        <FirstStep>
          Choose the board that carries the parts. What each pin can do, and where the traps are, comes with
          it; then let the wires be laid, and pin down what is soldered already.
        </FirstStep>
      ) : (
        <>
          {view === 'board' && <BoardView nets={nets} />}
          {view === 'list' && <ListView nets={nets} />}
          {view === 'order' && <OrderView />}
          {view === 'keys' && <KeysView />}
          {view !== 'keys' && view !== 'order' && <SmallParts nets={nets} />}
        </>
      )}
    </SheetFrame>
  );
}

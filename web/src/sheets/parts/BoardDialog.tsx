import '../../shared/styles/dialog.css';
import { ActionIcon, Button, Modal, NativeSelect, Table, VisuallyHidden } from '@mantine/core';
import { IconPlus, IconTrash } from '@tabler/icons-react';
import {
  boardChoices,
  printBoardJson,
  printPinsCsv,
  type Board,
  type BoardPin,
  type CsvFault,
} from '@hum-lever/core';
import { useState } from 'react';
import { edit, useDocument } from '../../client/index.ts';
import { Choice, FigureField, saveFile, TextField, ReadingNow } from '../../shared/index.ts';
import { useReading } from '../../workers/index.ts';
import { CsvFaults, FilePicker } from './CsvFaults.tsx';
import classes from './Parts.module.css';

type Numeric = { [K in keyof Board]: Board[K] extends number ? K : never }[keyof Board];
const figures: [Numeric, string, string][] = [
  ['logicMv', 'Logic', 'mV'],
  ['pinMaxUa', 'A pin carries', 'µA'],
  ['portMaxUa', 'A port carries (0: no limit)', 'µA'],
  ['allPinsMaxUa', 'All pins carry', 'µA'],
  ['railMaxUa', 'Its rails give', 'µA'],
  ['ownUa', 'Draws itself', 'µA'],
  ['adcBits', 'Converter', 'bit'],
  ['flashBytes', 'Program (flash)', 'bytes'],
  ['ramBytes', 'Memory (RAM)', 'bytes'],
  ['settingsBytes', 'Settings', 'bytes'],
];

/** Boards of the maker's own: begun as a copy, from a file, or from a pin table; edited by form. */
export default function BoardDialog({ close }: { close: () => void }) {
  const gadget = useDocument();
  const { boards } = gadget.wiring;
  const [chosen, setChosen] = useState<string | null>(boards[0]?.id ?? null);
  const [from, setFrom] = useState(boardChoices(gadget)[0]!.id);
  const [faults, setFaults] = useState<CsvFault[]>([]);
  const [error, setError] = useState<string | null>(null);
  const board = boards.find(({ id }) => id === chosen) ?? null;
  const put = (changed: Board): string | null => {
    const refused = edit({ name: 'putBoard', args: [changed] });
    setError(refused);
    if (refused === null) setChosen(changed.id);
    return refused;
  };
  const freeId = () => {
    const taken = new Set(boardChoices(gadget).map(({ id }) => id));
    let n = 1;
    while (taken.has(`own-${n}`)) n += 1;
    return `own-${n}`;
  };
  const copy = () => {
    const original = boardChoices(gadget).find(({ id }) => id === from)!;
    put({ ...original, id: freeId(), name: `${original.name.slice(0, 72)} (own)` });
  };
  const { reading, run, stop } = useReading();
  const readJson = async (text: string) => {
    const read = await run((reader) => reader.board(text));
    if (!read) return;
    if (read.outcome === 'read')
      put(boards.some(({ id }) => id === read.board.id) ? { ...read.board, id: freeId() } : read.board);
    else setError(read.message);
  };
  const readPins = async (text: string) => {
    const read = await run((reader) => reader.pins(text));
    if (!read) return;
    setFaults(read.outcome === 'faulty' ? read.faults : []);
    if (read.outcome === 'read' && board) put({ ...board, pins: read.value });
  };
  return (
    <Modal
      opened
      onClose={close}
      title="Boards of your own"
      size={900}
      closeButtonProps={{ 'aria-label': 'Close boards of your own' }}
    >
      <ReadingNow reading={reading} stop={stop} />
      <div className={classes.boardLine}>
        <NativeSelect
          size="xs"
          aria-label="Board to begin from"
          data={boardChoices(gadget).map(({ id, name }) => ({ value: id, label: name }))}
          value={from}
          onChange={(event) => setFrom(event.currentTarget.value)}
        />
        <Button size="xs" onClick={copy}>
          Begin with a copy
        </Button>
        <FilePicker accept=".json,application/json" read={(text) => void readJson(text)}>
          {(pick) => (
            <Button size="xs" variant="default" onClick={pick}>
              Read from JSON…
            </Button>
          )}
        </FilePicker>
      </div>
      {error !== null && (
        <p className={classes.fails} role="alert">
          {error}
        </p>
      )}
      <CsvFaults faults={faults} close={() => setFaults([])} />
      {boards.length > 0 && (
        <div className={classes.boardLine}>
          <Choice
            label="Board to change"
            data={boards.map(({ id, name }) => ({ value: id, label: name }))}
            value={board?.id ?? boards[0]!.id}
            choose={setChosen}
          />
          {board && (
            <>
              <Button
                size="xs"
                variant="default"
                onClick={() => saveFile(`${board.id}.board.json`, 'application/json', printBoardJson(board))}
              >
                Save as JSON
              </Button>
              <Button
                size="xs"
                variant="default"
                onClick={() => saveFile(`${board.id}.pins.csv`, 'text/csv', printPinsCsv(board))}
              >
                Save pins as CSV
              </Button>
              <FilePicker accept=".csv,text/csv" read={(text) => void readPins(text)}>
                {(pick) => (
                  <Button size="xs" variant="default" onClick={pick}>
                    Read pins from CSV…
                  </Button>
                )}
              </FilePicker>
              <Button
                size="xs"
                variant="default"
                onClick={() => edit({ name: 'removeBoard', args: [board.id] })}
              >
                Remove
              </Button>
            </>
          )}
        </div>
      )}
      {board && <BoardForm board={board} put={put} />}
    </Modal>
  );
}

/** As they are typed: `T1 16 1 8 64; T2 8 1 8 32`. What is no number is refused by the board's own schema. */
const timersIn = (typed: string): Board['timers'] =>
  typed
    .split(';')
    .map((one) => one.split(/\s+/).filter((word) => word !== ''))
    .filter((words) => words.length > 0)
    .map(([id = '', bits, ...prescalers]) => ({
      id,
      bits: Number(bits),
      prescalers: prescalers.map(Number),
    }));

function BoardForm({ board, put }: { board: Board; put: (board: Board) => string | null }) {
  const setPin = (index: number, patch: Partial<BoardPin>) =>
    put({ ...board, pins: board.pins.map((pin, n) => (n === index ? { ...pin, ...patch } : pin)) });
  const timers = (key: 'toneTimers' | 'servoTimers', label: string) => (
    <TextField
      size="xs"
      w={168}
      label={label}
      value={board[key].join(' ')}
      commit={(typed) => put({ ...board, [key]: typed.split(/\s+/).filter((word) => word !== '') })}
    />
  );
  const addPin = () => {
    let n = board.pins.length + 1;
    while (board.pins.some(({ name }) => name === `P${n}`)) n += 1;
    put({
      ...board,
      pins: [...board.pins, { name: `P${n}`, edge: 'left', port: '', can: ['in', 'out', 'pull-up'] }],
    });
  };
  return (
    <>
      <div className={classes.figures}>
        <TextField
          size="xs"
          label="Name"
          value={board.name}
          commit={(name) => put({ ...board, name: name.trim() })}
        />
        {figures.map(([key, label, unit]) => (
          <FigureField
            key={key}
            label={label}
            unit={unit}
            value={board[key]}
            commit={(value) => put({ ...board, [key]: value })}
          />
        ))}
        {timers('toneTimers', 'Timers for a tone')}
        {timers('servoTimers', 'Timers for servos')}
        <TextField
          size="xs"
          w={344}
          label="Timers: name, bits, what divides the clock"
          placeholder="T1 16 1 8 64; T2 8 1 8 32"
          value={board.timers
            .map(({ id, bits, prescalers }) => [id, bits, ...prescalers].join(' '))
            .join('; ')}
          commit={(typed) => put({ ...board, timers: timersIn(typed) })}
        />
        <Choice
          visible
          label="USB"
          data={[
            { value: 'native', label: 'native' },
            { value: 'serial', label: 'behind a serial chip' },
            { value: 'none', label: 'none' },
          ]}
          value={board.usb}
          choose={(usb) => put({ ...board, usb })}
        />
      </div>
      <p className="soft">
        What a pin can do, in words: in, out, analog, pull-up, pull-down, wake, usb, edge or edge@line,
        pwm@timer, sda@ scl@ mosi@ miso@ sck@ tx@ rx@unit (~ before it: by a switch matrix), gives@mV,
        takes@mV, ground; traps: upload, console, boot-high, boot-low, radio, hidden.
      </p>
      <Table verticalSpacing={3}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th>Pin</Table.Th>
            <Table.Th>Edge</Table.Th>
            <Table.Th>Port</Table.Th>
            <Table.Th>Can</Table.Th>
            <Table.Th>
              <VisuallyHidden>Remove</VisuallyHidden>
            </Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {board.pins.map((pin, index) => (
            <Table.Tr key={pin.name}>
              <Table.Td>
                <TextField
                  size="xs"
                  w={90}
                  aria-label={`Name of pin ${pin.name}`}
                  value={pin.name}
                  commit={(name) => setPin(index, { name: name.trim() })}
                />
              </Table.Td>
              <Table.Td>
                <Choice
                  label={`Edge of ${pin.name}`}
                  data={['left', 'right', 'top', 'bottom']}
                  value={pin.edge}
                  choose={(edge) => setPin(index, { edge })}
                />
              </Table.Td>
              <Table.Td>
                <TextField
                  size="xs"
                  w={64}
                  aria-label={`Port of ${pin.name}`}
                  value={pin.port}
                  commit={(port) => setPin(index, { port: port.trim() })}
                />
              </Table.Td>
              <Table.Td>
                <TextField
                  size="xs"
                  w={380}
                  aria-label={`What ${pin.name} can do`}
                  value={pin.can.join(' ')}
                  commit={(typed) => setPin(index, { can: typed.split(/\s+/).filter((word) => word !== '') })}
                />
              </Table.Td>
              <Table.Td>
                <ActionIcon
                  variant="subtle"
                  aria-label={`Remove pin ${pin.name}`}
                  onClick={() => put({ ...board, pins: board.pins.filter((_, n) => n !== index) })}
                >
                  <IconTrash size={16} stroke={1.7} />
                </ActionIcon>
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
      <Button size="xs" variant="default" leftSection={<IconPlus size={15} aria-hidden />} onClick={addPin}>
        Add a pin
      </Button>
    </>
  );
}

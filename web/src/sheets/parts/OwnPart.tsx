import '../../shared/styles/dialog.css';
import { ActionIcon, Button, Modal, Table, VisuallyHidden } from '@mantine/core';
import { IconPlus, IconTrash } from '@tabler/icons-react';
import {
  limits,
  ownClassSchema,
  ownEnds,
  ownNeeds,
  type OwnClass,
  type OwnEnd,
  type OwnValue,
  type OwnWord,
} from '@hum-lever/core';
import { useState } from 'react';
import { useDocument } from '../../client/index.ts';
import { Choice, DurationField, FigureField, NumberField, TextField } from '../../shared/index.ts';
import { needWords, ownEndWords } from '../../words/index.ts';
import { ownStarts } from './ownStarts.ts';
import classes from './Parts.module.css';

type Line = OwnClass['lines'][number];

/** A switched load on a line of its own: the least that most such parts are. */
const begun: OwnClass = {
  title: '',
  doc: '',
  priceCents: 0,
  lines: [{ name: 'in', need: 'out', maxUa: 5_000 }],
  plays: ['light'],
  supply: { minMv: 3_000, maxMv: 5_500, typicalUa: 10_000, worstUa: 70_000 },
  address: null,
  busBaud: 100_000,
  busPullOhms: 0,
};

/** `0x3C, 61`: addresses as sheets write them, one after the other. */
const addressesOf = (typed: string): number[] =>
  typed
    .split(/[\s,]+/)
    .filter((word) => word !== '')
    .map((word) => (/^(0x[\da-f]+|\d+)$/i.test(word) ? Number(word) : Number.NaN));
const hex = (address: number) => `0x${address.toString(16).toUpperCase()}`;

/** What is wrong with it, in words that name the place. */
function faultOf(own: OwnClass): string | null {
  const parsed = ownClassSchema.safeParse(own);
  if (parsed.success) return null;
  const { path, message } = parsed.error.issues[0]!;
  const [field, index] = path;
  if (field === 'lines' && typeof index === 'number') return `Line ${index + 1}: ${message}.`;
  if (field === 'title') return `What it is called: ${message}.`;
  if (field === 'plays' && typeof index === 'number') return `In hand, ${index + 1}: ${message}.`;
  if (field === 'address') return `Bus address: ${message}.`;
  return `${path.join(' ')}: ${message}.`;
}

/** A part that the catalogue lacks, from what its sheet says: its lines, figures and address. */
export default function OwnPart({
  from,
  take,
  close,
}: {
  /** As it was; null: a new one. */
  from: OwnClass | null;
  /** @returns why it was not taken */
  take: (own: OwnClass) => string | null;
  close: () => void;
}) {
  const { currency } = useDocument().bill;
  const [own, setOwn] = useState(from ?? begun);
  const [wrong, setWrong] = useState<string | null>(null);
  const change = (patch: Partial<OwnClass>): null => {
    setOwn((was) => ({ ...was, ...patch }));
    setWrong(null);
    return null;
  };
  const submit = () => {
    const fault = faultOf(own) ?? take(own);
    setWrong(fault);
    if (fault === null) close();
  };
  const { supply, address } = own;
  const bused = own.lines.some(({ need }) => ['sda', 'mosi', 'miso', 'tx', 'rx', 'bclk'].includes(need));
  const twoWire = own.lines.some(({ need }) => need === 'sda');
  return (
    <Modal
      opened
      onClose={close}
      title={from ? `${from.title}: its lines and figures` : 'A part that is not here'}
      size={760}
      closeButtonProps={{ 'aria-label': 'Close the part' }}
    >
      <p className="soft">
        Copy what its sheet says. Bill, board, wiring and snags then reckon with it as with any other part;
        where the sheet is silent, ask the part’s maker.
      </p>
      {from === null && (
        <Choice
          visible
          label="Begin with"
          data={[{ value: '', label: 'nothing but a line' }, ...ownStarts]}
          value={ownStarts.find((one) => one.own.plays === own.plays)?.value ?? ''}
          choose={(chosen) => change(ownStarts.find(({ value }) => value === chosen)?.own ?? begun)}
        />
      )}
      <div className={classes.figures}>
        <TextField
          size="xs"
          data-autofocus
          label="What it is called"
          value={own.title}
          commit={(title) => change({ title: title.trim() })}
        />
        <TextField
          size="xs"
          w={330}
          label="What it does, and what to watch"
          value={own.doc}
          commit={(doc) => change({ doc: doc.trim() })}
        />
        <NumberField
          label={`For one, ${currency}`}
          width={110}
          decimals={2}
          fixed
          min={0}
          value={own.priceCents / 100}
          commit={(price) => change({ priceCents: Math.round(price * 100) })}
        />
      </div>
      <Lines lines={own.lines} change={(lines) => change({ lines })} />
      <fieldset className={classes.ownGroup}>
        <legend>
          <label>
            <input
              type="checkbox"
              role="switch"
              checked={supply !== null}
              onChange={(event) => change({ supply: event.currentTarget.checked ? begun.supply : null })}
            />{' '}
            Has a supply of its own (plus and minus)
          </label>
        </legend>
        {supply && (
          <div className={classes.figures}>
            {(
              [
                ['minMv', 'Works from', 'mV'],
                ['maxMv', 'Works up to', 'mV'],
                ['typicalUa', 'Draws, typically', 'µA'],
                ['worstUa', 'Draws at worst', 'µA'],
              ] as const
            ).map(([key, label, unit]) => (
              <FigureField
                key={key}
                label={label}
                unit={unit}
                width={140}
                value={supply[key]}
                commit={(value) => change({ supply: { ...supply, [key]: value } })}
              />
            ))}
          </div>
        )}
      </fieldset>
      {(bused || address !== null) && (
        <div className={classes.figures}>
          <FigureField
            label="Bus speed"
            unit="Hz"
            value={own.busBaud}
            commit={(busBaud) => change({ busBaud })}
          />
          {(twoWire || address !== null) && (
            <>
              <TextField
                size="xs"
                label="Addresses, the usual one first"
                placeholder="0x3C, 0x3D"
                value={
                  address
                    ? [address.usual, ...address.choices.filter((one) => one !== address.usual)]
                        .map(hex)
                        .join(', ')
                    : ''
                }
                commit={(typed) => {
                  const choices = [...new Set(addressesOf(typed))];
                  if (choices.length === 0) return change({ address: null });
                  if (choices.some((one) => !(one >= 8 && one <= 119)))
                    return 'Expected addresses from 0x08 to 0x77, such as 0x3C, 0x3D.';
                  return change({ address: { usual: choices[0]!, choices } });
                }}
              />
              <FigureField
                label="Pull-ups of its own (0: none)"
                unit="Ω"
                value={own.busPullOhms}
                commit={(busPullOhms) => change({ busPullOhms })}
              />
            </>
          )}
        </div>
      )}
      <Played plays={own.plays} change={(plays) => change({ plays })} />
      {wrong !== null && (
        <p className={classes.fails} role="alert">
          {wrong}
        </p>
      )}
      <Button onClick={submit}>{from ? 'Take it over' : 'Add this part'}</Button>
    </Modal>
  );
}

function Lines({ lines, change }: { lines: Line[]; change: (lines: Line[]) => null }) {
  const put = (index: number, patch: Partial<Line>) =>
    change(lines.map((line, n) => (n === index ? { ...line, ...patch } : line)));
  const add = () => {
    let n = lines.length + 1;
    while (lines.some(({ name }) => name === `line${n}`)) n += 1;
    change([...lines, { name: `line${n}`, need: 'out', maxUa: 0 }]);
  };
  return (
    <>
      <Table verticalSpacing={3} aria-label="Its lines">
        <Table.Thead>
          <Table.Tr>
            <Table.Th>Line</Table.Th>
            <Table.Th>The board’s pin is its</Table.Th>
            <Table.Th>Takes from the pin at worst</Table.Th>
            <Table.Th>
              <VisuallyHidden>Remove</VisuallyHidden>
            </Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {lines.map((line, index) => (
            <Table.Tr key={index}>
              <Table.Td>
                <TextField
                  size="xs"
                  w={150}
                  aria-label={`Name of line ${index + 1}`}
                  value={line.name}
                  commit={(name) => put(index, { name: name.trim().toLowerCase() })}
                />
              </Table.Td>
              <Table.Td>
                <Choice
                  label={`What line ${index + 1} asks of its pin`}
                  data={ownNeeds.map((need) => ({ value: need, label: needWords[need]! }))}
                  value={line.need}
                  choose={(need) => put(index, { need })}
                />
              </Table.Td>
              <Table.Td>
                <NumberField
                  label=""
                  aria-label={`Current of line ${index + 1}`}
                  unit="mA"
                  decimals={3}
                  min={0}
                  value={line.maxUa / 1_000}
                  commit={(ma) => put(index, { maxUa: Math.round(ma * 1_000) })}
                />
              </Table.Td>
              <Table.Td>
                <ActionIcon
                  variant="subtle"
                  aria-label={`Remove line ${index + 1}`}
                  onClick={() => change(lines.filter((_, n) => n !== index))}
                >
                  <IconTrash size={16} stroke={1.7} />
                </ActionIcon>
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
      <Button
        size="xs"
        variant="default"
        disabled={lines.length >= limits.ownLines}
        leftSection={<IconPlus size={15} aria-hidden />}
        onClick={add}
      >
        Add a line
      </Button>
    </>
  );
}

const endChoices = [
  ...ownEnds.map((one) => ({ value: one as string, label: ownEndWords[one] })),
  { value: 'reading', label: ownEndWords.reading },
  { value: 'setting', label: ownEndWords.setting },
  { value: '', label: 'nothing' },
];
const freshEnd = (chosen: string): OwnEnd => {
  const range = { name: 'value', unit: '', low: 0, high: 100 };
  if (chosen === 'reading') return { kind: chosen, ...range, everyUs: 100_000, errorPerMille: 5 };
  return chosen === 'setting' ? { kind: chosen, ...range, bytes: 3 } : (chosen as OwnWord);
};

/** What it is in hand, so that the flow can switch it, show with it, hear it, ask it or tell it. */
function Played({ plays, change }: { plays: OwnEnd[]; change: (plays: OwnEnd[]) => null }) {
  const put = (index: number, end: OwnEnd) => change(plays.map((was, n) => (n === index ? end : was)));
  return (
    <>
      {plays.map((end, index) => (
        <div key={index} className={classes.figures}>
          <Choice
            visible
            label={plays.length === 1 ? 'In hand it is' : `In hand, ${index + 1}`}
            data={endChoices}
            value={typeof end === 'string' ? end : end.kind}
            choose={(chosen) =>
              chosen === '' ? change(plays.filter((_, n) => n !== index)) : put(index, freshEnd(chosen))
            }
          />
          {typeof end !== 'string' && <ValueFields end={end} put={(value) => put(index, value)} />}
        </div>
      ))}
      {plays.length < limits.ownEnds && (
        <Button size="xs" variant="default" onClick={() => change([...plays, 'light'])}>
          {plays.length === 0 ? 'Play it in hand' : 'Something more in hand'}
        </Button>
      )}
    </>
  );
}

/** A value that it tells or takes: what it is called, from where to where, and how it comes or goes. */
function ValueFields({ end, put }: { end: OwnValue; put: (end: OwnValue) => null }) {
  const number = (field: 'low' | 'high', label: string) => (
    <NumberField
      label={label}
      width={90}
      value={end[field]}
      commit={(value) => put({ ...end, [field]: value })}
    />
  );
  return (
    <>
      <TextField
        size="xs"
        w={130}
        label="Called"
        value={end.name}
        commit={(name) => put({ ...end, name: name.trim() })}
      />
      <TextField
        size="xs"
        w={80}
        label="Unit"
        value={end.unit}
        commit={(unit) => put({ ...end, unit: unit.trim() })}
      />
      {number('low', 'From')}
      {number('high', 'To')}
      {end.kind === 'reading' ? (
        <>
          <DurationField
            label="A new one every"
            width={110}
            minUs={100}
            value={end.everyUs}
            commit={(everyUs) => put({ ...end, everyUs })}
          />
          <NumberField
            label="Off by up to"
            width={90}
            unit="‰"
            min={0}
            max={300}
            value={end.errorPerMille}
            commit={(errorPerMille) => put({ ...end, errorPerMille })}
          />
        </>
      ) : (
        <NumberField
          label="Bytes on its bus"
          width={110}
          min={0}
          max={255}
          value={end.bytes}
          commit={(bytes) => put({ ...end, bytes })}
        />
      )}
    </>
  );
}

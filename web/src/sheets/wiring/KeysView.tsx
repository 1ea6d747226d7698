import '../../shared/styles/picker.css';
import { ActionIcon, Button, MultiSelect, Table, VisuallyHidden } from '@mantine/core';
import { IconTrash } from '@tabler/icons-react';
import {
  boardOf,
  looseKeys,
  readSetBy,
  schemeEdit,
  schemeOf,
  type Gadget,
  type KeySet,
  type SchemeRow,
} from '@hum-lever/core';
import { useCallback, useState } from 'react';
import { edit, useDocument } from '../../client/index.ts';
import {
  count,
  FigureField,
  figureMeta,
  FirstStep,
  showDuration,
  showMoney,
  showOhms,
  TextField,
  usePlace,
} from '../../shared/index.ts';
import { refusedWords } from '../../words/index.ts';
import { lab, useAnswer } from '../../workers/index.ts';
import classes from './Wiring.module.css';

const keyOptions = ({ controls }: Gadget, ids: readonly string[]) =>
  controls.filter(({ id }) => ids.includes(id)).map(({ id, name }) => ({ value: id, label: name }));

/** Keys that are read together, and every way of reading them side by side. */
export function KeysView() {
  const gadget = useDocument();
  const { sets } = gadget.wiring;
  const loose = looseKeys(gadget);
  return (
    <>
      {sets.map((set) => (
        <SetCard key={set.id} set={set} />
      ))}
      {loose.length >= 2 ? (
        <NewSet loose={loose} />
      ) : (
        sets.length === 0 && (
          <FirstStep>
            Two keys or more can share pins: as a matrix, a ladder, through a chip. Add keys in Parts; then
            compare here what each way costs, and which keys it reads truly when several are held.
          </FirstStep>
        )
      )}
    </>
  );
}

function NewSet({ loose }: { loose: readonly string[] }) {
  const gadget = useDocument();
  const [chosen, setChosen] = useState<string[] | null>(null);
  const keys = (chosen ?? [...loose]).filter((id) => loose.includes(id));
  return (
    <section className={`card ${classes.set}`} aria-label="A new set of keys">
      <h2>Read keys together</h2>
      <MultiSelect
        size="xs"
        label="Keys"
        data={keyOptions(gadget, loose)}
        value={keys}
        onChange={setChosen}
        searchable
      />
      {keys.length >= 2 && <Schemes keys={keys} name="Keys" current={null} />}
    </section>
  );
}

function SetCard({ set }: { set: KeySet }) {
  const gadget = useDocument();
  const place = usePlace(set.id);
  const scheme = schemeOf(set.scheme);
  const change = (patch: Partial<Omit<KeySet, 'id'>>) =>
    edit({ name: 'changeKeySet', args: [set.id, patch] });
  const loose = looseKeys(gadget);
  const setKeys = (controlIds: string[]) =>
    change({
      controlIds,
      chords: set.chords.filter((chord) => chord.every((id) => controlIds.includes(id))),
    });
  const params = Object.entries(scheme.params.shape);
  return (
    <section
      id={place.id}
      className={`card ${classes.set} ${place.className ?? ''}`}
      aria-label={`Set ${set.name}`}
    >
      <div className={classes.line}>
        <TextField
          size="xs"
          aria-label="Name of the set"
          value={set.name}
          commit={(name) => change({ name: name.trim() })}
        />
        <strong>{scheme.title}</strong>
        <ActionIcon
          variant="subtle"
          aria-label={`Take ${set.name} apart`}
          onClick={() => edit({ name: 'removeKeySet', args: [set.id] })}
        >
          <IconTrash size={18} stroke={1.7} />
        </ActionIcon>
      </div>
      <p className="soft">{scheme.doc}</p>
      <MultiSelect
        size="xs"
        label="Keys, in the order of reading"
        data={keyOptions(gadget, [...set.controlIds, ...loose])}
        value={set.controlIds}
        onChange={setKeys}
        searchable
      />
      {params.length > 0 && (
        <div className={classes.line}>
          {params.map(([name, field]) => {
            return (
              <FigureField
                key={name}
                {...figureMeta(field)}
                value={set.params[name] ?? 0}
                commit={(value) => edit(readSetBy(gadget, set, { params: { ...set.params, [name]: value } }))}
              />
            );
          })}
        </div>
      )}
      <Chords set={set} change={(chords) => change({ chords })} />
      {set.controlIds.length >= 1 && <Schemes keys={set.controlIds} name={set.name} current={set.scheme} />}
    </section>
  );
}

/** Keys that will be held together; each chord is tried on the circuit. */
function Chords({ set, change }: { set: KeySet; change: (chords: string[][]) => string | null }) {
  const gadget = useDocument();
  const [fresh, setFresh] = useState<string[]>([]);
  const names = new Map(gadget.controls.map(({ id, name }) => [id, name]));
  return (
    <div className={classes.chords}>
      {set.chords.map((chord, index) => (
        <span key={chord.join(' ')} className={classes.chord}>
          {chord.map((id) => names.get(id)).join(' + ')}
          <ActionIcon
            size="xs"
            variant="subtle"
            aria-label={`Remove the chord ${chord.map((id) => names.get(id)).join(' and ')}`}
            onClick={() => change(set.chords.filter((_, n) => n !== index))}
          >
            <IconTrash size={14} stroke={1.7} />
          </ActionIcon>
        </span>
      ))}
      <MultiSelect
        size="xs"
        label="Held together (chord)"
        placeholder="two keys or more"
        data={keyOptions(gadget, set.controlIds)}
        value={fresh}
        onChange={setFresh}
      />
      <Button
        size="xs"
        variant="default"
        disabled={fresh.length < 2}
        onClick={() => {
          if (change([...set.chords, fresh]) === null) setFresh([]);
        }}
      >
        Add the chord
      </Button>
    </div>
  );
}

/** Every way of reading these keys: what it takes, and which keys it reads truly. */
function Schemes({ keys, name, current }: { keys: readonly string[]; name: string; current: string | null }) {
  const gadget = useDocument();
  // As text: the list itself may be a new one each time.
  const wanted = keys.join(' ');
  const rows = useAnswer(
    useCallback(() => lab().schemes(gadget, wanted.split(' '), name), [gadget, wanted, name]),
    false,
  );
  if (rows === null) return <p role="status">Comparing…</p>;
  const board = boardOf(gadget);
  return (
    <Table verticalSpacing={3} horizontalSpacing={6} aria-label={`Ways of reading ${name}`}>
      <Table.Thead>
        <Table.Tr>
          <Table.Th>Way of reading</Table.Th>
          <Table.Th className="right">Pins</Table.Th>
          <Table.Th className="right">Parts</Table.Th>
          <Table.Th className="right">Costs</Table.Th>
          <Table.Th className="right">Truly at once</Table.Th>
          <Table.Th className="right">A scan takes</Table.Th>
          <Table.Th>
            <VisuallyHidden>Use it</VisuallyHidden>
          </Table.Th>
        </Table.Tr>
      </Table.Thead>
      <Table.Tbody>
        {rows.map((row) => (
          <Table.Tr key={row.scheme}>
            <Table.Td>
              {schemeOf(row.scheme).title}
              {row.ladder && <LadderLine ladder={row.ladder} />}
              {row.refused !== null && <span className={classes.fails}> {refusedWords[row.refused]}</span>}
              {row.fits === false && board && (
                <span className={classes.fails}> does not fit {board.name}</span>
              )}
            </Table.Td>
            <Table.Td className="number right">{row.pins}</Table.Td>
            <Table.Td className="number right">{row.extraParts}</Table.Td>
            <Table.Td className="number right">{showMoney(row.extraCents, gadget.bill.currency)}</Table.Td>
            <Table.Td className="number right">
              {row.together === 0 ? 'not told apart' : row.together >= keys.length ? 'all' : row.together}
            </Table.Td>
            <Table.Td className="number right">{showDuration(row.scanUs)}</Table.Td>
            <Table.Td>
              {row.scheme === current ? (
                <span className="soft">in use</span>
              ) : (
                <Button
                  size="compact-xs"
                  variant="default"
                  disabled={row.refused !== null}
                  aria-label={`Read by: ${schemeOf(row.scheme).title}`}
                  onClick={() => edit(schemeEdit(gadget, keys, schemeOf(row.scheme), name))}
                >
                  Use it
                </Button>
              )}
            </Table.Td>
          </Table.Tr>
        ))}
      </Table.Tbody>
    </Table>
  );
}

function LadderLine({ ladder }: { ladder: NonNullable<SchemeRow['ladder']> }) {
  const { ohms, gapCounts, noiseCounts, good, of } = ladder;
  return (
    <small className={`soft ${classes.ladder}`}>
      {ohms.map((value) => (value === 0 ? 'wire' : showOhms(value))).join(', ')}: {gapCounts.toFixed(1)}{' '}
      counts apart at worst, noise takes {count(2 * noiseCounts, 'count')}; {good} of {of} builds tell all
      keys apart
    </small>
  );
}

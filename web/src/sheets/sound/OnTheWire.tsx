import {
  noteName,
  showExpression,
  tellingsOf,
  type Gadget,
  type OutputOf,
  type Telling,
} from '@hum-lever/core';
import { useMemo } from 'react';
import { count, showDuration } from '../../shared/index.ts';
import { syncWords } from '../../outputs/midi/words.ts';
import { PlaceLink } from './PlaceLink.tsx';
import classes from './Sound.module.css';

/** Of many lists so many are shown, and of each so many messages. */
const [mostLists, mostMessages] = [40, 16];

/** One MIDI output: whatever tells it messages, with their bytes to scale. */
export function OnTheWire({
  gadget,
  output,
  held,
}: {
  gadget: Gadget;
  output: OutputOf<'midi'>;
  held: string | null;
}) {
  const tellings = useMemo(() => tellingsOf(gadget, output), [gadget, output]);
  // To scale with one another: the longest takes all the room.
  const longest = Math.max(1, ...tellings.map(bytesOf));
  return (
    <section className={classes.part} aria-label={output.name}>
      <h2>{output.name}</h2>
      <p>{goesBy(output)}</p>
      {held !== null && <p>{held}</p>}
      {tellings.length === 0 ? (
        <p className={classes.soft}>No rule tells it anything yet.</p>
      ) : (
        <table className={classes.table} aria-label={`What ${output.name} is told`}>
          <thead>
            <tr>
              <th scope="col">In</th>
              <th scope="col">Is told</th>
              <th scope="col">Bytes, to scale</th>
              <th scope="col">There after</th>
            </tr>
          </thead>
          <tbody>
            {tellings.slice(0, mostLists).map((telling, n) => (
              <tr key={n}>
                <th scope="row">
                  <PlaceLink place={telling.place}>{telling.name}</PlaceLink>
                  {whereWords(gadget, telling)}
                </th>
                <td>{toldWords(gadget, telling)}</td>
                <td>
                  <Bytes telling={telling} share={bytesOf(telling) / longest} />
                </td>
                <td className="number">
                  {output.transport === 'wire' ? showDuration(telling.messages.at(-1)!.thereUs) : '–'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {tellings.length > mostLists && (
        <p className={classes.soft}>… and {tellings.length - mostLists} more places.</p>
      )}
    </section>
  );
}

const bytesOf = ({ messages }: Telling) => messages.reduce((sum, { bytes }) => sum + bytes, 0);

/** “, rule 3”, “, Key C pressed”: which of what is told there. */
function whereWords({ controls, wiring }: Gadget, { where, rule, keyId }: Telling): string {
  const key = [...controls, ...wiring.sets].find(({ id }) => id === keyId)?.name ?? '';
  return {
    initial: ', as it begins',
    entry: ', on entering',
    exit: ', on leaving',
    rule: `, rule ${rule}`,
    press: `, ${key} pressed`,
    release: `, ${key} let go`,
  }[where];
}

function goesBy({ transport, runningStatus, queueBytes }: OutputOf<'midi'>): string {
  if (transport === 'free') return 'Its wire takes no time.';
  if (transport === 'usb')
    return `Packets of four bytes, taken when the computer asks; ${queueBytes} bytes wait for it at most.`;
  return `31,250\u202fBd, 320\u202fµs a byte; ${
    runningStatus ? 'a status byte only where it changes' : 'each message whole'
  }; ${queueBytes} bytes wait behind what is on its way.`;
}

const kinds = {
  noteOn: 'begins',
  noteOff: 'ends',
  control: 'controller',
  program: 'program',
  bend: 'bend',
  pressure: 'pressure',
  keyPressure: 'pressure on',
} as const;

type Told = Telling['messages'][number]['action'];

/** “plays a row of Chords, 3 notes at most”. */
function rowWords(
  { flow }: Gadget,
  action: Extract<Told, { kind: 'play' | 'letGo' }>,
  notes: number,
): { kind: string; number: string } {
  const most = count(notes, 'note');
  if (action.kind === 'letGo') return { kind: 'ends what its key plays', number: `(${most} at most)` };
  const name = flow.variables.find(({ id }) => id === action.variableId)?.name ?? '';
  return { kind: 'plays a row of', number: `${name} (${most} at most)` };
}

/** “begins C4, E4; controller 2”: notes by name where they are plain, what is worked out as it is written. */
function toldWords(gadget: Gadget, { messages }: Telling): string {
  const told = [...new Set(messages.map(({ action }) => action))];
  const said = told.slice(0, mostMessages).map((action) => {
    if (action.kind === 'sync') return { kind: syncWords[action.what], number: '' };
    if (action.kind === 'exclusive')
      return { kind: 'for one maker’s equipment', number: count(action.bytes.length, 'byte') };
    if (action.kind === 'fine')
      return { kind: 'fine controller', number: showExpression(action.controller, gadget) };
    if (action.kind !== 'midi')
      return rowWords(gadget, action, messages.filter((one) => one.action === action).length);
    const { message, first } = action;
    const isNote = message === 'noteOn' || message === 'noteOff' || message === 'keyPressure';
    const plain = /^\d+$/.test(first.trim());
    const number =
      plain && isNote && Number(first) < 128 ? noteName(Number(first)) : showExpression(first, gadget);
    return { kind: kinds[message], number };
  });
  const groups: { kind: string; numbers: string[] }[] = [];
  for (const { kind, number } of said) {
    const last = groups.at(-1);
    if (last?.kind === kind && number !== '') last.numbers.push(number);
    else groups.push({ kind, numbers: [number] });
  }
  const rest = told.length - said.length;
  return `${groups.map(({ kind, numbers }) => `${kind} ${numbers.join(', ')}`.trim()).join('; ')}${
    rest > 0 ? `; and ${count(rest, 'more message', 'more messages')}` : ''
  }`;
}

/** Each message a piece, its status byte dark where it is sent. */
function Bytes({ telling, share }: { telling: Telling; share: number }) {
  const all = count(bytesOf(telling), 'byte');
  return (
    <span
      className={classes.wire}
      style={{ width: `${share * 100}%` }}
      title={all}
      aria-label={all}
      role="img"
    >
      {telling.messages.map(({ bytes, whole }, n) => (
        <span key={n} style={{ flexGrow: bytes }}>
          {whole && <span className={classes.status} style={{ width: `${100 / bytes}%` }} />}
        </span>
      ))}
    </span>
  );
}

import type { OutputOf } from '@hum-lever/core';
import { Button, TextInput } from '@mantine/core';
import { useState } from 'react';
import { player } from '../../workers/index.ts';
import { Choice, useIsLit } from '../../shared/index.ts';
import { useOutput } from '../useOutput.ts';
import { readAt, usualBauds, withoutByte } from './garbled.ts';
import classes from './Terminal.module.css';

/** So many of the last lines are seen. */
const shown = 3;

/**
 * What stands in at the other end of the line. It can be set to a wrong speed, as real ones are, and loses a byte of the
 * next line when told to, whichever way that goes.
 */
export function TerminalInHand({ output }: { output: OutputOf<'serial'> }) {
  const { id, name, baud } = output;
  const [typed, setTyped] = useState('');
  const [wrong, setWrong] = useState<number | null>(null);
  const state = useOutput('serial', id);
  const pointed = useIsLit(id);
  const readBaud = wrong ?? baud;
  const bauds = [...new Set([...usualBauds, baud])].sort((a, b) => a - b);
  // What goes out is counted; the one on its way has not arrived.
  const arrived = (state?.order ?? 0) - (state && state.queue.length > 0 ? 1 : 0);
  const [loses, setLoses] = useState<number | null>(null);
  const armed = loses !== null && loses > arrived;
  const all = state?.lines ?? [];
  const read = all.map((line, n) => (arrived - (all.length - 1 - n) === loses ? withoutByte(line) : line));
  const lines = read.slice(-shown);
  const send = (ended: boolean) => {
    const text = armed ? withoutByte(typed) : typed;
    if (armed && typed !== '') setLoses(null);
    if (text !== '') player.touch(id, { what: 'line', text, ...(ended ? {} : { ended }) });
    setTyped('');
  };
  return (
    <figure className={classes.terminal} data-lit={pointed}>
      <output className={classes.lines} aria-label={`Received over ${name}`}>
        {lines.length === 0
          ? 'nothing received'
          : lines.map((line) => readAt(line, baud, readBaud)).join('\n')}
      </output>
      <form
        className={classes.send}
        onSubmit={(event) => {
          event.preventDefault();
          send(true);
        }}
      >
        <TextInput
          size="xs"
          aria-label={`Line to send to ${name}`}
          placeholder="volume 42"
          maxLength={output.longest}
          value={typed}
          onChange={(event) => setTyped(event.currentTarget.value)}
        />
        <Button size="compact-sm" variant="default" type="submit">
          Send
        </Button>
        <Button
          size="compact-sm"
          variant="subtle"
          title="Its end mark never comes"
          aria-label={`Send to ${name} without its end`}
          onClick={() => send(false)}
        >
          …
        </Button>
      </form>
      <figcaption>
        {name}
        <Button
          size="compact-xs"
          variant={armed ? 'light' : 'subtle'}
          aria-pressed={armed}
          title="The next line loses a byte on its way, whichever way it goes"
          onClick={() => setLoses(armed ? null : arrived + 1)}
        >
          lose a byte
        </Button>
        <Choice
          label={`Speed that ${name} is read at`}
          data={bauds.map((one) => ({ value: String(one), label: `reads ${one}\u202fBd` }))}
          value={String(readBaud)}
          choose={(chosen) => setWrong(Number(chosen) === baud ? null : Number(chosen))}
        />
      </figcaption>
    </figure>
  );
}

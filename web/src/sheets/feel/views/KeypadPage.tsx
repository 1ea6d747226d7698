import { Button as PushButton } from '@mantine/core';
import { readKeypad, rolloverOf, type TraceEntry } from '@hum-lever/core';
import { useMemo, useState } from 'react';
import { useDocument } from '../../../client/index.ts';
import { count, showDuration, StageIcon } from '../../../shared/index.ts';
import { traceNow, usePlayer } from '../../../workers/index.ts';
import classes from '../Feel.module.css';
import { useKeypads } from './useKeypads.ts';

/** Keys of an array, live: which are held, and what the scan reads of it. */
export function KeypadPage({ id }: { id: string }) {
  const gadget = useDocument();
  const keypad = useKeypads().find((one) => one.id === id);
  const rollover = useMemo(() => (keypad ? rolloverOf(keypad) : 0), [keypad]);
  const [pinned, setPinned] = useState<ReadonlySet<string>>(new Set());
  usePlayer((state) => state.traceVersion);
  if (!keypad) return null;
  const pressed = new Set([...pinned, ...heldNow(traceNow())]);
  const keys = readKeypad(keypad, pressed);
  const nameOf = new Map(gadget.controls.map((control) => [control.id, control.name]));
  const names = (fits: (key: (typeof keys)[number]) => boolean) =>
    keys
      .filter(fits)
      .map((key) => nameOf.get(key.id))
      .join(', ');
  const ghosts = names(({ pressed: down, read }) => read && !down);
  const hidden = names(({ pressed: down, read }) => !read && down);
  const toggle = (key: string) =>
    setPinned(
      (before) => new Set(before.has(key) ? [...before].filter((one) => one !== key) : [...before, key]),
    );
  return (
    <>
      <fieldset className={`card ${classes.advice}`}>
        <legend>
          <StageIcon stage="contact" /> How it is read
        </legend>
        <p className={classes.verdict}>
          <strong>{rolloverWords(rollover, keys.length)}</strong> All {keys.length} keys are looked at every{' '}
          {showDuration(keypad.everyUs)}, one look takes {showDuration(keypad.scanUs)}; presses of one look
          come in the order of the keys below.
        </p>
      </fieldset>
      <ol className={classes.keypad} aria-label="Keys in the order in which they are read">
        {keys.map((key) => (
          <li key={key.id}>
            <button
              type="button"
              aria-pressed={pressed.has(key.id)}
              data-read={key.read || undefined}
              data-wrong={key.read !== key.pressed || undefined}
              onClick={() => toggle(key.id)}
            >
              {nameOf.get(key.id)}
              <small>{key.read ? (key.pressed ? 'read' : 'ghost') : key.pressed ? 'hidden' : ''}</small>
            </button>
          </li>
        ))}
      </ol>
      <p role="status">
        {count(pressed.size, 'key')} held. {ghosts ? `Read without being pressed: ${ghosts}. ` : ''}
        {hidden ? `Pressed and not read: ${hidden}. ` : ''}
        {!ghosts && !hidden && pressed.size > 0 ? 'All of it is read truly.' : ''}
      </p>
      <PushButton
        size="compact-sm"
        variant="default"
        disabled={pinned.size === 0}
        onClick={() => setPinned(new Set())}
      >
        Let go of all
      </PushButton>
    </>
  );
}

function rolloverWords(rollover: number, keys: number): string {
  if (rollover >= keys) return 'Any keys together are read truly (n-key rollover).';
  if (rollover === 1) return 'Already two keys at once can be read wrongly.';
  return `Any ${rollover} keys together are read truly; ${rollover + 1} may not be.`;
}

/** Controls that fingers are on, by the trace. */
function heldNow(trace: readonly TraceEntry[]): string[] {
  const held = new Set<string>();
  for (const entry of trace)
    if (entry.lane === 'finger') {
      if (entry.down) held.add(entry.id);
      else held.delete(entry.id);
    }
  return [...held];
}

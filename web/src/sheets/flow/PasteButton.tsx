import { Button } from '@mantine/core';
import { pasteStates } from '@hum-lever/core';
import { useState } from 'react';
import { edit, useDocument } from '../../client/index.ts';
import { useClipping } from './clipboard.ts';
import classes from './Flow.module.css';

/** Pastes what was copied; what it names and is not here is said to have been left out. */
export function PasteButton() {
  const gadget = useDocument();
  const clipping = useClipping((state) => state.clipping);
  const [notes, setNotes] = useState<string[]>([]);
  if (!clipping) return null;
  const paste = () => {
    const pasted = pasteStates(gadget, clipping, null);
    const refused =
      pasted.gadget === gadget ? null : edit({ name: 'replaceFlow', args: [pasted.gadget.flow] });
    setNotes(refused === null ? pasted.notes : [refused]);
  };
  return (
    <>
      <Button size="compact-sm" variant="default" onClick={paste}>
        Paste {clipping.states[0]!.name}
      </Button>
      {notes.length > 0 && (
        <ul className={classes.notes} role="status">
          {notes.map((note) => (
            <li key={note}>{note}</li>
          ))}
        </ul>
      )}
    </>
  );
}

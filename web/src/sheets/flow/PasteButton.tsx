import { Button } from '@mantine/core';
import { pasteStates, readClipping } from '@hum-lever/core';
import { useMemo, useState } from 'react';
import { edit, useDocument } from '../../client/index.ts';
import classes from './Flow.module.css';

/** Pastes what was copied; what it names and is not here is said to have been left out. */
export default function PasteButton({ copied }: { copied: string }) {
  const gadget = useDocument();
  const [notes, setNotes] = useState<string[]>([]);
  const clipping = useMemo(() => readClipping(copied), [copied]);
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

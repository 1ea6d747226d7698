import { Button } from '@mantine/core';
import { type Clipping } from '@hum-lever/core';
import { useEffect, useState } from 'react';
import { edit, useDocument } from '../../client/index.ts';
import { ReadingNow } from '../../shared/index.ts';
import { useReading } from '../../workers/index.ts';
import classes from './Flow.module.css';

/** Pastes what was copied; what it names and is not here is said to have been left out. */
export default function PasteButton({ copied }: { copied: string }) {
  const gadget = useDocument();
  const [notes, setNotes] = useState<string[]>([]);
  const [clipping, setClipping] = useState<Clipping | null>(null);
  const { reading, run, stop } = useReading();
  useEffect(() => {
    let current = true;
    void run((reader) => reader.clipping(copied)).then((found) => current && setClipping(found));
    return () => {
      current = false;
    };
  }, [copied, run]);
  if (!clipping) return null;
  const paste = async () => {
    const pasted = await run((reader) => reader.paste(gadget, copied));
    if (!pasted) return;
    const refused =
      pasted.gadget.flow.states.length === gadget.flow.states.length
        ? null
        : edit({ name: 'replaceFlow', args: [pasted.gadget.flow] });
    setNotes(refused === null ? pasted.notes : [refused]);
  };
  return (
    <>
      <Button size="compact-sm" variant="default" onClick={() => void paste()}>
        Paste {clipping.states[0]!.name}
      </Button>
      <ReadingNow reading={reading} stop={stop} />
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

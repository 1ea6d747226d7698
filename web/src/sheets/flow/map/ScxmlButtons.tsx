import { Button, FileButton } from '@mantine/core';
import { printScxml, type ScxmlNote } from '@hum-lever/core';
import { useState } from 'react';
import { edit, useDocument } from '../../../client/index.ts';
import { count, ReadingNow, saveFile } from '../../../shared/index.ts';
import { useReading } from '../../../workers/index.ts';
import classes from './Map.module.css';

/** The flow out to the standard's file, and in from one; what could not be carried over is listed. */
export function ScxmlButtons() {
  const gadget = useDocument();
  const [told, setTold] = useState<{ message: string; notes: ScxmlNote[] } | null>(null);
  const { reading, run, stop } = useReading();
  const bring = async (file: File | null) => {
    if (!file) return;
    const text = await file.text();
    const read = await run((reader) => reader.scxml(text, gadget));
    if (!read) return;
    if (read.outcome === 'refused') {
      setTold({ message: read.message, notes: [] });
      return;
    }
    const refused = edit({ name: 'replaceFlow', args: [read.gadget.flow] });
    const left = read.notes.length === 0 ? 'everything was carried over' : 'not carried over:';
    setTold({
      message: refused ?? `${count(read.gadget.flow.states.length, 'state')} from ${file.name}; ${left}`,
      notes: read.notes,
    });
  };
  return (
    <>
      <Button
        size="compact-sm"
        variant="default"
        onClick={() => saveFile(`${gadget.name}.scxml`, 'application/scxml+xml', printScxml(gadget))}
      >
        Save as SCXML
      </Button>
      <FileButton accept=".scxml,.xml,application/scxml+xml" onChange={(file) => void bring(file)}>
        {(props) => (
          <Button size="compact-sm" variant="default" {...props}>
            Bring SCXML in
          </Button>
        )}
      </FileButton>
      <ReadingNow reading={reading} stop={stop} />
      {told && (
        <div className={classes.told} role="status">
          <p>
            {told.message} <button onClick={() => setTold(null)}>Close</button>
          </p>
          <ul>
            {told.notes.map(({ at, message }, n) => (
              <li key={n}>
                {at !== '' && <strong>{at}: </strong>}
                {message}
              </li>
            ))}
          </ul>
        </div>
      )}
    </>
  );
}

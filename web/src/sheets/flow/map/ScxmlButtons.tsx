import { Button, Menu } from '@mantine/core';
import { IconChevronDown } from '@tabler/icons-react';
import { printScxml, type ScxmlNote } from '@hum-lever/core';
import { useState } from 'react';
import { edit, useDocument } from '../../../client/index.ts';
import { count, ReadingNow, saveFile, PickFile } from '../../../shared/index.ts';
import { useReading } from '../../../workers/index.ts';
import classes from './Map.module.css';

/** The map as a picture, the flow out to the standard's file, and in from one; what was not carried over is listed. */
export function ScxmlButtons({ saveSvg }: { saveSvg: () => void }) {
  const gadget = useDocument();
  const [told, setTold] = useState<{ message: string; notes: ScxmlNote[] } | null>(null);
  const { reading, run, stop } = useReading();
  const bring = async (file: File) => {
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
      <PickFile accept=".scxml,.xml,application/scxml+xml" take={(file) => void bring(file)}>
        {({ onClick }) => (
          <Menu position="bottom-end">
            <Menu.Target>
              <Button size="compact-sm" variant="default" rightSection={<IconChevronDown size={14} />}>
                Files
              </Button>
            </Menu.Target>
            <Menu.Dropdown>
              <Menu.Item onClick={saveSvg}>Save as SVG</Menu.Item>
              <Menu.Item
                onClick={() => saveFile(`${gadget.name}.scxml`, 'application/scxml+xml', printScxml(gadget))}
              >
                Save as SCXML
              </Menu.Item>
              <Menu.Item onClick={onClick}>Bring SCXML in</Menu.Item>
            </Menu.Dropdown>
          </Menu>
        )}
      </PickFile>
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

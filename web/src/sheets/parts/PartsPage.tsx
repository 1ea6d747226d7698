import { Button, Menu } from '@mantine/core';
import { IconChevronDown } from '@tabler/icons-react';
import { printBillCsv, type CsvFault } from '@hum-lever/core';
import { Suspense, useState } from 'react';
import { replaceDocument, useDocument } from '../../client/index.ts';
import { FirstStep, ReadingNow, saveFile, SheetFrame, showMade, onDemand } from '../../shared/index.ts';
import { useReading } from '../../workers/index.ts';
import { Bill } from './Bill.tsx';
import { BoardSection } from './BoardSection.tsx';
import { CsvFaults, FilePicker } from './CsvFaults.tsx';
import { Gauges } from './Gauges.tsx';

const Catalogue = onDemand(() => import('./Catalogue.tsx'));

/** What is bought: parts with their figures, a bill that adds itself up, and the board that carries them. */
export function PartsPage() {
  const gadget = useDocument();
  const [adding, setAdding] = useState(false);
  const [faults, setFaults] = useState<CsvFault[]>([]);
  const [said, setSaid] = useState<string | null>(null);
  const { reading, run, stop } = useReading();
  const read = async (text: string) => {
    const table = await run((reader) => reader.bill(gadget, text));
    if (!table) return;
    if (table.outcome === 'faulty') {
      setSaid(null);
      setFaults(table.faults);
      return;
    }
    setFaults([]);
    replaceDocument(table.value.gadget);
    setSaid(`${table.value.added} parts added, ${table.value.changed} changed. Undo takes it all back.`);
  };
  const closeCatalogue = (addedId: string | null) => {
    setAdding(false);
    if (addedId !== null) showMade({ kind: 'part', id: addedId });
  };
  const add = <Button onClick={() => setAdding(true)}>Add a part</Button>;
  return (
    <SheetFrame
      title="Parts"
      about="What is bought and wired, what it costs, and what it asks of the board."
      tools={
        <>
          <Menu position="bottom-end">
            <Menu.Target>
              <Button variant="default" rightSection={<IconChevronDown size={15} aria-hidden />}>
                Table
              </Button>
            </Menu.Target>
            <Menu.Dropdown>
              <Menu.Item onClick={() => saveFile('parts.csv', 'text/csv', printBillCsv(gadget))}>
                Save the bill as CSV
              </Menu.Item>
              <FilePicker accept=".csv,text/csv" read={(text) => void read(text)}>
                {(pick) => (
                  <Menu.Item closeMenuOnClick={false} onClick={pick}>
                    Read parts from CSV…
                  </Menu.Item>
                )}
              </FilePicker>
            </Menu.Dropdown>
          </Menu>
          {gadget.parts.length > 0 && add}
        </>
      }
    >
      <ReadingNow reading={reading} stop={stop} />
      {said !== null && <p role="status">{said}</p>}
      <CsvFaults faults={faults} close={() => setFaults([])} />
      {gadget.parts.length === 0 ? (
        <FirstStep action={add}>
          Begin with one button and one light: enough to press something and see an answer. Every part shows
          up in hand at once, on the bill, and in what it asks of the board.
        </FirstStep>
      ) : (
        <Bill />
      )}
      <Gauges />
      <BoardSection />
      <Suspense fallback={null}>{adding && <Catalogue close={closeCatalogue} />}</Suspense>
    </SheetFrame>
  );
}

import { Button, Table } from '@mantine/core';
import type { CsvFault } from '@hum-lever/core';
import { useRef, type ReactNode } from 'react';
import classes from './Parts.module.css';

/** What was wrong with a table, by row and column; nothing of it was taken. */
export function CsvFaults({ faults, close }: { faults: readonly CsvFault[]; close: () => void }) {
  if (faults.length === 0) return null;
  return (
    <div className={`card ${classes.faults}`} role="alert">
      <p>Nothing was taken from that table. Mend these in it and read it again:</p>
      <Table>
        <Table.Thead>
          <Table.Tr>
            <Table.Th className="right">Row</Table.Th>
            <Table.Th>Column</Table.Th>
            <Table.Th>What is wrong</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {faults.map(({ row, column, message }) => (
            <Table.Tr key={`${row} ${column} ${message}`}>
              <Table.Td className="number right">{row}</Table.Td>
              <Table.Td>{column || 'the whole row'}</Table.Td>
              <Table.Td>{message}</Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
      <Button size="xs" variant="default" onClick={close}>
        Close
      </Button>
    </div>
  );
}

/** Lets the maker choose a file and hands over its text. */
export function FilePicker({
  accept,
  read,
  children,
}: {
  accept: string;
  read: (text: string, name: string) => void;
  children: (pick: () => void) => ReactNode;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        hidden
        accept={accept}
        aria-label="File to read"
        onChange={(event) => {
          const file = event.currentTarget.files?.[0];
          // The same file may be chosen again, once it was mended.
          event.currentTarget.value = '';
          if (file) void file.text().then((text) => read(text, file.name));
        }}
      />
      {children(() => input.current?.click())}
    </>
  );
}

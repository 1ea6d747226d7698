import { Table, UnstyledButton } from '@mantine/core';
import { IconArrowDown, IconArrowUp } from '@tabler/icons-react';
import type { Lead, Nets } from '@hum-lever/core';
import { useState } from 'react';
import { light, StageIcon, usePlace } from '../../shared/index.ts';
import { KeyPlaces } from './KeyPlaces.tsx';
import { LockField, PlaceField } from './LeadFields.tsx';
import { keyOfLead, natural, needOf, placeName, stageOfLead } from './leads.ts';
import classes from './Wiring.module.css';

const columns = ['part', 'end', 'needs', 'to'] as const;
type Column = (typeof columns)[number];
const columnWords: Record<Column, string> = {
  part: 'Part',
  end: 'End',
  needs: 'Is, or needs',
  to: 'Leads to',
};

/** Every end and where it leads: to sort, to change, to print. */
export function ListView({ nets }: { nets: Nets }) {
  const [sort, setSort] = useState<{ by: Column; down: boolean } | null>(null);
  const textOf: Record<Column, (lead: Lead) => string> = {
    part: ({ owner }) => owner.name,
    end: ({ terminal }) => terminal.name,
    needs: needOf,
    to: (lead) => placeName(nets, lead),
  };
  const rows = [...nets.leads];
  if (sort) {
    const key = (lead: Lead) => natural(textOf[sort.by](lead));
    rows.sort((a, b) => (key(a) < key(b) ? -1 : key(a) > key(b) ? 1 : 0) * (sort.down ? -1 : 1));
  }
  const turn = (by: Column) =>
    setSort(sort?.by === by ? (sort.down ? null : { by, down: true }) : { by, down: false });
  return (
    <>
      <Table className={classes.table!} verticalSpacing={3} aria-label="Wiring list">
        <Table.Thead>
          <Table.Tr>
            {columns.map((column) => {
              const on = sort?.by === column;
              const Icon = sort?.down ? IconArrowDown : IconArrowUp;
              return (
                <Table.Th key={column} aria-sort={on ? (sort.down ? 'descending' : 'ascending') : 'none'}>
                  <UnstyledButton className={classes.sort!} data-print onClick={() => turn(column)}>
                    {columnWords[column]}
                    {on && <Icon size={13} aria-hidden />}
                  </UnstyledButton>
                </Table.Th>
              );
            })}
            <Table.Th>Soldered</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody onMouseLeave={() => light([])} onBlur={() => light([])}>
          {rows.map((lead) => (
            <ListRow key={keyOfLead(lead)} nets={nets} lead={lead} sorted={sort !== null} />
          ))}
        </Table.Tbody>
      </Table>
      {nets.gadget.wiring.sets.map(({ id, name }) => (
        <section key={id} className={classes.keyList}>
          <h2 className={classes.heading}>Where the keys of {name} go</h2>
          <KeyPlaces setId={id} />
        </section>
      ))}
    </>
  );
}

function ListRow({ nets, lead, sorted }: { nets: Nets; lead: Lead; sorted: boolean }) {
  const { owner, terminal } = lead;
  // In its own order, the first end of a part is where a snag of it leads.
  const first = owner.terminals[0] === terminal;
  const { id, className } = usePlace(first ? owner.id : keyOfLead(lead));
  const show = () => light(owner.endIds);
  return (
    <Table.Tr id={id} className={className ?? ''} onMouseEnter={show} onFocus={show}>
      <Table.Td>
        <span className={classes.owner} data-again={(!first && !sorted) || undefined}>
          <StageIcon stage={stageOfLead(lead)} size={14} />
          {owner.name}
        </span>
      </Table.Td>
      <Table.Td>{terminal.name}</Table.Td>
      <Table.Td className="soft">{needOf(lead)}</Table.Td>
      <Table.Td>
        <PlaceField nets={nets} lead={lead} />
        <span className={`number ${classes.printed}`}>{placeName(nets, lead) || '—'}</span>
      </Table.Td>
      <Table.Td>
        <LockField lead={lead} />
      </Table.Td>
    </Table.Tr>
  );
}

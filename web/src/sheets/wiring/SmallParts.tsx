import { Button, Table } from '@mantine/core';
import {
  companionRoles,
  companionsOf,
  fitted,
  type Companion,
  type Decided,
  type Nets,
  type Proposal,
} from '@hum-lever/core';
import { useMemo } from 'react';
import { edit, useDocument } from '../../client/index.ts';
import { NumberField } from '../../shared/index.ts';
import classes from './Wiring.module.css';

const decide = (...decisions: Companion[]) => edit({ name: 'decide', args: [decisions] });

/** Small parts that this wiring needs, with the value worked out: fitted, declined, or not decided yet. */
export function SmallParts({ nets }: { nets: Nets }) {
  const gadget = useDocument();
  const { wanted, leftOver } = useMemo(() => companionsOf(gadget), [gadget]);
  const open = wanted.filter(({ decision }) => decision === null);
  if (wanted.length + leftOver.length === 0) return null;
  return (
    <section aria-label="Small parts">
      <div className={classes.line}>
        <h2 className={classes.heading}>Small parts that this wiring needs</h2>
        {open.length > 0 && (
          <Button size="xs" onClick={() => decide(...open.map(fitted))}>
            {open.length === 1 ? 'Fit it' : `Fit all ${open.length}`}
          </Button>
        )}
      </div>
      <Table className={`${classes.table} stacks`} verticalSpacing={3}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th>What</Table.Th>
            <Table.Th>For</Table.Th>
            <Table.Th>Value</Table.Th>
            <Table.Th className="right">Pieces</Table.Th>
            <Table.Th>Decided</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {wanted.map((proposal) => (
            <ProposalRow
              key={`${proposal.role} ${proposal.forId} ${proposal.terminal}`}
              nets={nets}
              proposal={proposal}
            />
          ))}
          {leftOver.map((companion) => (
            <LeftOverRow
              key={`${companion.role} ${companion.forId} ${companion.terminal}`}
              nets={nets}
              companion={companion}
            />
          ))}
        </Table.Tbody>
      </Table>
    </section>
  );
}

const nameOf = (nets: Nets, { forId, terminal }: Proposal) => {
  const owner = nets.owners.find(({ id }) => id === forId);
  const known = owner?.terminals.some(({ name }) => name === terminal);
  return `${owner?.name ?? ''}${known ? ` ${terminal}` : ''}`;
};

function ProposalRow({ nets, proposal }: { nets: Nets; proposal: Decided }) {
  const { role, decision } = proposal;
  const { title, unit } = companionRoles[role] ?? { title: role, unit: '' };
  const what = `${title} for ${nameOf(nets, proposal)}`;
  const own = decision?.fate === 'fitted' && decision.value !== proposal.value;
  return (
    <Table.Tr>
      <Table.Td>{title}</Table.Td>
      <Table.Td data-says="for">{nameOf(nets, proposal)}</Table.Td>
      <Table.Td>
        {proposal.value === 0 ? (
          ''
        ) : decision?.fate === 'fitted' ? (
          <NumberField
            label=""
            aria-label={`Value of ${what}`}
            unit={unit}
            width={110}
            min={0}
            value={decision.value}
            commit={(value) => decide({ ...decision, value })}
          />
        ) : (
          <span className="number">
            {proposal.value} {unit}
          </span>
        )}
        {own && (
          <span className="soft">
            {' '}
            proposed {proposal.value} {unit}
          </span>
        )}
      </Table.Td>
      <Table.Td className="number right" data-says="pieces">
        {decision?.quantity ?? proposal.quantity}
      </Table.Td>
      <Table.Td>
        <Decision proposal={proposal} what={what} />
      </Table.Td>
    </Table.Tr>
  );
}

function Decision({ proposal, what }: { proposal: Decided; what: string }) {
  const { decision, role, forId, terminal } = proposal;
  if (decision === null)
    return (
      <span className={classes.buttons}>
        <Button size="compact-xs" aria-label={`Fit: ${what}`} onClick={() => decide(fitted(proposal))}>
          Fit
        </Button>
        <Button
          size="compact-xs"
          variant="default"
          aria-label={`Decline: ${what}`}
          onClick={() => decide({ ...fitted(proposal), fate: 'declined' })}
        >
          Decline
        </Button>
      </span>
    );
  return (
    <span className={classes.buttons}>
      {decision.fate === 'fitted' ? 'fitted, on the bill' : 'declined'}
      <Button
        size="compact-xs"
        variant="default"
        aria-label={`Decide again: ${what}`}
        onClick={() => edit({ name: 'undecide', args: [role, forId, terminal] })}
      >
        Decide again
      </Button>
    </span>
  );
}

/** Fitted once, and nothing asks for it any more. */
function LeftOverRow({ nets, companion }: { nets: Nets; companion: Companion }) {
  const { role, forId, terminal, value, quantity } = companion;
  const { title, unit } = companionRoles[role] ?? { title: role, unit: '' };
  return (
    <Table.Tr>
      <Table.Td>{title}</Table.Td>
      <Table.Td data-says="for">{nameOf(nets, companion)}</Table.Td>
      <Table.Td className="number">{value === 0 ? '' : `${value} ${unit}`}</Table.Td>
      <Table.Td className="number right" data-says="pieces">
        {quantity}
      </Table.Td>
      <Table.Td>
        <span className={classes.buttons}>
          nothing needs it any more
          <Button
            size="compact-xs"
            variant="default"
            onClick={() => edit({ name: 'undecide', args: [role, forId, terminal] })}
          >
            Take it off the bill
          </Button>
        </span>
      </Table.Td>
    </Table.Tr>
  );
}

import { ActionIcon, Button, Table, VisuallyHidden } from '@mantine/core';
import { IconArrowDown, IconArrowUp, IconChevronRight, IconTrash } from '@tabler/icons-react';
import {
  billOf,
  companionRoles,
  kindOf,
  placedActions,
  type BillLine,
  type Gadget,
  type Part,
  type PartKind,
} from '@hum-lever/core';
import { useMemo, useState } from 'react';
import { edit, useDocument, useGadget, useHistory } from '../../client/index.ts';
import {
  count,
  NumberField,
  showMoney,
  StageIcon,
  TextField,
  usePlace,
  type Stage,
} from '../../shared/index.ts';
import { PartDetails, usesOf } from './PartDetails.tsx';
import classes from './Parts.module.css';

/** The bill: every part with its price, what is there already, and what is still to pay. */
export function Bill() {
  const gadget = useDocument();
  const { currency } = gadget.bill;
  const bill = useMemo(() => billOf(gadget), [gadget]);
  const [open, setOpen] = useState<string | null>(null);
  const [gone, setGone] = useState<{ words: string; after: Gadget } | null>(null);
  const { undo } = useHistory((history) => history);
  const remove = (part: Part) => {
    const refused = edit({ name: 'removePart', args: [part.id] });
    // Its place may be taken by the next part: that one begins closed.
    if (open === part.id) setOpen(null);
    const after = useGadget.getState().document!;
    setGone({ words: refused ?? goneWords(part, gadget, after), after });
  };
  const lines = new Map(bill.lines.filter(({ kind }) => kind === 'part').map((line) => [line.id, line]));
  const others = bill.lines.filter(({ kind }) => kind !== 'part');
  return (
    <>
      {gone && gone.after === gadget && (
        <p role="status" className={classes.gone}>
          {gone.words}{' '}
          <Button size="compact-xs" variant="default" onClick={() => undo()}>
            Undo
          </Button>
        </p>
      )}
      <Table className={`${classes.table} stacks`} verticalSpacing={5} horizontalSpacing={6}>
        <Table.Thead>
          <Table.Tr>
            <Table.Th>Part</Table.Th>
            <Table.Th>Name</Table.Th>
            <Table.Th className="right">Take</Table.Th>
            <Table.Th className="right">Have</Table.Th>
            <Table.Th className="right">Each</Table.Th>
            <Table.Th className="right">To pay</Table.Th>
            <Table.Th>
              <VisuallyHidden>Move and remove</VisuallyHidden>
            </Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {gadget.parts.map((part, index) => (
            <PartRow
              key={part.id}
              part={part}
              line={lines.get(part.id)!}
              first={index === 0}
              last={index === gadget.parts.length - 1}
              open={open === part.id}
              toggle={() => setOpen(open === part.id ? null : part.id)}
              remove={() => remove(part)}
            />
          ))}
          {others.map((line) => (
            <OtherRow
              key={`${line.kind} ${line.classId} ${line.id} ${line.name} ${line.value}`}
              line={line}
            />
          ))}
        </Table.Tbody>
        <Table.Tfoot>
          <Table.Tr>
            <Table.Th colSpan={4}>
              <span className={classes.sum}>
                All of it is worth {showMoney(bill.worthCents, currency)}
                <TextField
                  size="xs"
                  w={64}
                  maxLength={3}
                  aria-label="Currency"
                  value={currency}
                  commit={(typed) => edit({ name: 'setCurrency', args: [typed.trim().toUpperCase()] })}
                />
              </span>
            </Table.Th>
            <Table.Th className="right">Still to pay</Table.Th>
            <Table.Th className="number right">{showMoney(bill.toPayCents, currency)}</Table.Th>
            <Table.Td />
          </Table.Tr>
        </Table.Tfoot>
      </Table>
    </>
  );
}

/** What went with a part. */
function goneWords(part: Part, before: Gadget, after: Gadget): string {
  const rules = (gadget: Gadget) => gadget.flow.states.reduce((sum, state) => sum + state.rules.length, 0);
  const lines = (gadget: Gadget) =>
    placedActions(gadget.flow).reduce((sum, { actions }) => sum + actions.length, 0);
  const lost = [
    [rules(before) - rules(after), 'rule'],
    [lines(before) - lines(after), 'line of what happens', 'lines of what happens'],
    [before.wiring.wires.length - after.wiring.wires.length, 'wire'],
  ] as const;
  const words = lost.flatMap(([times, one, many]) => (times > 0 ? [count(times, one, many)] : []));
  return `${part.name} is gone${words.length > 0 ? `, and with it ${words.join(', ')}` : ''}.`;
}

interface PartRowProps {
  part: Part;
  line: BillLine;
  first: boolean;
  last: boolean;
  open: boolean;
  toggle: () => void;
  remove: () => void;
}

/** Where on the path a group of parts stands; null: beside it. */
function stageOfGroup(group: PartKind['group']): Stage | null {
  if (group === 'controls' || group === 'sensors') return 'contact';
  return group === 'memory' || group === 'chips' || group === 'power' ? null : 'output';
}

function PartRow({ part, line, first, last, open, toggle, remove }: PartRowProps) {
  const gadget = useDocument();
  const place = usePlace(part.id);
  const kind = kindOf(part);
  const uses = usesOf(gadget, part);
  const change = (patch: Partial<Omit<Part, 'id' | 'plays' | 'own'>>) =>
    edit({ name: 'changePart', args: [part.id, patch] });
  const stage = stageOfGroup(kind.group);
  return (
    <>
      <Table.Tr {...place}>
        <Table.Td>
          <Button
            variant="subtle"
            size="compact-sm"
            className={classes.kind!}
            data-print
            aria-expanded={open}
            aria-label={`${kind.title}: figures of ${part.name}`}
            title={kind.title}
            onClick={toggle}
            leftSection={stage ? <StageIcon stage={stage} /> : <span className={classes.noStage} />}
            rightSection={<IconChevronRight size={14} aria-hidden className={open ? classes.opened! : ''} />}
          >
            <span className={classes.kindTitle}>{kind.title}</span>
          </Button>
        </Table.Td>
        <Table.Td className={classes.nameCell!}>
          <TextField
            size="xs"
            aria-label={`Name of ${part.name}`}
            value={part.name}
            commit={(typed) => change({ name: typed.trim() })}
          />
        </Table.Td>
        <Table.Td className="right" data-says="take">
          <NumberField
            label=""
            aria-label={`How many of ${part.name} to take`}
            width={58}
            min={1}
            max={999}
            value={part.quantity}
            commit={(quantity) => change({ quantity })}
          />
        </Table.Td>
        <Table.Td className="right" data-says="have">
          <NumberField
            label=""
            aria-label={`How many of ${part.name} there are already`}
            width={58}
            min={0}
            max={999}
            value={part.have}
            commit={(have) => change({ have })}
          />
        </Table.Td>
        <Table.Td className="right" data-says="each">
          <NumberField
            label=""
            aria-label={`Price of one ${part.name}`}
            width={78}
            min={0}
            decimals={2}
            fixed
            value={line.eachCents / 100}
            commit={(price) => change({ priceCents: Math.round(price * 100) })}
          />
        </Table.Td>
        <Table.Td className="number right" data-says="to pay">
          {showMoney(line.toPayCents, gadget.bill.currency)}
        </Table.Td>
        <Table.Td>
          <span className={classes.tools}>
            <ActionIcon
              variant="subtle"
              aria-label={`Move ${part.name} up`}
              disabled={first}
              onClick={() => edit({ name: 'movePart', args: [part.id, -1] })}
            >
              <IconArrowUp size={16} stroke={1.7} />
            </ActionIcon>
            <ActionIcon
              variant="subtle"
              aria-label={`Move ${part.name} down`}
              disabled={last}
              onClick={() => edit({ name: 'movePart', args: [part.id, 1] })}
            >
              <IconArrowDown size={16} stroke={1.7} />
            </ActionIcon>
            <ActionIcon
              variant="subtle"
              aria-label={`Remove ${part.name}${uses > 0 ? `, with its ${count(uses, 'use')}` : ''}`}
              onClick={remove}
            >
              <IconTrash size={16} stroke={1.7} />
            </ActionIcon>
          </span>
        </Table.Td>
      </Table.Tr>
      {open && (
        <Table.Tr>
          <Table.Td colSpan={7}>
            <PartDetails part={part} />
          </Table.Td>
        </Table.Tr>
      )}
    </>
  );
}

/** The board, and small parts that were fitted in Wiring. */
function OtherRow({ line }: { line: BillLine }) {
  const { currency } = useDocument().bill;
  const role = companionRoles[line.classId];
  const what = role ? `${role.title}${line.value ? ` ${line.value}\u202f${role.unit}` : ''}` : 'Board';
  return (
    <Table.Tr className={classes.other!}>
      <Table.Td>{what}</Table.Td>
      <Table.Td>{role ? `for ${line.name}` : line.name}</Table.Td>
      <Table.Td className="number right" data-says="take">
        {line.quantity}
      </Table.Td>
      <Table.Td className="number right" data-says="have">
        {line.have}
      </Table.Td>
      <Table.Td className="number right" data-says="each">
        {showMoney(line.eachCents, currency)}
      </Table.Td>
      <Table.Td className="number right" data-says="to pay">
        {showMoney(line.toPayCents, currency)}
      </Table.Td>
      <Table.Td />
    </Table.Tr>
  );
}

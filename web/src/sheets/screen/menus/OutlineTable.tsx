import { ActionIcon, Table } from '@mantine/core';
import {
  IconArrowBarLeft,
  IconArrowBarRight,
  IconChevronDown,
  IconChevronUp,
  IconX,
  type Icon,
} from '@tabler/icons-react';
import {
  budgetsOf,
  type Budget,
  type Effort,
  type ItemFigures,
  type Menu,
  type MenuFigures,
  type MenuItem,
} from '@hum-lever/core';
import { edit, useDocument } from '../../../client/index.ts';
import { Prose, usePlace } from '../../../shared/index.ts';
import { effortAloud, effortWords } from './effortWords.ts';
import { ItemSentence } from './ItemSentence.tsx';
import classes from './Menus.module.css';

/** How many submenus lie around an item. */
function depthOf({ items }: Menu, item: MenuItem): number {
  let depth = 0;
  for (let at = item.parentId; at !== null && depth < items.length; depth += 1)
    at = items.find(({ id }) => id === at)?.parentId ?? null;
  return depth;
}

/** The outline: what each row is, and what it costs to open it, to set it as usual, and to set it as far as it goes. */
export function OutlineTable({
  menu,
  figures,
  chosen,
  choose,
}: {
  menu: Menu;
  figures: MenuFigures | null;
  chosen: string | null;
  choose: (id: string) => void;
}) {
  const gadget = useDocument();
  const budgets = figures && budgetsOf(gadget, menu, figures);
  if (menu.items.length === 0)
    return <p className={classes.none}>Nothing stands in this menu yet. Add what is to be set.</p>;
  return (
    <Table className={classes.table!} verticalSpacing={2} aria-label={`Items of ${menu.name}`}>
      <Table.Thead>
        <Table.Tr>
          <Table.Th>Item</Table.Th>
          <Table.Th className="right">To open</Table.Th>
          <Table.Th className="right">As usual</Table.Th>
          <Table.Th className="right">Farthest</Table.Th>
        </Table.Tr>
      </Table.Thead>
      <Table.Tbody>
        {menu.items.map((item, at) => (
          <ItemRow
            key={item.id}
            menu={menu}
            item={item}
            figures={figures?.items[at] ?? null}
            budgets={budgets?.get(item.id) ?? []}
            chosen={item.id === chosen}
            choose={() => choose(item.id)}
          />
        ))}
      </Table.Tbody>
    </Table>
  );
}

function ItemRow({
  menu,
  item,
  figures,
  budgets,
  chosen,
  choose,
}: {
  menu: Menu;
  item: MenuItem;
  figures: ItemFigures | null;
  budgets: readonly Budget[];
  chosen: boolean;
  choose: () => void;
}) {
  const { id, className } = usePlace(item.id);
  const over = budgets.filter((one) => one.over);
  return (
    <Table.Tr
      id={id}
      className={className}
      data-chosen={chosen || undefined}
      onFocusCapture={choose}
      onClickCapture={choose}
    >
      <Table.Td>
        <div className={classes.item} style={{ paddingLeft: depthOf(menu, item) * 18 }}>
          <Prose id={item.id}>
            <ItemSentence menu={menu} item={item} />
          </Prose>
          <ItemTools menu={menu} item={item} />
        </div>
        {budgets.length > 0 && (
          <p className={classes.task} data-over={over.length > 0 || undefined}>
            {over.length > 0 ? 'over' : 'within'} the budget of{' '}
            {(over.length > 0 ? over : budgets).map(({ task }) => task.name).join(', ')}
          </p>
        )}
      </Table.Td>
      <Cost effort={figures?.reach ?? null} />
      <Cost effort={figures?.typical ?? null} to={figures?.typical?.to ?? null} />
      <Cost effort={figures?.far ?? null} to={figures?.far?.to ?? null} />
    </Table.Tr>
  );
}

function Cost({ effort, to = null }: { effort: Effort | null; to?: number | null }) {
  if (!effort) return <Table.Td className="right">–</Table.Td>;
  const words = effortAloud(effort, to);
  return (
    <Table.Td className="right number" title={words} aria-label={words}>
      {effortWords(effort)}
    </Table.Td>
  );
}

function ItemTools({ menu, item }: { menu: Menu; item: MenuItem }) {
  const beside = menu.items.filter(({ parentId }) => parentId === item.parentId);
  const at = beside.indexOf(item);
  const above = beside.slice(0, at).findLast(({ kind }) => kind === 'submenu');
  const around = menu.items.find(({ id }) => id === item.parentId);
  return (
    <span className={classes.tools}>
      <Tool
        icon={IconChevronUp}
        label={`${item.name}: earlier`}
        disabled={at === 0}
        act={() => edit({ name: 'moveMenuItem', args: [menu.id, item.id, -1] })}
      />
      <Tool
        icon={IconChevronDown}
        label={`${item.name}: later`}
        disabled={at === beside.length - 1}
        act={() => edit({ name: 'moveMenuItem', args: [menu.id, item.id, 1] })}
      />
      <Tool
        icon={IconArrowBarRight}
        label={above ? `${item.name}: into ${above.name}` : `${item.name}: into the submenu above`}
        disabled={!above}
        act={() => above && edit({ name: 'nestMenuItem', args: [menu.id, item.id, above.id] })}
      />
      <Tool
        icon={IconArrowBarLeft}
        label={around ? `${item.name}: out of ${around.name}` : `${item.name}: out of its submenu`}
        disabled={!around}
        act={() => around && edit({ name: 'nestMenuItem', args: [menu.id, item.id, around.parentId] })}
      />
      <Tool
        icon={IconX}
        label={`Take ${item.name} out`}
        act={() => edit({ name: 'removeMenuItem', args: [menu.id, item.id] })}
      />
    </span>
  );
}

function Tool({
  icon: Sign,
  label,
  disabled = false,
  act,
}: {
  icon: Icon;
  label: string;
  disabled?: boolean;
  act: () => void;
}) {
  return (
    <ActionIcon size="sm" variant="subtle" aria-label={label} title={label} disabled={disabled} onClick={act}>
      <Sign size={15} />
    </ActionIcon>
  );
}

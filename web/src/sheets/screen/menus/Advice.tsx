import { Button, Table, VisuallyHidden } from '@mantine/core';
import {
  menuSchemeEdit,
  schemeFor,
  type Menu,
  type MenuAdvice,
  type MenuFigures,
  type SchemeFigures,
  type SingleEdit,
} from '@hum-lever/core';
import { useCallback } from 'react';
import { edit, useDocument } from '../../../client/index.ts';
import { count, showDuration } from '../../../shared/index.ts';
import { schemeWords } from '../../../words/index.ts';
import { lab, useAnswer } from '../../../workers/index.ts';
import { effortWords } from './effortWords.ts';
import classes from './Menus.module.css';

/** All schemes on the same menu, an order that costs less, and depth against breadth. */
export function Advice({ menu, figures }: { menu: Menu; figures: MenuFigures | null }) {
  const gadget = useDocument();
  const ask = useCallback(() => lab().menuAdvice(gadget, menu.id), [gadget, menu.id]);
  const advice = useAnswer(ask, false);
  if (menu.items.length === 0 || !advice) return null;
  return (
    <section className={classes.advice} aria-label="What it costs">
      {figures && (
        <p>
          On the whole a setting takes <b className="number">{effortWords(figures.usual)}</b>, each counted as
          often as it is wanted. Presses, holds and detents count one each; times are those of practised
          hands, with {showDuration(1_350_000)} to think before each new kind of move.
        </p>
      )}
      <Order menu={menu} order={advice.order} />
      <Depth depths={advice.depths} />
      <Schemes menu={menu} advice={advice} />
    </section>
  );
}

function Order({ menu, order }: { menu: Menu; order: MenuAdvice['order'] }) {
  if (!order) return null;
  const put = () =>
    edit({
      name: 'several',
      args: [
        order.orders.map(({ parentId, ids }): SingleEdit => ({
          name: 'orderMenuItems',
          args: [menu.id, parentId, ids],
        })),
      ],
    });
  return (
    <p>
      With what is wanted more often first: <b className="number">{effortWords(order.after)}</b> instead of{' '}
      <span className="number">{effortWords(order.before)}</span>.{' '}
      <Button size="compact-xs" variant="default" onClick={put}>
        Put them so
      </Button>
    </p>
  );
}

function Depth({ depths }: { depths: MenuAdvice['depths'] }) {
  const [best] = depths?.tried ?? [];
  if (!depths || !best) return null;
  const shape =
    best.size === null
      ? 'all in one list'
      : `in ${count(best.groups, 'submenu', 'submenus')} of ${best.size}`;
  return (
    <p>
      Depth against breadth, in this order:{' '}
      {best.usual.timeUs < depths.now.timeUs ? (
        <>
          {shape} it would take <b className="number">{effortWords(best.usual)}</b> instead of{' '}
          <span className="number">{effortWords(depths.now)}</span>, whatever belongs together.
        </>
      ) : (
        <>no single list and no two levels of one size are quicker than what there is.</>
      )}
    </p>
  );
}

function Schemes({ menu, advice }: { menu: Menu; advice: MenuAdvice }) {
  const { schemes, best } = advice;
  const own = schemes.find((one) => one.own);
  return (
    <>
      {best && (
        <p>
          {own && best === own ? (
            <>Of all that this gadget has controls for, the way that it has is the quickest.</>
          ) : (
            <>
              Quickest of {best.fits ? 'all that this gadget has controls for' : 'all'}:{' '}
              {schemeWords[best.scheme]}
              {best.quick ? ', counting more when turned quickly' : ''},{' '}
              <b className="number">{effortWords(best.usual)}</b>
              {own && (
                <>
                  {' '}
                  instead of <span className="number">{effortWords(own.usual)}</span>
                </>
              )}
              .
            </>
          )}
        </p>
      )}
      <Table className={classes.schemes!} verticalSpacing={2} aria-label="All ways to work it">
        <Table.Thead>
          <Table.Tr>
            <Table.Th>Worked by</Table.Th>
            <Table.Th>Takes</Table.Th>
            <Table.Th className="right">A setting</Table.Th>
            <Table.Th className="right">At worst</Table.Th>
            <Table.Th>
              <VisuallyHidden>Take it</VisuallyHidden>
            </Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {schemes.map((one) => (
            <SchemeRow key={`${one.scheme} ${one.quick}`} menu={menu} one={one} best={one === best} />
          ))}
        </Table.Tbody>
      </Table>
    </>
  );
}

function SchemeRow({ menu, one, best }: { menu: Menu; one: SchemeFigures; best: boolean }) {
  const gadget = useDocument();
  const { scheme, quick, buttons, encoders, usual, worst, fits, own } = one;
  const takes = [
    ...(encoders > 0 ? [count(encoders, 'wheel', 'wheels')] : []),
    ...(buttons > 0 ? [count(buttons, 'key', 'keys')] : []),
  ].join(', ');
  return (
    <Table.Tr data-own={own || undefined} data-best={best || undefined}>
      <Table.Td>
        {schemeWords[scheme]}
        {quick && ', more when quick'}
        {best && <span className={classes.best}> quickest</span>}
      </Table.Td>
      <Table.Td>{takes}</Table.Td>
      <Table.Td className="right number">{effortWords(usual)}</Table.Td>
      <Table.Td className="right number">{worst ? effortWords(worst.effort) : '–'}</Table.Td>
      <Table.Td className="right">
        {own ? (
          'as it is'
        ) : fits ? (
          <Button
            size="compact-xs"
            variant="default"
            aria-label={`Work it by ${schemeWords[scheme]}`}
            onClick={() => edit(menuSchemeEdit(gadget, menu, schemeFor(gadget, scheme)))}
          >
            Work it so
          </Button>
        ) : (
          <span className={classes.few}>too few controls</span>
        )}
      </Table.Td>
    </Table.Tr>
  );
}

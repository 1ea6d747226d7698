import { Button, Menu } from '@mantine/core';
import { gridOf, nestingOf, printGridCsv, type GridCell, type State, type Trigger } from '@hum-lever/core';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { edit, useDocument } from '../../../client/index.ts';
import { count, goTo, saveFile } from '../../../shared/index.ts';
import { useActive } from '../lastRule.ts';
import { triggerChoices, triggerValue } from '../sentences.ts';
import classes from './Grid.module.css';

/** States against events: what each state answers, by which rule and from where, and what nothing answers. */
export function GridView() {
  const gadget = useDocument();
  const active = useActive();
  const grid = useMemo(() => gridOf(gadget), [gadget]);
  const nesting = useMemo(() => nestingOf(gadget.flow), [gadget.flow]);
  const words = (trigger: Trigger) => {
    const value = triggerValue(trigger);
    const said = triggerChoices(gadget, trigger).find((choice) => choice.value === value)!.label;
    if (trigger.kind === 'turn') return `${said} ${trigger.by}`;
    return trigger.kind === 'crossing'
      ? `${said} ${trigger.at} from ${trigger.rising ? 'below' : 'above'}`
      : said;
  };
  return (
    <>
      <div className={classes.tools}>
        <p>
          {grid.open === 0
            ? 'Every event is answered in every state, or left unanswered on purpose.'
            : `${count(grid.open, 'cell')} ${grid.open === 1 ? 'is' : 'are'} open: nothing answers there. Add a rule, or mark it as meant.`}{' '}
          Timers and rules that need no event are each state’s own and have no column.
        </p>
        <Button
          size="compact-sm"
          variant="default"
          onClick={() => saveFile(`${gadget.name} grid.csv`, 'text/csv', printGridCsv(gadget))}
        >
          Save as CSV
        </Button>
      </div>
      <div className={classes.scroll} tabIndex={0} role="region" aria-label="Grid of states and events">
        <table className={classes.grid}>
          <thead>
            <tr>
              <th scope="col">State</th>
              {grid.events.map((trigger) => (
                <th scope="col" key={JSON.stringify(trigger)}>
                  {words(trigger)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {grid.rows.map(({ state, depth, cells }) => (
              <tr key={state.id} data-current={active.includes(state.id) || undefined}>
                <th scope="row" style={{ paddingLeft: 8 + depth * 12 }}>
                  {state.name}
                </th>
                {cells.map((cell, at) => (
                  <Cell
                    key={at}
                    cell={cell}
                    state={state}
                    trigger={grid.events[at]!}
                    event={words(grid.events[at]!)}
                    standing={nesting.childrenOf(state.id).length === 0}
                  />
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

function Cell({
  cell: { answers, ignoredBy, elsewhere, open },
  state,
  trigger,
  event,
  standing,
}: {
  cell: GridCell;
  state: State;
  trigger: Trigger;
  event: string;
  standing: boolean;
}) {
  const gadget = useDocument();
  const [, setParams] = useSearchParams();
  const names = new Map(gadget.flow.states.map(({ id, name }) => [id, name]));
  const show = (kind: 'rule' | 'state', id: string) => {
    setParams({});
    goTo({ kind, id });
  };
  const addRule = () => {
    edit({
      name: 'addRule',
      args: [state.id, { trigger, guard: null, actions: [], targetIds: [], internal: false }],
    });
    show('state', state.id);
  };
  const ignore = (on: boolean) =>
    edit({ name: 'setIgnored', args: [on ? state.id : ignoredBy!.id, trigger, on] });
  const said = answers.map(({ rule, owner }) => {
    const where = rule.targetIds.map((id) => names.get(id)).join(' and ');
    const what = where === '' ? (rule.actions.length > 0 ? 'acts' : 'stays') : `→ ${where}`;
    return {
      key: rule.id,
      id: rule.id,
      text: rule.guard === null ? what : `if … ${what}`,
      from: owner.id === state.id ? null : owner.name,
    };
  });
  const label =
    said.length > 0
      ? said.map(({ text, from }) => (from ? `${text}, from ${from}` : text)).join('; ')
      : ignoredBy
        ? `ignored on purpose${ignoredBy.id === state.id ? '' : ` by ${ignoredBy.name}`}`
        : elsewhere
          ? 'answered beside it'
          : 'open';
  return (
    <td
      data-open={(open && standing) || undefined}
      data-inherited={said.every(({ from }) => from) || undefined}
    >
      <Menu position="bottom-start">
        <Menu.Target>
          <button type="button" className={classes.cell} aria-label={`${state.name}, ${event}: ${label}`}>
            {said.map(({ key, text, from }) => (
              <span key={key} className={from ? classes.from : undefined}>
                {text}
                {from && <small> from {from}</small>}
              </span>
            ))}
            {said.length === 0 &&
              (ignoredBy || elsewhere ? (
                <span className={classes.meant}>{ignoredBy ? 'meant so' : 'beside it'}</span>
              ) : (
                '·'
              ))}
          </button>
        </Menu.Target>
        <Menu.Dropdown>
          {answers.map(({ rule, owner }) => (
            <Menu.Item key={rule.id} onClick={() => show('rule', rule.id)}>
              Open rule {owner.rules.indexOf(rule) + 1} of {owner.name}
            </Menu.Item>
          ))}
          <Menu.Item onClick={addRule}>Add a rule to {state.name} for it</Menu.Item>
          {answers.length === 0 &&
            (ignoredBy ? (
              <Menu.Item onClick={() => ignore(false)}>
                No longer ignored on purpose{ignoredBy.id === state.id ? '' : ` by ${ignoredBy.name}`}
              </Menu.Item>
            ) : (
              <Menu.Item onClick={() => ignore(true)}>Ignored on purpose</Menu.Item>
            ))}
        </Menu.Dropdown>
      </Menu>
    </td>
  );
}

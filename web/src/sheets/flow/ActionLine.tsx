import { ActionIcon, Menu } from '@mantine/core';
import { IconChevronUp, IconPlus, IconX } from '@tabler/icons-react';
import type { Action } from '@hum-lever/core';
import { useRef } from 'react';
import { useDocument } from '../../client/index.ts';
import { lastingOffers } from '../../outputs/offers.ts';
import { begin, Prose } from '../../shared/index.ts';
import { ActionSlots } from './ActionSlots.tsx';
import { actionChoices } from './sentences.ts';
import classes from './Flow.module.css';

type Put = (actions: Action[]) => string | null;

/** What happens, one after the other, as running text; `put` replaces the whole list. */
export function ActionList({
  label,
  actions,
  put,
  putLasting,
}: {
  label: string;
  actions: Action[];
  put: Put;
  /** Where something can last: what happens first, and what takes it back in the end. */
  putLasting?: (action: Action, until: Action) => void;
}) {
  const replace = (index: number, by: Action[]) => put(actions.toSpliced(index, 1, ...by));
  return (
    <ul className={classes.actions} aria-label={label}>
      {actions.map((action, index) => (
        <li key={index}>
          <Prose
            id={`${label} ${index}`}
            tools={
              <span className={classes.lineTools}>
                {index > 0 && (
                  <ActionIcon
                    size="sm"
                    variant="subtle"
                    aria-label="Do the line before after this one"
                    onClick={() => put(actions.toSpliced(index - 1, 2, action, actions[index - 1]!))}
                  >
                    <IconChevronUp size={15} />
                  </ActionIcon>
                )}
                <ActionIcon
                  size="sm"
                  variant="subtle"
                  aria-label="Take this line out"
                  onClick={() => replace(index, [])}
                >
                  <IconX size={15} />
                </ActionIcon>
              </span>
            }
          >
            <ActionSlots action={action} put={(changed) => replace(index, [changed])} />
          </Prose>
        </li>
      ))}
      <li>
        <AddAction
          label={label}
          add={(action) => {
            begin(`${label} ${actions.length}`);
            put([...actions, action]);
          }}
          addLasting={putLasting}
        />
      </li>
    </ul>
  );
}

/** More than so many would push what happens once out of sight, and come behind it. */
const fewLasting = 8;

function AddAction({
  label,
  add,
  addLasting,
}: {
  label: string;
  add: (action: Action) => void;
  addLasting: ((action: Action, until: Action) => void) | undefined;
}) {
  const gadget = useDocument();
  const button = useRef<HTMLButtonElement>(null);
  const lasting = addLasting ? lastingOffers(gadget) : [];
  const whileHere = lasting.length > 0 && (
    <>
      <Menu.Label>As long as it is here</Menu.Label>
      {lasting.map(({ label: word, action, until }) => (
        <Menu.Item
          key={word}
          onClick={() => {
            addLasting!(action, until);
            button.current?.focus();
          }}
        >
          {word}
        </Menu.Item>
      ))}
    </>
  );
  return (
    <Menu position="bottom-start" returnFocus={false}>
      <Menu.Target>
        <button
          type="button"
          ref={button}
          className={classes.add}
          aria-label={`${label}: add something that happens`}
        >
          <IconPlus size={13} aria-hidden /> do
        </button>
      </Menu.Target>
      <Menu.Dropdown className={classes.choices!}>
        {lasting.length <= fewLasting && whileHere}
        {lasting.length > 0 && <Menu.Label>Just once, on entering</Menu.Label>}
        {actionChoices(gadget).map(({ label: word, action }) => (
          <Menu.Item key={word} onClick={() => add(action)}>
            {word}
          </Menu.Item>
        ))}
        {lasting.length > fewLasting && whileHere}
      </Menu.Dropdown>
    </Menu>
  );
}

import { ActionIcon, Menu } from '@mantine/core';
import { IconChevronUp, IconPlus, IconX } from '@tabler/icons-react';
import type { Action } from '@hum-lever/core';
import { useDocument } from '../../client/index.ts';
import { ActionSlots } from './ActionSlots.tsx';
import { begin, Prose } from './Prose.tsx';
import { actionChoices } from './sentences.ts';
import classes from './Flow.module.css';

type Put = (actions: Action[]) => string | null;

/** What happens, one after the other, as running text; `put` replaces the whole list. */
export function ActionList({ label, actions, put }: { label: string; actions: Action[]; put: Put }) {
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
        />
      </li>
    </ul>
  );
}

function AddAction({ label, add }: { label: string; add: (action: Action) => void }) {
  const gadget = useDocument();
  return (
    <Menu position="bottom-start" returnFocus={false}>
      <Menu.Target>
        <button type="button" className={classes.add} aria-label={`${label}: add something that happens`}>
          <IconPlus size={13} aria-hidden /> do
        </button>
      </Menu.Target>
      <Menu.Dropdown>
        {actionChoices(gadget).map(({ label: word, action }) => (
          <Menu.Item key={word} onClick={() => add(action)}>
            {word}
          </Menu.Item>
        ))}
      </Menu.Dropdown>
    </Menu>
  );
}

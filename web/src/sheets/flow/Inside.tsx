import { ActionIcon, Button } from '@mantine/core';
import { IconTrash } from '@tabler/icons-react';
import { chanceKinds, countUses, type Flow } from '@hum-lever/core';
import { edit, useDocument } from '../../client/index.ts';
import { Choice, count, TextField } from '../../shared/index.ts';
import { UsesMenu } from './UsesMenu.tsx';
import classes from './Flow.module.css';

const chanceWords: Record<Flow['chance'], string> = {
  same: 'the same every time',
  press: 'from when the first press comes',
  noise: 'from noise of the circuit',
};

/** What happens inside: signals, timers with names, and where chance begins. */
export default function Inside() {
  const { flow } = useDocument();
  const { signals, timers } = flow;
  return (
    <div className={classes.inside}>
      <NamedList
        title="Signals"
        about="Raised by one rule, heard by others, before anything from outside."
        add="Add a signal"
        list={signals}
        onAdd={() => edit({ name: 'addSignal', args: [`Signal ${signals.length + 1}`] })}
        rename={(id, name) => edit({ name: 'renameSignal', args: [id, name] })}
        remove={(id) => edit({ name: 'removeSignal', args: [id] })}
      />
      <NamedList
        title="Timers"
        about="Started and stopped by rules; they run whatever state the gadget is in."
        add="Add a timer"
        list={timers}
        onAdd={() => edit({ name: 'addTimer', args: [`Timer ${timers.length + 1}`] })}
        rename={(id, name) => edit({ name: 'renameTimer', args: [id, name] })}
        remove={(id) => edit({ name: 'removeTimer', args: [id] })}
      />
      <section>
        <h2>Chance</h2>
        <p className={classes.typedHint}>Where the numbers of random() begin at power-up.</p>
        <Choice
          label="Chance begins"
          data={chanceKinds.map((value) => ({ value, label: chanceWords[value] }))}
          value={flow.chance}
          choose={(chance) => edit({ name: 'setChance', args: [chance] })}
        />
      </section>
    </div>
  );
}

function NamedList({
  title,
  about,
  add,
  list,
  onAdd,
  rename,
  remove,
}: {
  title: string;
  about: string;
  add: string;
  list: readonly { id: string; name: string }[];
  onAdd: () => void;
  rename: (id: string, name: string) => string | null;
  remove: (id: string) => void;
}) {
  const gadget = useDocument();
  return (
    <section>
      <h2>{title}</h2>
      <p className={classes.typedHint}>{about}</p>
      <ul className={classes.named}>
        {list.map(({ id, name }) => (
          <li key={id}>
            <TextField
              size="xs"
              aria-label={`Name of ${name}`}
              value={name}
              commit={(typed) => rename(id, typed.trim())}
            />
            <UsesMenu id={id} name={name} />
            <ActionIcon
              variant="subtle"
              size="sm"
              aria-label={`Remove ${name}, used in ${count(countUses(gadget, id), 'place')}`}
              onClick={() => remove(id)}
            >
              <IconTrash size={16} stroke={1.7} />
            </ActionIcon>
          </li>
        ))}
      </ul>
      <Button size="compact-sm" variant="default" onClick={onAdd}>
        {add}
      </Button>
    </section>
  );
}

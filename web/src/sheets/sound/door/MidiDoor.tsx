import { Button } from '@mantine/core';
import type { OutputOf } from '@hum-lever/core';
import { Choice } from '../../../shared/index.ts';
import classes from '../Sound.module.css';
import { hasDoor, leadTo, listenTo, openDoor, useDoor, type Port } from './door.ts';

const asChoices = (nothing: string, ports: readonly Port[]) => [
  { value: '', label: nothing },
  ...ports.map(({ id, name }) => ({ value: id, label: name })),
];

/** What stands on the table plays along, where the browser has a door for it and its maker opens that. */
export function MidiDoor({ wires }: { wires: readonly OutputOf<'midi'>[] }) {
  const { ports, refused, leads, inputId } = useDoor();
  if (!hasDoor()) return null;
  if (!ports)
    return (
      <div className={classes.more}>
        <Button size="compact-sm" variant="default" onClick={() => void openDoor()}>
          Open this browser’s MIDI door
        </Button>
        <p className={classes.soft}>
          Then what stands on the table can play along. The browser asks whether it may; nothing here needs
          it.
        </p>
        {refused !== null && <p role="alert">{refused}</p>}
      </div>
    );
  return (
    <div className={classes.more}>
      {wires.map(({ id, name }) => (
        <p key={id} className={classes.lead}>
          “{name}” also goes to
          <Choice
            label={`Where ${name} goes`}
            data={asChoices('nothing on the table', ports.outputs)}
            value={leads[id] ?? ''}
            choose={(portId) => leadTo(id, portId === '' ? null : portId)}
          />
        </p>
      ))}
      <p className={classes.lead}>
        What comes in is from
        <Choice
          label="Where MIDI comes in from"
          data={asChoices('nothing on the table', ports.inputs)}
          value={inputId ?? ''}
          choose={(portId) => listenTo(portId === '' ? null : portId)}
        />
      </p>
    </div>
  );
}

import '../../shared/styles/toggle.css';
import { Checkbox, NativeSelect } from '@mantine/core';
import { choicesFor, type Lead, type Nets } from '@hum-lever/core';
import { edit } from '../../client/index.ts';
import { choiceValue, leadEdit, placeName, wireValue } from './leads.ts';
import classes from './Wiring.module.css';

/** Where an end leads, as a list of places: able and free ones first. */
export function PlaceField({ nets, lead }: { nets: Nets; lead: Lead }) {
  const choices = choicesFor(nets, lead);
  const value = wireValue(lead);
  const said = (name: string, able: boolean, takenBy: string | null) =>
    `${name}${able ? '' : ' (cannot)'}${takenBy === null ? '' : ` (${takenBy})`}`;
  const known = choices.some((choice) => choiceValue(choice) === value);
  return (
    <NativeSelect
      size="xs"
      className={classes.place!}
      aria-label={`${lead.owner.name} ${lead.terminal.name} leads to`}
      value={value}
      onChange={(event) => edit(leadEdit(lead, event.currentTarget.value))}
      data={[
        { value: '', label: 'nowhere' },
        ...(known || value === '' ? [] : [{ value, label: `${placeName(nets, lead)} (not there)` }]),
        ...choices.map((choice) => ({
          value: choiceValue(choice),
          label: said(choice.name, choice.able, choice.takenBy),
        })),
      ]}
    />
  );
}

/** Soldered already: the solver leaves it where it is. */
export function LockField({ lead }: { lead: Lead }) {
  const { owner, terminal, wire } = lead;
  return (
    <Checkbox
      size="xs"
      aria-label={`${owner.name} ${terminal.name} is soldered`}
      disabled={wire === null}
      checked={wire?.locked ?? false}
      onChange={(event) =>
        edit({ name: 'lockWire', args: [owner.id, terminal.name, event.currentTarget.checked] })
      }
    />
  );
}

import { Button } from '@mantine/core';
import {
  listenForHold,
  nestingOf,
  type Gadget,
  type Menu,
  type SchemeRole,
  type SingleEdit,
} from '@hum-lever/core';
import { edit, useDocument } from '../../../client/index.ts';
import classes from './Menus.module.css';

/** Keys of a scheme that one would open its menu with, the likeliest first. */
const openers: readonly SchemeRole[] = ['push', 'ok', 'button', 'change', 'more', 'key1'];

interface Opening {
  name: string;
  how: 'hold' | 'press';
  edits: SingleEdit[];
}

/**
 * A key that opens the menu where it is left to: held, where the menu has a meaning for its press; null: in that state
 * every key is answered as soon as it is pressed.
 */
function opening(gadget: Gadget, { stateId, leaveId, scheme }: Menu): Opening | null {
  if (stateId === null || leaveId === null) return null;
  const { ancestorsOf, byId } = nestingOf(gadget.flow);
  const heard = [byId.get(leaveId)!, ...ancestorsOf(leaveId)].flatMap(({ rules }) =>
    rules.flatMap(({ trigger }) => (trigger.kind === 'gesture' ? [trigger] : [])),
  );
  const answered = (id: string, gestures: readonly string[]) =>
    heard.some(({ controlId, gesture }) => controlId === id && gestures.includes(gesture));
  const own = openers.flatMap((role) => scheme.keys[role] ?? []);
  const buttons = gadget.controls.filter((control) => control.kind === 'button');
  const ranked = [
    ...own.flatMap((id) => buttons.find((one) => one.id === id) ?? []),
    ...buttons.filter(({ id }) => !own.includes(id)),
  ];
  const free = ranked.find(({ id }) => !answered(id, ['press', 'hold']));
  if (!free) return null;
  const played = Object.values(scheme.keys).includes(free.id);
  const how = played || answered(free.id, ['tap', 'double', 'release']) ? 'hold' : 'press';
  const listens = how === 'hold' ? listenForHold(free) : [];
  const trigger = { kind: 'gesture', controlId: free.id, gesture: how } as const;
  const rule = { trigger, guard: null, actions: [], targetIds: [stateId], internal: false };
  return { name: free.name, how, edits: [...listens, { name: 'addRule', args: [leaveId, rule] }] };
}

/** A menu that no rule leads into, with one that would. */
export function WayIn({ menu }: { menu: Menu }) {
  const gadget = useDocument();
  const { states, initialId } = gadget.flow;
  const { stateId, leaveId } = menu;
  if (stateId === null || stateId === initialId) return null;
  const home = states.find(({ id }) => id === stateId);
  const around = new Set([stateId, home?.parentId]);
  const ledTo = states.some(({ rules }) =>
    rules.some(({ targetIds }) => targetIds.some((id) => around.has(id))),
  );
  if (ledTo) return null;
  const offer = opening(gadget, menu);
  const from = states.find(({ id }) => id === leaveId)?.name;
  return (
    <p className={classes.missing} role="status">
      No rule leads into {home?.name} yet.{' '}
      {offer && (
        <Button
          size="compact-xs"
          variant="default"
          onClick={() => edit({ name: 'several', args: [offer.edits] })}
        >
          {offer.how === 'hold' ? 'Holding' : 'Pressing'} {offer.name} in {from} opens it
        </Button>
      )}
    </p>
  );
}

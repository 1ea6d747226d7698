import { Button } from '@mantine/core';
import type { Gadget, Menu, SchemeRole, SingleEdit } from '@hum-lever/core';
import { edit, useDocument } from '../../../client/index.ts';
import classes from './Menus.module.css';

/** Keys of a scheme that one would hold to open its menu, the likeliest first. */
const openers: readonly SchemeRole[] = ['push', 'ok', 'button', 'change', 'more', 'key1'];
const usualHoldUs = 600_000;

function opening(gadget: Gadget, menu: Menu): { name: string; edits: SingleEdit[] } | null {
  const { stateId, leaveId, scheme } = menu;
  const role = openers.find((one) => scheme.keys[one] !== undefined);
  const control = gadget.controls.find(({ id }) => role && id === scheme.keys[role]);
  if (stateId === null || leaveId === null || control?.kind !== 'button') return null;
  const listens: SingleEdit[] =
    control.gestures.holdUs === null
      ? [
          {
            name: 'changeControl',
            args: [control.id, { gestures: { ...control.gestures, holdUs: usualHoldUs } }],
          },
        ]
      : [];
  return {
    name: control.name,
    edits: [
      ...listens,
      {
        name: 'addRule',
        args: [
          leaveId,
          {
            trigger: { kind: 'gesture', controlId: control.id, gesture: 'hold' },
            guard: null,
            actions: [],
            targetIds: [stateId],
            internal: false,
          },
        ],
      },
    ],
  };
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
          Holding {offer.name} in {from} opens it
        </Button>
      )}
    </p>
  );
}

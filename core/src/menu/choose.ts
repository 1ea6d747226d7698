import {
  controlKindOf,
  type Control,
  type Edit,
  type Gadget,
  type Menu,
  type MenuScheme,
  type SchemeName,
  type SchemeRole,
  type SingleEdit,
} from '../gadget/index.ts';
import { schemes } from './scheme.ts';

/** Names that controls for a role often have: those are taken first. */
const likely: Partial<Record<SchemeRole, RegExp>> = {
  up: /\bup\b|plus|\+/i,
  down: /\bdown\b|minus|-/i,
  ok: /\bok\b|enter|select|push|go\b|stir/i,
  back: /\bback\b|cancel|esc/i,
  push: /push|press|\bok\b/i,
  next: /next|down|right/i,
  left: /left|back|prev/i,
  right: /right|next|go\b/i,
  less: /less|down|minus|-/i,
  more: /more|up|plus|\+/i,
  page: /page|next|mode/i,
  change: /change|set|ok|push/i,
};

/**
 * Controls of the gadget for a scheme, as far as there are any: those with a fitting name first, each once.
 * @param wanted the roles that are looked for; all of the scheme, where nothing is said
 */
export function schemeFor(
  gadget: Pick<Gadget, 'controls' | 'parts'>,
  kind: SchemeName,
  wanted?: ReadonlySet<SchemeRole>,
): MenuScheme {
  const free = [...gadget.controls];
  const keys: MenuScheme['keys'] = {};
  const take = (role: SchemeRole, fits: (name: string) => boolean) => {
    const at = free.findIndex((control) => control.kind === controlKindOf(role) && fits(control.name));
    if (at < 0 || keys[role] !== undefined) return;
    keys[role] = free.splice(at, 1)[0]!.id;
  };
  const roles = schemes[kind].roles.filter(({ role }) => wanted?.has(role) ?? true);
  for (const { role } of roles) if (role === 'turn') take(role, () => true);
  // The push of the encoder that is turned is the one on the same part.
  const turned = gadget.parts.find(({ plays }) => keys.turn !== undefined && plays.includes(keys.turn));
  for (const { role } of roles)
    if (role === 'push' && turned) {
      const at = free.findIndex(({ id, kind: is }) => is === 'button' && turned.plays.includes(id));
      if (at >= 0) keys.push = free.splice(at, 1)[0]!.id;
    }
  for (const { role } of roles) if (likely[role]) take(role, (name) => likely[role]!.test(name));
  for (const { role, needed } of roles) if (needed) take(role, () => true);
  return { kind, keys };
}

/** A key that is to be held must say so: one that does not yet is made to, after that long. */
const usualHoldUs = 600_000;
export const listenForHold = (control: Control): SingleEdit[] =>
  control.kind === 'button' && control.gestures.holdUs === null
    ? [
        {
          name: 'changeControl',
          args: [control.id, { gestures: { ...control.gestures, holdUs: usualHoldUs } }],
        },
      ]
    : [];

/** The scheme, and the settings of its keys that it takes, as one step. */
export function menuSchemeEdit(gadget: Gadget, menu: Menu, scheme: MenuScheme): Edit {
  const commands = schemes[scheme.kind].commands((role) => scheme.keys[role] !== undefined);
  const held = new Set(
    Object.values(commands).flatMap(({ how, role }) => (how === 'hold' ? (scheme.keys[role] ?? []) : [])),
  );
  const holds = gadget.controls.flatMap((control) => (held.has(control.id) ? listenForHold(control) : []));
  const change: SingleEdit = { name: 'changeMenu', args: [menu.id, { scheme }] };
  return holds.length === 0 ? change : { name: 'several', args: [[change, ...holds]] };
}

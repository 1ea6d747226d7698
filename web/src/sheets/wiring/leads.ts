import { throughOf, type Edit, type Lead, type Nets, type PlaceChoice } from '@hum-lever/core';
import type { Stage } from '../../shared/index.ts';
import { needWords } from '../../words/index.ts';

/** What an end is or asks, in words. */
export function needOf({ owner, terminal }: Pick<Lead, 'owner' | 'terminal'>): string {
  const { role, need } = terminal;
  const id = role === 'signal' && need !== null ? (typeof need === 'string' ? need : need.line) : role;
  const word = needWords[id] ?? id;
  const through = throughOf({ owner, terminal });
  return through ? `${word}, ${through === 'base' ? 'by a' : 'through the'} transistor` : word;
}

/** Where it leads, for people; '' where it leads nowhere. */
export function placeName(nets: Nets, { wire }: Lead): string {
  if (!wire) return '';
  const { to } = wire;
  if (to.kind === 'pin') return to.pin;
  return `${nets.owners.find(({ id }) => id === to.ownerId)?.name ?? ''} ${to.terminal}`;
}

/** The stage of the path that an end belongs to. */
export function stageOfLead({ owner }: Pick<Lead, 'owner'>): Stage {
  const group = owner.part?.kind.group ?? 'controls';
  return group === 'controls' || group === 'sensors' ? 'contact' : 'output';
}

export const choiceValue = ({ kind, pin, ownerId, terminal }: PlaceChoice) =>
  kind === 'pin' ? `pin ${pin}` : `end ${ownerId} ${terminal}`;

/** The value of the place that an end leads to now. */
export function wireValue({ wire }: Lead): string {
  if (!wire) return '';
  return wire.to.kind === 'pin' ? `pin ${wire.to.pin}` : `end ${wire.to.ownerId} ${wire.to.terminal}`;
}

/** The edit that leads an end to the chosen place, or, with '', nowhere; a lock stays. */
export function leadEdit({ owner, terminal, wire }: Lead, value: string): Edit {
  const [kind, first = '', second = ''] = value.split(' ');
  const to =
    kind === 'pin'
      ? ({ kind: 'pin', pin: first } as const)
      : kind === 'end'
        ? ({ kind: 'terminal', ownerId: first, terminal: second } as const)
        : null;
  return { name: 'wire', args: [owner.id, terminal.name, to, wire?.locked ?? false] };
}

export const keyOfLead = ({ owner, terminal }: Pick<Lead, 'owner' | 'terminal'>) =>
  `${owner.id}.${terminal.name}`;

/** Digits count as numbers, so that P10 comes after P9; otherwise by code unit, the same everywhere. */
export const natural = (text: string) => text.replace(/\d+/g, (digits) => digits.padStart(6, '0'));

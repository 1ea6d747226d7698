import type { ElementKind, OutputActionKind } from '@hum-lever/core';
import { slots as listed } from './slots.table.ts';
import type { SlotsBy } from './slotsBy.ts';

/** Everything that an output can be told has its sentence: one that is missing does not compile. */
export const outputSlots: SlotsBy<Exclude<OutputActionKind, ElementKind>> = listed;

import type { OutputEntry, OutputLane, TraceEntry } from '@hum-lever/core';
import type { Told, ToldBy } from './told.ts';
import { told as listed } from './told.table.ts';

/** Every entry that an output can write is told: a lane that is missing does not compile. */
const told: ToldBy<OutputLane> = listed;

const known: ReadonlySet<string> = new Set(Object.keys(told));

/** Whether an output wrote it. */
export const isOutputEntry = (entry: TraceEntry): entry is OutputEntry => known.has(entry.lane);

/** How the entries of its lane are told. The entry is of that lane by construction. */
export const toldOf = <E extends OutputEntry>({ lane }: E): Told<OutputLane> =>
  told[lane] as unknown as Told<OutputLane>;

export type { Band } from './told.ts';

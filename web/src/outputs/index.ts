import type { OutputEntry, OutputLane, TraceEntry } from '@hum-lever/core';
import { light } from './light/told.ts';
import { lights } from './lights/told.ts';
import { midi } from './midi/told.ts';
import { moved } from './motion/told.ts';
import { text } from './screen/told.ts';
import { tone } from './sound/told.ts';
import { line } from './switching/told.ts';
import type { Told, ToldBy } from './told.ts';
import { typist } from './typing/told.ts';

/** Every entry that an output can write is told: a lane that is missing here fails to compile. */
const told: ToldBy<OutputLane> = {
  ...light,
  ...text,
  ...tone,
  ...moved,
  ...midi,
  ...typist,
  ...lights,
  ...line,
};

const known: ReadonlySet<string> = new Set(Object.keys(told));

/** Whether an output wrote it. */
export const isOutputEntry = (entry: TraceEntry): entry is OutputEntry => known.has(entry.lane);

/** How the entries of its lane are told. The entry is of that lane by construction. */
export const toldOf = <E extends OutputEntry>({ lane }: E): Told<OutputLane> =>
  told[lane] as unknown as Told<OutputLane>;

export type { Band } from './told.ts';

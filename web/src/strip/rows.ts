import { regionsOf, type Control, type Gadget } from '@hum-lever/core';
import type { Stage } from '../shared/index.ts';
import { outsideKey } from './laneOf.ts';

/** Where marks of one kind are drawn, in px from the top. */
export interface StripLane {
  key: string;
  stage: Stage;
  top: number;
  height: number;
}

/** What is labelled as one: a control with all that is made of its presses, a region of states, an output. */
export interface StripRow {
  key: string;
  stage: Stage;
  label: string;
  top: number;
  height: number;
  lanes: StripLane[];
}

const laneHeight = 16;
/** Contact, clean and gesture share the height of a control: two thin lines, and room for a word. */
const shares = [
  { stage: 'contact', height: 9 },
  { stage: 'clean', height: 9 },
  { stage: 'gesture', height: 15 },
] as const;

export const stateLane = (regionId: string | null): string =>
  regionId === null ? 'state' : `state ${regionId}`;

type Draft = Omit<StripRow, 'top' | 'height' | 'lanes'> & { lanes: Omit<StripLane, 'top'>[] };

const single = (key: string, stage: Stage, label: string): Draft => ({
  key,
  stage,
  label,
  lanes: [{ key, stage, height: laneHeight }],
});

const ofControl = ({ id, name }: Control): Draft => ({
  key: id,
  stage: 'gesture',
  label: name,
  lanes: shares.map(({ stage, height }) => ({ key: `${stage} ${id}`, stage, height })),
});

/**
 * The rows of a gadget, in the order of the path. States and outputs are always there, and of what hands and the world
 * do, what moved lately.
 * @param awake ids of controls in which something happened, and `outsideKey`
 */
export function rowsOf({ controls, outputs, flow }: Gadget, awake: ReadonlySet<string>): StripRow[] {
  const names = new Map(flow.states.map(({ id, name }) => [id, name]));
  const drafts: Draft[] = [
    ...(awake.has(outsideKey) ? [single(outsideKey, 'contact', 'Comes in')] : []),
    ...controls.filter(({ id }) => awake.has(id)).map(ofControl),
    ...(flow.states.length > 0
      ? regionsOf(flow).map(({ id }) =>
          single(stateLane(id), 'state', id === null ? 'State' : (names.get(id) ?? '')),
        )
      : []),
    ...outputs.map(({ id, name }) => single(`output ${id}`, 'output', name)),
  ];
  let top = 0;
  return drafts.map(({ lanes, ...row }) => {
    const from = top;
    const placed = lanes.map((lane) => {
      const at = { ...lane, top };
      top += lane.height;
      return at;
    });
    return { ...row, top: from, height: top - from, lanes: placed };
  });
}

/** So high they are together. */
export const heightOf = (rows: readonly StripRow[]): number => {
  const last = rows.at(-1);
  return last ? last.top + last.height : 0;
};

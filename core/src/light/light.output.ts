import type { LightOrder } from '../flow/index.ts';
import type { LightColour } from '../gadget/index.ts';
import { clamp } from '../kernel/index.ts';
import { defineOutput, noJobs, plansNothing } from '../output/index.ts';
import { colouredLights } from '../parts/index.ts';
import { darkLight, lightLevel, type LitLight } from './level.ts';

export type LightEntry =
  /** `fromPercent` is the level at that moment: where a fade begins. */
  { lane: 'light'; light: LightOrder; fromPercent: number } | { lane: 'colour'; colour: LightColour };

/** Being told again changes nothing; a blink, a fade or a pattern begins anew. */
const steady = (was: LightOrder, now: LightOrder) =>
  was.mode === now.mode &&
  (was.mode === 'on' ||
    was.mode === 'off' ||
    (was.mode === 'level' && now.mode === 'level' && was.levelPercent === now.levelPercent));

export const light = defineOutput<'light', LitLight, LightEntry, never, { colour: LightColour | null }>({
  kind: 'light',
  /** Of one that can be told a colour: the one that it begins with. */
  prepare: ({ id, colour }, gadget) => ({ colour: colouredLights(gadget).has(id) ? colour : null }),
  dark: () => darkLight,
  apply(was, order, on) {
    if (order.kind === 'colour') {
      const { colour } = order;
      const own = on.prepared.colour;
      if (own === null || (was.colour ?? own) === colour) return was;
      on.trace({ atUs: on.nowUs, lane: 'colour', id: on.id, colour });
      return { ...was, colour };
    }
    const told: LightOrder =
      order.kind === 'light' ? order.light : { mode: 'level', levelPercent: clamp(order.percent, 0, 100) };
    if (steady(was.light, told)) return was;
    const { nowUs } = on;
    const fromPercent = lightLevel(was, nowUs);
    on.trace({ atUs: on.nowUs, lane: 'light', id: on.id, light: told, fromPercent });
    return { ...was, light: told, sinceUs: nowUs, fromPercent };
  },
  jobs: () => noJobs,
  ...plansNothing,
  powerOff(was, on) {
    if (was.light.mode !== 'off')
      on.trace({
        atUs: on.nowUs,
        lane: 'light',
        id: on.id,
        light: { mode: 'off' },
        fromPercent: lightLevel(was, on.nowUs),
      });
  },
  adopt: (was) => was,
  later: (was, byUs) => (was.light.mode === 'off' ? was : { ...was, sinceUs: was.sinceUs + byUs }),
  loads: ({ light: { mode } }) => mode !== 'off',
  lit: {
    now: (was, nowUs) => [lightLevel(was, nowUs) > 0],
    by(entry) {
      if (entry.lane !== 'light') return [];
      const { light: told } = entry;
      const lit = told.mode === 'level' || told.mode === 'fade' ? told.levelPercent > 0 : told.mode !== 'off';
      return [[0, lit]];
    },
  },
  held: null,
  look: ({ light: told, colour }) => [told, colour ?? null],
});

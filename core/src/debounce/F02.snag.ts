import { human, type DebounceSetting, type Edge, type SnagRule } from '../gadget/index.ts';
import { cleanEdges } from './clean.ts';
import { safeSetting } from './feel.ts';

/**
 * Answers to four presses of the shortest deliberate length at the fastest comfortable rate, on a switch that does
 * not bounce at all: what is lost here is lost to the debouncing alone.
 */
const burst: Edge[] = [0, 1, 2, 3].flatMap((n) => [
  { atUs: n * human.fastestRepeatUs, level: 1 as const },
  { atUs: n * human.fastestRepeatUs + human.shortestPressUs, level: 0 as const },
]);
const answered = (setting: DebounceSetting, periodUs: number) =>
  cleanEdges(setting, periodUs, burst).filter(({ level }) => level === 1).length;

/** Debounce longer than the shortest press or the fastest repeat: presses are lost. */
export const F02: SnagRule = {
  id: 'F02',
  check: (gadget, derived) =>
    gadget.controls.flatMap((control) => {
      const { periodUs } = gadget.loop;
      const came = answered(control.debounce, periodUs);
      if (came === 4) return [];
      const debounce = safeSetting(derived, control, periodUs);
      const mends = debounce !== null && answered(debounce, periodUs) === 4;
      return [
        {
          rule: 'F02',
          level: came === 0 ? 'stop' : 'likely',
          place: { kind: 'control', id: control.id },
          values: {
            name: control.name,
            lost: 4 - came,
            pressUs: human.shortestPressUs,
            repeatUs: human.fastestRepeatUs,
          },
          ...(mends && {
            mend: {
              key: 'safeDebounce',
              edit: { name: 'changeControl', args: [control.id, { debounce }] },
              values: { algorithm: debounce.algorithm, ...debounce.params },
            },
          }),
        },
      ];
    }),
};

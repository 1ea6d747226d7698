import type { LightMode } from '@hum-lever/core';
import { Choice, NumberField } from '../../shared/index.ts';
import { PlainSlot, TimeSlot } from '../../slots/index.ts';

/** How each mode starts out when it is chosen. */
const freshLight: Record<LightMode['mode'], LightMode> = {
  on: { mode: 'on' },
  off: { mode: 'off' },
  blink: { mode: 'blink', periodUs: 1_000_000 },
  fade: { mode: 'fade', levelPercent: 50, overUs: 500_000 },
  pattern: { mode: 'pattern', steps: '#.#...', stepUs: 250_000 },
};
const lightWords: Record<LightMode['mode'], string> = {
  on: 'goes on',
  off: 'goes off',
  blink: 'blinks every',
  fade: 'fades to',
  pattern: 'shows',
};

export function LightSlots({ light, put }: { light: LightMode; put: (light: LightMode) => string | null }) {
  return (
    <>
      <Choice
        label="What the light does"
        data={Object.entries(lightWords).map(([value, label]) => ({ value, label }))}
        value={light.mode}
        choose={(chosen) => put(freshLight[chosen as LightMode['mode']])}
      />
      {light.mode === 'blink' && (
        <TimeSlot
          label="Blinking period"
          minUs={10_000}
          value={light.periodUs}
          commit={(periodUs) => put({ ...light, periodUs })}
        />
      )}
      {light.mode === 'fade' && (
        <>
          <NumberField
            label=""
            aria-label="Level"
            unit="%"
            width={78}
            min={0}
            max={100}
            value={light.levelPercent}
            commit={(levelPercent) => put({ ...light, levelPercent })}
          />
          over
          <TimeSlot
            label="Length of the fade"
            minUs={1_000}
            value={light.overUs}
            commit={(overUs) => put({ ...light, overUs })}
          />
        </>
      )}
      {light.mode === 'pattern' && (
        <>
          <PlainSlot
            label="Pattern, # lit and . dark"
            value={light.steps}
            commit={(steps) => put({ ...light, steps })}
          />
          a step every
          <TimeSlot
            label="Length of a step"
            minUs={10_000}
            value={light.stepUs}
            commit={(stepUs) => put({ ...light, stepUs })}
          />
        </>
      )}
    </>
  );
}

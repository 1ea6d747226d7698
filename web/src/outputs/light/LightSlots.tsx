import type { LightMode } from '@hum-lever/core';
import { Choice, DurationField, NumberField } from '../../shared/index.ts';
import { PlainSlot } from '../../slots/index.ts';

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
        <DurationField
          label=""
          aria-label="Blinking period"
          width={98}
          minUs={10_000}
          step={50}
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
          <DurationField
            label=""
            aria-label="Length of the fade"
            width={98}
            minUs={1_000}
            step={50}
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
          <DurationField
            label=""
            aria-label="Length of a step"
            width={98}
            minUs={10_000}
            step={50}
            value={light.stepUs}
            commit={(stepUs) => put({ ...light, stepUs })}
          />
        </>
      )}
    </>
  );
}

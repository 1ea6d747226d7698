import { slowestSafeBlinkUs, type ToldLights } from '@hum-lever/core';

/** As they may be shown on a screen: what blinks between 3 and 30 Hz is shown slower, as it can harm. */
export const safely = (told: ToldLights): ToldLights =>
  told.going.some((one) => one.what === 'blink' && one.periodUs < slowestSafeBlinkUs)
    ? {
        ...told,
        going: told.going.map((one) =>
          one.what === 'blink' ? { ...one, periodUs: Math.max(slowestSafeBlinkUs, one.periodUs) } : one,
        ),
      }
    : told;

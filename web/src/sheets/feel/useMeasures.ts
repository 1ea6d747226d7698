import type { Button, Measure } from '@hum-lever/core';
import { useCallback } from 'react';
import { lab, useAnswer } from '../../workers/index.ts';
import { settingsToTry } from './press.ts';

/** How every method does on many presses of this switch; null while it is being measured. */
export function useMeasures(button: Button, periodUs: number): Measure[] | null {
  return useAnswer(
    useCallback(() => lab().measure(button, settingsToTry(button), periodUs), [button, periodUs]),
    true,
  );
}

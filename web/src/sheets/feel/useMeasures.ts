import type { Button, MeasuredTally } from '@hum-lever/core';
import { useCallback } from 'react';
import { useDocument } from '../../client/index.ts';
import { lab, useAnswer } from '../../workers/index.ts';
import { settingsToTry } from './press.ts';

/** How every method does on many presses of this switch; null while it is being measured. */
export function useMeasures(button: Button): MeasuredTally[] | null {
  const { hands, captures, loop } = useDocument();
  return useAnswer<MeasuredTally[]>(
    useCallback(
      () => lab().measure({ hands, captures }, button, settingsToTry(button), loop.periodUs),
      [hands, captures, button, loop.periodUs],
    ),
    true,
  );
}

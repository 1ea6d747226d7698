import type { Button, Measure } from '@hum-lever/core';
import { useEffect, useState } from 'react';
import { lab } from '../../workers/index.ts';
import { settingsToTry } from './press.ts';

/** How every method does on many presses of this switch; null while it is being measured. */
export function useMeasures(button: Button, periodUs: number): Measure[] | null {
  const [measures, setMeasures] = useState<Measure[] | null>(null);
  useEffect(() => {
    let current = true;
    setMeasures(null);
    void lab()
      .measure(button, settingsToTry(button), periodUs)
      .then((measured) => current && setMeasures(measured));
    return () => {
      current = false;
    };
  }, [button, periodUs]);
  return measures;
}

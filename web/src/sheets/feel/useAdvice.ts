import type { Button, Recommendation } from '@hum-lever/core';
import { useCallback } from 'react';
import { useDocument } from '../../client/index.ts';
import { lab, useAnswer } from '../../workers/index.ts';

/** What the lab recommends for a button; null while it is looking. */
export function useAdvice(control: Button): Recommendation | null {
  const { captures, hands, loop } = useDocument();
  return useAnswer(
    useCallback(() => lab().recommend({ captures, hands, loop }, control), [captures, hands, loop, control]),
    true,
  );
}

import type { Button, Gadget, Recommendation } from '@hum-lever/core';
import { useCallback } from 'react';
import { useDocument } from '../../client/index.ts';
import { lab, useAnswer } from '../../workers/index.ts';

type Asked = [Gadget['captures'], Gadget['hands'], Gadget['loop'], Button];
let last: { asked: Asked; answer: Promise<Recommendation> } | null = null;

/** Several cards ask the same at once: the lab looks once. */
function ask(...asked: Asked): Promise<Recommendation> {
  if (last === null || asked.some((one, n) => one !== last!.asked[n])) {
    const [captures, hands, loop, control] = asked;
    last = { asked, answer: lab().recommend({ captures, hands, loop }, control) };
  }
  return last.answer;
}

/** What the lab recommends for a button; null while it is looking. */
export function useAdvice(control: Button): Recommendation | null {
  const { captures, hands, loop } = useDocument();
  return useAnswer(
    useCallback(() => ask(captures, hands, loop, control), [captures, hands, loop, control]),
    true,
  );
}

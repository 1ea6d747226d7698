import { useState } from 'react';

/** Whether something has been wanted at least once. */
export function useEver(now: boolean): boolean {
  const [ever, setEver] = useState(now);
  if (now && !ever) setEver(true);
  return ever || now;
}

import { useEffect, useState } from 'react';

/**
 * What the lab answers to a question; null until it has. An older answer never replaces a newer one.
 * @param ask kept the same (`useCallback`) as long as the question is the same
 * @param forget the last answer does not fit the next question, and is not shown meanwhile
 */
export function useAnswer<T>(ask: () => Promise<T>, forget: boolean): T | null {
  const [answer, setAnswer] = useState<T | null>(null);
  useEffect(() => {
    let current = true;
    if (forget) setAnswer(null);
    void ask().then((found) => current && setAnswer(found));
    return () => {
      current = false;
    };
  }, [ask, forget]);
  return answer;
}

import { useEffect, useState, type RefObject } from 'react';

/** So far outside of what is seen, things are there already when one scrolls to them. */
const margin = '600px';

/**
 * Whether an element is seen, or nearly: what is far need not be drawn. What holds the focus stays.
 * @param always not asked for: it is drawn wherever it is
 */
export function useNear(ref: RefObject<HTMLElement | null>, always: boolean): boolean {
  const [near, setNear] = useState(false);
  useEffect(() => {
    const element = ref.current;
    if (always || !element) return;
    const observer = new IntersectionObserver(
      ([entry]) =>
        setNear((was) => entry!.isIntersecting || (was && element.contains(document.activeElement))),
      { rootMargin: margin },
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, [ref, always]);
  return always || near;
}

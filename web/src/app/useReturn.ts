import { useEffect, useLayoutEffect, useRef, type RefObject } from 'react';
import { NavigationType, useLocation, useNavigationType } from 'react-router';

/** A sheet that comes on demand is as high as it was only after a while. */
const settleMs = 2_000;

/**
 * Each sheet begins at its top; going back finds it where it was left. What is led to is scrolled to after that.
 * @param sheet what scrolls
 */
export function useReturn(sheet: RefObject<HTMLElement | null>): void {
  const { key, pathname } = useLocation();
  const back = useNavigationType() === NavigationType.Pop;
  const left = useRef(new Map<string, number>());
  const shown = useRef<string | null>(null);
  useLayoutEffect(() => {
    const element = sheet.current!;
    const top = back ? (left.current.get(key) ?? 0) : 0;
    if (back || shown.current !== pathname) element.scrollTo(0, top);
    shown.current = pathname;
    if (top === 0) return;
    // Until it can be scrolled that far, or somebody scrolls.
    const observer = new ResizeObserver(() => element.scrollTo(0, top));
    observer.observe(element.firstElementChild ?? element);
    const end = () => observer.disconnect();
    const timer = setTimeout(end, settleMs);
    element.addEventListener('wheel', end, { once: true });
    return () => {
      clearTimeout(timer);
      end();
    };
  }, [key, pathname, back, sheet]);
  useEffect(() => {
    const element = sheet.current!;
    const remember = () => left.current.set(key, element.scrollTop);
    element.addEventListener('scroll', remember, { passive: true });
    return () => element.removeEventListener('scroll', remember);
  }, [key, sheet]);
}

import { useLayoutEffect, useRef, useState } from 'react';

const least = 300;
/** Below it, so that the frame's own edge is seen. */
const belowPx = 12;

/** A frame that fills what is left of the sheet. */
export function useFrame() {
  const frame = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 760, height: 400 });
  useLayoutEffect(() => {
    const element = frame.current!;
    const sheet = element.closest('main')!;
    const measure = () => {
      const above = element.getBoundingClientRect().top - sheet.getBoundingClientRect().top + sheet.scrollTop;
      setSize({
        width: element.clientWidth,
        height: Math.max(least, Math.round(sheet.clientHeight - above - belowPx)),
      });
    };
    const observer = new ResizeObserver(measure);
    observer.observe(sheet);
    // What stands above it can grow as well: it is told by the height of all.
    observer.observe(element.parentElement!);
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return { frame, size };
}

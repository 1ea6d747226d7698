import { useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import classes from './Whole.module.css';

/** What it holds is always whole: as large as its place allows, in its own proportions. @param most times its true size */
export function Whole({ most, children }: { most: number; children: ReactNode }) {
  const place = useRef<HTMLDivElement>(null);
  const held = useRef<HTMLDivElement>(null);
  const [scale, setScale] = useState(1);
  useLayoutEffect(() => {
    const [outer, inner] = [place.current!, held.current!];
    // Its own size is what it has without the scale.
    const fit = () => {
      const fits = Math.min(outer.clientWidth / inner.offsetWidth, outer.clientHeight / inner.offsetHeight);
      setScale(Math.min(most, fits));
    };
    const observer = new ResizeObserver(fit);
    observer.observe(outer);
    observer.observe(inner);
    return () => observer.disconnect();
  }, [most]);
  return (
    <div ref={place} className={classes.place}>
      <div ref={held} className={classes.held} style={{ transform: `translate(-50%, -50%) scale(${scale})` }}>
        {children}
      </div>
    </div>
  );
}

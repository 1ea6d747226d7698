import { useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import classes from './Whole.module.css';

/** Widths that what is held may be laid out in, mm: 68 is a case that two thumbs reach across. */
const widths = [68, 84, 100];
/** A wider one must be worth it. */
const gain = 1.05;

/**
 * What it holds is always whole: as large as its place allows, in its own proportions. What would be tall and small is
 * laid out wider (`--case-wide`). @param most times its true size
 */
export function Whole({ most, children }: { most: number; children: ReactNode }) {
  const place = useRef<HTMLDivElement>(null);
  const held = useRef<HTMLDivElement>(null);
  const [scale, setScale] = useState(1);
  useLayoutEffect(() => {
    const [outer, inner] = [place.current!, held.current!];
    // Its own size is what it has without the scale.
    const fit = () => {
      const scaleAt = (mm: number) => {
        inner.style.setProperty('--case-wide', `${mm}mm`);
        const fits = Math.min(outer.clientWidth / inner.offsetWidth, outer.clientHeight / inner.offsetHeight);
        return Math.min(most, fits);
      };
      let best = { mm: widths[0]!, scale: scaleAt(widths[0]!) };
      for (const mm of widths.slice(1)) {
        const scaled = scaleAt(mm);
        if (scaled > best.scale * gain) best = { mm, scale: scaled };
      }
      inner.style.setProperty('--case-wide', `${best.mm}mm`);
      setScale(best.scale);
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

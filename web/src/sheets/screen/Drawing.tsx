import { useElementSize, useViewportSize } from '@mantine/hooks';
import {
  blankCells,
  boundsOf,
  measuresOf,
  type Drawing,
  type Page,
  type Screen,
  type TextDisplay,
  type Tried,
} from '@hum-lever/core';
import { useMemo, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { OnDisplay } from '../../outputs/screen/OnDisplay.tsx';
import { useStock } from '../../outputs/screen/useStock.ts';
import { arrows, arrowStep } from '../../shared/arrows.ts';
import { movedDrawing, movedElement } from './moved.ts';
import { editAll, movingEdits } from './moving.ts';
import classes from './Screen.module.css';

/** How much of the window's height the page may take, so that what stands on it is seen with it. */
const mostHigh = 0.4;

interface Held {
  at: number;
  /** It came to what was chosen already. */
  more: boolean;
  fromX: number;
  fromY: number;
  dx: number;
  dy: number;
}

/** Keys that go from one element to the next; with Shift those before stay chosen. */
const stepKeys: Readonly<Record<string, { by: 1 | -1; more: boolean }>> = {
  '[': { by: -1, more: false },
  ']': { by: 1, more: false },
  '{': { by: -1, more: true },
  '}': { by: 1, more: true },
};

/** The page at whole multiples of its pixels; what stands on it can be taken and moved. */
export function DrawingBoard({
  screen,
  page,
  tried,
  chosen,
  choose,
}: {
  screen: Screen | TextDisplay;
  page: Page;
  tried: Tried;
  /** Of elements, their places on the page. */
  chosen: readonly number[];
  choose: (at: number | null, more?: boolean) => void;
}) {
  const { ref, width } = useElementSize();
  const { height } = useViewportSize();
  const stock = useStock(screen);
  const [held, setHeld] = useState<Held | null>(null);
  const measures = measuresOf(screen);
  // What is seen of a character are its dots.
  const seen = screen.kind === 'screen' ? screen : blankCells(screen);
  const { drawn, places } = tried;
  const scale = Math.max(1, Math.floor(Math.min(width / seen.widthPx, (height * mostHigh) / seen.heightPx)));
  const shown = useMemo(() => {
    if (!held || (held.dx === 0 && held.dy === 0)) return drawn;
    const moved = (drawing: Drawing, n: number) =>
      chosen.includes(places[n]!) ? movedDrawing(drawing, held.dx, held.dy) : drawing;
    return { ...drawn, drawings: drawn.drawings.map(moved) };
  }, [drawn, places, held, chosen]);

  const move = (dx: number, dy: number) => editAll(movingEdits(page, chosen, () => [dx, dy]));
  const pixelOf = (event: PointerEvent) => {
    const box = event.currentTarget.getBoundingClientRect();
    // What lies around it may be zoomed.
    return [
      Math.floor(((event.clientX - box.left) / box.width) * measures.widthPx),
      Math.floor(((event.clientY - box.top) / box.height) * measures.heightPx),
    ] as const;
  };
  const take = (event: PointerEvent) => {
    const [x, y] = pixelOf(event);
    const hit = drawn.drawings.findLastIndex((drawing) => {
      const { left, top, right, bottom } = boundsOf(drawing, stock, measures);
      return drawing.onlyIf !== 0 && x >= left && x < right && y >= top && y < bottom;
    });
    const at = hit < 0 ? null : places[hit]!;
    // What is one of several stays one of them, so that all can be moved.
    if (at === null || !chosen.includes(at) || event.shiftKey) choose(at, event.shiftKey);
    if (at === null || movedElement(page.elements[at]!, 0, 0) === null) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    setHeld({ at, more: event.shiftKey, fromX: x, fromY: y, dx: 0, dy: 0 });
  };
  const drag = (event: PointerEvent) => {
    if (!held) return;
    const [x, y] = pixelOf(event);
    const snap = (by: number) => Math.round(by / arrowStep(event.shiftKey)) * arrowStep(event.shiftKey);
    setHeld({ ...held, dx: snap(x - held.fromX), dy: snap(y - held.fromY) });
  };
  const letGo = () => {
    if (held && (held.dx !== 0 || held.dy !== 0)) move(held.dx, held.dy);
    else if (held && !held.more && chosen.length > 1) choose(held.at);
    setHeld(null);
  };
  const key = (event: KeyboardEvent) => {
    const count = page.elements.length;
    const arrow = arrows[event.key];
    const last = chosen.at(-1);
    if (arrow && last !== undefined) {
      const by = arrowStep(event.shiftKey);
      move(arrow[0] * by, arrow[1] * by);
    } else if (stepKeys[event.key] && count > 0) {
      const { by, more } = stepKeys[event.key]!;
      choose(last === undefined ? (by > 0 ? 0 : count - 1) : (last + by + count) % count, more);
    } else if ((event.key === 'Delete' || event.key === 'Backspace') && last !== undefined) {
      // From the last on: those before keep their places.
      const places = chosen.toSorted((a, b) => b - a);
      editAll(places.map((at) => ({ name: 'removeElement', args: [page.id, at] })));
      choose(null);
    } else return;
    event.preventDefault();
  };

  const marked = shown.drawings.filter((_, n) => chosen.includes(places[n]!));
  return (
    <div ref={ref} className={classes.board}>
      <div
        className={classes.glass}
        style={{ width: seen.widthPx * scale }}
        // Its elements are listed below it; here they are taken by hand or by keys.
        tabIndex={0}
        role="group"
        aria-label={`Page ${page.name}, drawn ${scale} times as large. [ and ] choose what stands on it, with Shift one more; arrow keys move that.`}
        onKeyDown={key}
        onPointerDown={take}
        onPointerMove={drag}
        onPointerUp={letGo}
        onPointerCancel={() => setHeld(null)}
      >
        <OnDisplay display={screen} drawn={shown} />
        {marked.map((drawing, n) => (
          <Mark key={n} bounds={boundsOf(drawing, stock, measures)} on={measures} />
        ))}
      </div>
    </div>
  );
}

/** What is chosen, outlined where it can be seen. */
function Mark({
  bounds: { left, top, right, bottom },
  on: { widthPx, heightPx },
}: {
  bounds: ReturnType<typeof boundsOf>;
  on: ReturnType<typeof measuresOf>;
}) {
  /** As a share of the display, as far as it lies on it. */
  const share = (place: number, most: number) => (100 * Math.max(0, Math.min(most, place))) / most;
  const [l, r] = [share(left, widthPx), share(right, widthPx)];
  const [t, b] = [share(top, heightPx), share(bottom, heightPx)];
  return (
    <span
      className={classes.mark}
      aria-hidden
      style={{ left: `${l}%`, top: `${t}%`, width: `${r - l}%`, height: `${b - t}%` }}
    />
  );
}

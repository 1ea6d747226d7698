import {
  IconLayoutAlignBottom,
  IconLayoutAlignCenter,
  IconLayoutAlignLeft,
  IconLayoutAlignMiddle,
  IconLayoutAlignRight,
  IconLayoutAlignTop,
  IconLayoutDistributeHorizontal,
  IconLayoutDistributeVertical,
  type Icon,
} from '@tabler/icons-react';
import { boundsOf, measuresOf, type Page, type Screen, type TextDisplay, type Tried } from '@hum-lever/core';
import { useStock } from '../../outputs/screen/useStock.ts';
import { alignedBy, type Alignment } from './aligned.ts';
import { movedElement } from './moved.ts';
import { Tool } from './Tool.tsx';
import { editAll, movingEdits } from './moving.ts';
import classes from './Screen.module.css';

const ways: readonly { how: Alignment; one: string | null; several: string; icon: Icon }[] = [
  { how: 'left', one: 'To the left edge', several: 'Left ends in line', icon: IconLayoutAlignLeft },
  {
    how: 'centre',
    one: 'Into the middle, across',
    several: 'Middles in line, across',
    icon: IconLayoutAlignCenter,
  },
  { how: 'right', one: 'To the right edge', several: 'Right ends in line', icon: IconLayoutAlignRight },
  { how: 'top', one: 'To the upper edge', several: 'Upper ends in line', icon: IconLayoutAlignTop },
  {
    how: 'middle',
    one: 'Into the middle, down',
    several: 'Middles in line, down',
    icon: IconLayoutAlignMiddle,
  },
  { how: 'bottom', one: 'To the lower edge', several: 'Lower ends in line', icon: IconLayoutAlignBottom },
  { how: 'across', one: null, several: 'The same room between, across', icon: IconLayoutDistributeVertical },
  { how: 'down', one: null, several: 'The same room between, down', icon: IconLayoutDistributeHorizontal },
];
/** With two there is only one room between. */
const leastSpread = 3;

/** Puts what is chosen in line: with the display where it is one, with one another where it is more. */
export function Aligning({
  screen,
  page,
  tried,
  chosen,
}: {
  screen: Screen | TextDisplay;
  page: Page;
  tried: Tried;
  chosen: readonly number[];
}) {
  const stock = useStock(screen);
  // What is not drawn just now, and what lies along an edge, has no place to be moved from.
  const drawn = chosen.flatMap((at) => {
    const drawing = tried.drawn.drawings[tried.places.indexOf(at)];
    const element = page.elements[at];
    return drawing && element && movedElement(element, 0, 0) ? [{ at, drawing }] : [];
  });
  const put = (how: Alignment) => {
    const on = measuresOf(screen);
    const bounds = drawn.map(({ drawing }) => boundsOf(drawing, stock, on));
    const by = alignedBy(bounds, how, on);
    editAll(movingEdits(page, drawn.map(({ at }) => at), (n) => by[n]!)); // prettier-ignore
  };
  const single = drawn.length < 2;
  return (
    <span role="group" aria-label="In line" className={classes.aligning}>
      {ways.map(({ how, one, several, icon: Symbol }) => {
        const label = single ? one : several;
        if (label === null) return null;
        return (
          <Tool
            key={how}
            label={label}
            disabled={drawn.length === 0 || (one === null && drawn.length < leastSpread)}
            onClick={() => put(how)}
          >
            <Symbol size={17} />
          </Tool>
        );
      })}
    </span>
  );
}

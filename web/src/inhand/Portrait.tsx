import type { Portrait as Drawn } from '@hum-lever/core';
import { Still } from '../outputs/useOutput.ts';
import { Body } from './Body.tsx';
import classes from './InHand.module.css';
import { Whole } from './Whole.tsx';

const none: ReadonlySet<string> = new Set();
const nothing = () => undefined;

/** A gadget as it lies there, switched on: to look at, not to play. It fills the place it is given. */
export function Portrait(drawn: Drawn) {
  return (
    <div inert aria-hidden className={classes.portrait}>
      <Still value={drawn}>
        <Whole most={1}>
          <Body gadget={drawn.gadget} held={none} stays={none} move={nothing} />
        </Whole>
      </Still>
    </div>
  );
}

import { Button as PushButton, SegmentedControl } from '@mantine/core';
import { human, type Button, type Edge, type GestureKind } from '@hum-lever/core';
import { useState, type ReactNode } from 'react';
import { useDocument } from '../../client/index.ts';
import { count, FirstStep, showDuration, usToMs } from '../../shared/index.ts';
import { gestureWords } from '../../words/index.ts';
import { player, traceNow, usePlayer } from '../../workers/index.ts';
import { Answers } from './Answers.tsx';
import { Axis, Finger, Level, Moments, Row, Windows } from './Drawing.tsx';
import classes from './Feel.module.css';
import { answersTo, lastPress, windowsOf, type RealPress, type View, type Window } from './press.ts';

/** A press of ordinary length, by itself: for looking, without leaving the keyboard. */
function pressForMe(controlId: string): void {
  player.finger(controlId, true);
  setTimeout(() => player.finger(controlId, false), usToMs(human.ordinaryPressUs));
}

/** The last real press, magnified; the settings; what every algorithm would have made of that press. */
export function PressPage({ control, children }: { control: Button; children: ReactNode }) {
  const { loop } = useDocument();
  const [view, setView] = useState<View>('ends');
  const pastUs = usePlayer((state) => state.pastUs);
  // The trace grows in place; its version says when to look again.
  usePlayer((state) => state.traceVersion);
  const press = lastPress(traceNow(), control.id, pastUs ?? Infinity);
  const again = (
    <PushButton variant="default" size="compact-sm" onClick={() => pressForMe(control.id)}>
      Press it for me
    </PushButton>
  );
  if (!press)
    return (
      <>
        <FirstStep action={again}>
          Press {control.name} in hand, once: its bounce shows here, magnified.
        </FirstStep>
        <div className={classes.gap}>{children}</div>
      </>
    );
  const answers = answersTo(press, control, loop.periodUs);
  const windows = windowsOf(press, answers, view);
  const fingers = press.upUs === null ? [press.downUs] : [press.downUs, press.upUs];
  return (
    <>
      <section aria-label="The last press, magnified">
        <div className={classes.viewBar}>
          <h2>
            The last press of {control.name}
            {press.upUs !== null && (
              <span className="number soft"> {showDuration(press.upUs - press.downUs)}</span>
            )}
          </h2>
          <SegmentedControl
            size="xs"
            aria-label="What to magnify"
            data={[
              { label: 'Both ends', value: 'ends' },
              { label: 'Whole', value: 'whole' },
            ]}
            value={view}
            onChange={(value) => setView(value as View)}
          />
          {again}
        </div>
        <Magnified press={press} windows={windows} fingers={fingers} />
      </section>
      <div className={classes.gap}>{children}</div>
      <Answers control={control} answers={answers} windows={windows} fingers={fingers} />
    </>
  );
}

function Magnified({ press, windows, fingers }: { press: RealPress; windows: Window[]; fingers: number[] }) {
  const heard = press.gestures.map(({ gesture }) => gestureWords[gesture as GestureKind]).join(', ');
  const moments = press.gestures.map(({ atUs, gesture }) => ({ atUs, text: gesture }));
  return (
    <div className={`card ${classes.grid}`}>
      <Row stage="contact" label="Raw contact" words={count(press.raw.length, 'edge')}>
        <Windows windows={windows}>
          {(scale) => (
            <>
              <Finger moments={fingers} scale={scale} />
              <Level edges={press.raw} stage="contact" scale={scale} />
            </>
          )}
        </Windows>
      </Row>
      <Row stage="clean" label="Clean, as in hand" words={cameThrough(press.clean, press.downUs)}>
        <Windows windows={windows}>
          {(scale) => <Level edges={press.clean} stage="clean" scale={scale} />}
        </Windows>
      </Row>
      <Row stage="gesture" label="Gesture" words={heard || 'none yet'}>
        <Windows windows={windows}>{(scale) => <Moments moments={moments} scale={scale} />}</Windows>
      </Row>
      <div />
      <Axis windows={windows} />
      <div />
    </div>
  );
}

function cameThrough(clean: Edge[], downUs: number): string {
  const down = clean.filter(({ level }) => level === 1);
  if (down.length === 0) return 'nothing came through';
  const late = `${showDuration(down[0]!.atUs - downUs)} after the finger`;
  return down.length === 1 ? late : `${down.length} times; first ${late}`;
}

import { SegmentedControl } from '@mantine/core';
import type { Button, Edge } from '@hum-lever/core';
import { memo, useMemo, useState } from 'react';
import { useDocument } from '../../client/index.ts';
import { count, FirstStep, showDuration } from '../../shared/index.ts';
import { gestureWords } from '../../words/index.ts';
import { traceNow, usePlayer } from '../../workers/index.ts';
import { AdviceCard } from './AdviceCard.tsx';
import { Answers } from './Answers.tsx';
import { CleanCard } from './cards/CleanCard.tsx';
import { ContactCard } from './cards/ContactCard.tsx';
import { GestureCard } from './cards/GestureCard.tsx';
import { changeOf } from './cards/change.ts';
import { Axis, Finger, Level, Moments, Row, Windows } from './Drawing.tsx';
import classes from './Feel.module.css';
import { answersTo, lastPress, windowsOf, type RealPress, type View, type Window } from './press.ts';
import { Scenarios } from './Scenarios.tsx';
import { TwoSettings } from './TwoSettings.tsx';

/** The last press of a button, up to the moment that is looked at; the same object until something of it is new. */
function useLastPress(controlId: string): RealPress | null {
  const pastUs = usePlayer((state) => state.pastUs);
  // The trace grows in place; its version says when to look again.
  usePlayer((state) => state.traceVersion);
  const press = lastPress(traceNow(), controlId, pastUs ?? Infinity);
  // eslint-disable-next-line react-hooks/exhaustive-deps -- what says the same is the same
  return useMemo(() => press, [JSON.stringify(press)]);
}

/** The last real press, magnified; the settings; what every algorithm would have made of that press. */
export const PressPage = ({ control }: { control: Button }) => (
  <Pressed control={control} press={useLastPress(control.id)} />
);

const Pressed = memo(function Pressed({ control, press }: { control: Button; press: RealPress | null }) {
  const { loop } = useDocument();
  const [view, setView] = useState<View>('ends');
  const answers = press ? answersTo(press, control, loop.periodUs) : [];
  const windows = press ? windowsOf(press, answers, view) : [];
  const fingers = press ? [press.downUs, ...(press.upUs === null ? [] : [press.upUs])] : [];
  return (
    <>
      {press ? (
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
          </div>
          <Magnified press={press} windows={windows} fingers={fingers} />
        </section>
      ) : (
        <FirstStep>Press {control.name} in hand, once: its bounce shows here, magnified.</FirstStep>
      )}
      <Scenarios control={control} />
      <Cards control={control} />
      <TwoSettings control={control} />
      {press && <Answers control={control} answers={answers} windows={windows} fingers={fingers} />}
    </>
  );
});

/** What is set does not change with a press. */
const Cards = memo(function Cards({ control }: { control: Button }) {
  return (
    <>
      <AdviceCard control={control} />
      <div className={classes.settings}>
        <ContactCard
          contact={control.contact}
          change={(contact) => changeOf<Button>(control.id)({ contact })}
        />
        <CleanCard control={control} />
        <GestureCard control={control} />
      </div>
    </>
  );
});

function Magnified({ press, windows, fingers }: { press: RealPress; windows: Window[]; fingers: number[] }) {
  const heard = press.gestures.map(({ gesture }) => gestureWords[gesture]).join(', ');
  const moments = press.gestures.map(({ atUs, gesture }) => ({ atUs, text: gestureWords[gesture] }));
  const meant = press.gestures[0];
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
      <strong className={classes.toMeaning}>
        {meant ? (
          <>
            Finger to meaning <span className="number">{showDuration(meant.atUs - press.downUs)}</span>
          </>
        ) : (
          'No meaning yet'
        )}
      </strong>
    </div>
  );
}

function cameThrough(clean: Edge[], downUs: number): string {
  const down = clean.filter(({ level }) => level === 1);
  if (down.length === 0) return 'nothing came through';
  const late = `${showDuration(down[0]!.atUs - downUs)} after the finger`;
  return down.length === 1 ? late : `${down.length} times; first ${late}`;
}

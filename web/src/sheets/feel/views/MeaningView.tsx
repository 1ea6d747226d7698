import { delaysOf, shareOf, type Button, type GestureSetting, type TapsTried } from '@hum-lever/core';
import { useCallback } from 'react';
import { useDocument } from '../../../client/index.ts';
import { showDuration } from '../../../shared/index.ts';
import { gestureWords } from '../../../words/index.ts';
import { lab, useAnswer } from '../../../workers/index.ts';
import { GestureCard } from '../cards/GestureCard.tsx';
import classes from '../Feel.module.css';
import { oddsWords } from '../oddsWords.ts';
import { Chords } from './Chords.tsx';
import { HandsCard } from './HandsCard.tsx';

/** What presses mean, what listening for it costs, and how it fares with hands as they are. */
export function MeaningView({ control }: { control: Button }) {
  return (
    <div className={classes.meaning}>
      <div>
        <GestureCard control={control} />
        <HandsCard />
      </div>
      <div>
        <Delays gestures={control.gestures} />
        <Taps gestures={control.gestures} />
        <Chords control={control} />
      </div>
    </div>
  );
}

/** What each gesture costs: how late it is said. */
function Delays({ gestures }: { gestures: GestureSetting }) {
  return (
    <section className="card" aria-label="What listening costs">
      <h2 className={classes.cardTitle}>What listening costs</h2>
      <table className={classes.table}>
        <thead>
          <tr>
            <th scope="col">Gesture</th>
            <th scope="col">Said</th>
          </tr>
        </thead>
        <tbody>
          {delaysOf(gestures).map(({ gesture, from, us }) => (
            <tr key={gesture}>
              <th scope="row">{gestureWords[gesture]}</th>
              <td className="number">
                {us === 0 ? 'at once' : `${showDuration(us)} after`} {us === 0 ? 'on' : ''}{' '}
                {from === 'press' ? 'pressing' : 'letting go'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** Thresholds, tried on presses of these hands. */
function Taps({ gestures }: { gestures: GestureSetting }) {
  const { hands } = useDocument();
  const tried = useAnswer<TapsTried>(
    useCallback(() => lab().taps(gestures, hands), [gestures, hands]),
    false,
  );
  return (
    <section className="card" aria-label="Tried on these hands">
      <h2 className={classes.cardTitle}>Tried on these hands</h2>
      {!tried ? (
        <p role="status">Trying…</p>
      ) : (
        <ul className={classes.plainList}>
          <li>
            {gestures.holdUs === null && gestures.repeat === null
              ? 'No tap can become a hold: none is listened for.'
              : `Ordinary taps taken for a hold: ${oddsWords(shareOf(tried.asHold, tried.tried))}.`}
          </li>
          {gestures.doubleWindowUs !== null && (
            <>
              <li>Doubles read as two single taps: {oddsWords(shareOf(tried.doublesSplit, tried.tried))}.</li>
              <li>
                Two taps meant apart read as one double: {oddsWords(shareOf(tried.tapsJoined, tried.tried))}.
              </li>
            </>
          )}
        </ul>
      )}
    </section>
  );
}

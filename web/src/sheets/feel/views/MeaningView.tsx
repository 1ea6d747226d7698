import { Button as PushButton, Switch } from '@mantine/core';
import {
  controlsOf,
  countUses,
  delaysOf,
  handsOf,
  leastPresses,
  shareOf,
  type Button,
  type Chord,
  type GestureSetting,
  type Hands,
  type TapsTried,
} from '@hum-lever/core';
import { useCallback, useState } from 'react';
import { edit, useDocument } from '../../../client/index.ts';
import { count, DurationField, showDuration, StageIcon, TextField } from '../../../shared/index.ts';
import { gestureWords } from '../../../words/index.ts';
import { lab, traceNow, useAnswer } from '../../../workers/index.ts';
import { GestureCard } from '../cards/GestureCard.tsx';
import classes from '../Feel.module.css';
import { oddsWords } from '../oddsWords.ts';
import { madePresses } from '../press.ts';

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

/** Keys that mean something together with this one. */
function Chords({ control }: { control: Button }) {
  const gadget = useDocument();
  const buttons = controlsOf(gadget, 'button');
  const others = buttons.filter(({ id }) => id !== control.id);
  const mine = gadget.chords.filter(({ controlIds }) => controlIds.includes(control.id));
  const add = () =>
    edit({
      name: 'addChord',
      args: [
        {
          name: `${control.name} with ${others[0]!.name}`.slice(0, 80),
          controlIds: [control.id, others[0]!.id],
          windowUs: 2 * gadget.hands.togetherUs,
          ordered: false,
          holdUs: null,
          waits: true,
        },
      ],
    });
  return (
    <section className="card" aria-label="Together with others">
      <h2 className={classes.cardTitle}>Together with others</h2>
      {mine.map((chord) => (
        <ChordCard key={chord.id} chord={chord} buttons={buttons} uses={countUses(gadget, chord.id)} />
      ))}
      {others.length === 0 ? (
        <p className="soft">There is no other button to press together with it.</p>
      ) : (
        <PushButton size="compact-sm" variant="default" onClick={add}>
          Add keys together
        </PushButton>
      )}
    </section>
  );
}

const mostKeys = 4;

function ChordCard({ chord, buttons, uses }: { chord: Chord; buttons: Button[]; uses: number }) {
  const { hands } = useDocument();
  const change = (patch: Partial<Omit<Chord, 'id'>>) =>
    edit({ name: 'changeChord', args: [chord.id, patch] });
  const tried = useAnswer(
    useCallback(() => lab().together(chord, hands), [chord, hands]),
    false,
  );
  const toggle = (id: string, on: boolean) =>
    change({ controlIds: on ? [...chord.controlIds, id] : chord.controlIds.filter((one) => one !== id) });
  const names = chord.controlIds.map((id) => buttons.find((one) => one.id === id)?.name);
  return (
    <div className={classes.chord}>
      <TextField
        size="xs"
        aria-label={`Name of ${chord.name}`}
        value={chord.name}
        commit={(name) => change({ name: name.trim() })}
      />
      <div className={classes.keysOf} role="group" aria-label={`Keys of ${chord.name}`}>
        {buttons.map(({ id, name }) => {
          const on = chord.controlIds.includes(id);
          const fixed = on ? chord.controlIds.length <= 2 : chord.controlIds.length >= mostKeys;
          return (
            <button key={id} type="button" aria-pressed={on} disabled={fixed} onClick={() => toggle(id, !on)}>
              {name}
            </button>
          );
        })}
      </div>
      <DurationField
        label="All within"
        minUs={1_000}
        step={10}
        value={chord.windowUs}
        commit={(windowUs) => change({ windowUs })}
      />
      <Switch
        label={`Only in order: ${names.join(', then ')}`}
        checked={chord.ordered}
        onChange={(event) => change({ ordered: event.currentTarget.checked })}
      />
      <Switch
        label={`Single presses wait ${showDuration(chord.windowUs)} for it`}
        checked={chord.waits}
        onChange={(event) => change({ waits: event.currentTarget.checked })}
      />
      <Switch
        label="Held together for a while"
        checked={chord.holdUs !== null}
        onChange={(event) => change({ holdUs: event.currentTarget.checked ? 1_000_000 : null })}
      />
      {chord.holdUs !== null && (
        <DurationField
          label="Held for"
          minUs={1_000}
          step={100}
          value={chord.holdUs}
          commit={(holdUs) => change({ holdUs })}
        />
      )}
      <p className="soft">
        {tried
          ? `Meant together by these hands and read as single presses: ${oddsWords(shareOf(tried.split, tried.tried))}.`
          : 'Trying…'}{' '}
        {chord.waits ? '' : 'Single presses are said at once, and so before it. '}
        Used in {count(uses, 'place')} of the flow.
      </p>
      <PushButton
        size="compact-xs"
        variant="default"
        onClick={() => edit({ name: 'removeChord', args: [chord.id] })}
      >
        Remove {chord.name}
      </PushButton>
    </div>
  );
}

const handFields: { field: keyof Hands; label: string }[] = [
  { field: 'shortestPressUs', label: 'Shortest press' },
  { field: 'ordinaryPressUs', label: 'Ordinary press' },
  { field: 'longTapUs', label: 'Longest tap' },
  { field: 'holdFeltUs', label: 'Felt as held from' },
  { field: 'fastestRepeatUs', label: 'Fastest repeat, every' },
  { field: 'comfortableRepeatUs', label: 'Comfortable repeat, every' },
  { field: 'togetherUs', label: 'Keys together lie within' },
  { field: 'quickTurnUs', label: 'Quickest whole turn' },
];

/** The hands that this gadget is for: typed, or taken from what was played. */
function HandsCard() {
  const { hands } = useDocument();
  const [said, say] = useState('');
  const take = () => {
    const found = handsOf(madePresses(traceNow()));
    if (!found) return say(`That takes at least ${leastPresses} presses in hand.`);
    say(edit({ name: 'changeHands', args: [found] }) ?? 'Taken from the presses on the strip.');
  };
  return (
    <fieldset className="card">
      <legend>
        <StageIcon stage="contact" /> Whose hands
      </legend>
      <div className={classes.pair}>
        {handFields.map(({ field, label }) => (
          <DurationField
            key={field}
            width="100%"
            label={label}
            minUs={1_000}
            step={10}
            value={hands[field]}
            commit={(us) => edit({ name: 'changeHands', args: [{ [field]: us }] })}
          />
        ))}
      </div>
      <PushButton size="compact-sm" variant="default" onClick={take}>
        Take mine, from what I have played
      </PushButton>
      <p className="soft" role="status">
        {said || 'Typical of adult hands. Small, old or gloved hands differ.'}
      </p>
    </fieldset>
  );
}

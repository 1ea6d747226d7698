import '../../../shared/styles/toggle.css';
import { Button as PushButton, Switch } from '@mantine/core';
import { controlsOf, countUses, shareOf, type Button, type Chord } from '@hum-lever/core';
import { useCallback } from 'react';
import { edit, useDocument } from '../../../client/index.ts';
import { count, DurationField, showDuration, TextField } from '../../../shared/index.ts';
import { lab, useAnswer } from '../../../workers/index.ts';
import classes from '../Feel.module.css';
import { oddsWords } from '../oddsWords.ts';

/** Keys that mean something together with this one. */
export function Chords({ control }: { control: Button }) {
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

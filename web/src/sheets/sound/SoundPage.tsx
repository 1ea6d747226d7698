import { keyMapsOf, listensToMidi, tuningsOf } from '@hum-lever/core';
import { useCallback, useMemo } from 'react';
import { useDocument } from '../../client/index.ts';
import { count, FirstStep, SheetFrame } from '../../shared/index.ts';
import { useSound } from '../../inhand/index.ts';
import { exploring, useAnswer } from '../../workers/index.ts';
import { FingerToSound } from './FingerToSound.tsx';
import { heldWords, KeyMapPart } from './KeyMaps.tsx';
import { LetKeysPlay } from './LetKeysPlay.tsx';
import { Neighbours } from './Neighbours.tsx';
import { PlayerPart } from './Players.tsx';
import { OnTheWire } from './OnTheWire.tsx';
import { Sounders } from './Sounders.tsx';
import { Effects } from './effects/Effects.tsx';
import { Tunes } from './tunes/Tunes.tsx';
import classes from './Sound.module.css';

/** What the gadget sounds like and what it sends: pitches as they come out, messages as they go over the wire. */
export function SoundPage() {
  const gadget = useDocument();
  const tunings = useMemo(() => tuningsOf(gadget), [gadget]);
  const maps = useMemo(() => keyMapsOf(gadget), [gadget]);
  const held = useAnswer(
    useCallback(() => exploring().held(gadget), [gadget]),
    true,
  );
  const wires = gadget.outputs.flatMap((output) => (output.kind === 'midi' ? [output] : []));
  const players = gadget.outputs.flatMap((output) => (output.kind === 'player' ? [output] : []));
  return (
    <SheetFrame title="Sound" about="Pitches as they come out, and what goes over the wire.">
      {tunings.length + wires.length + players.length === 0 && (
        <FirstStep>
          Nothing sounds yet. Add a sounder or a MIDI socket in Parts and let rules tell it something: here
          stands how far each pitch is from what was asked for, and how long each message takes.
        </FirstStep>
      )}
      {maps.map((map) => (
        <KeyMapPart key={map.rows.id} gadget={gadget} map={map} />
      ))}
      <div className={classes.begin}>
        <LetKeysPlay gadget={gadget} open={maps.length === 0} />
        {tunings.length + gadget.tunes.length > 0 && <Tunes gadget={gadget} tunings={tunings} />}
        {tunings.length + gadget.effects.length > 0 && <Effects gadget={gadget} />}
      </div>
      {tunings.map((tuning) => (
        <Sounders key={tuning.output.id} tuning={tuning} held={heldWords(held, tuning.output)} />
      ))}
      {players.map((output) => (
        <PlayerPart key={output.id} gadget={gadget} output={output} />
      ))}
      {wires.map((output) => (
        <OnTheWire key={output.id} gadget={gadget} output={output} held={heldWords(held, output)} />
      ))}
      {(wires.length > 0 || gadget.neighbours.length > 0 || listensToMidi(gadget)) && (
        <Neighbours gadget={gadget} />
      )}
      <FingerToSound gadget={gadget} />
      {tunings.length + players.length > 0 && (
        <p className={classes.soft}>
          Loud sounds harm ears, those of infants first, and headphones bring them nearest: try new sounds
          quietly and away from the ear. What the maker of the part and local rules say comes first; for
          anything sold or used in public, ask those who are licensed to measure it.
        </p>
      )}
      <Heard />
    </SheetFrame>
  );
}

/** How much was heard of the gadget in hand, and whether in time. */
function Heard() {
  const heard = useSound((state) => state.heard);
  if (!heard) return null;
  const { moments, late, latestMs } = heard;
  const intime =
    late === 0
      ? 'each at its moment'
      : `${late} of them too late, by ${Math.round(latestMs)}\u202fms at worst: this computer was busy`;
  return (
    <p className={classes.soft}>
      Heard in hand so far: {count(moments, 'change')} of what sounds, {intime}; all of it 20 ms later than
      the strip has it.
    </p>
  );
}

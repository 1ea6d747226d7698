import { tuningsOf } from '@hum-lever/core';
import { useMemo } from 'react';
import { useDocument } from '../../client/index.ts';
import { FirstStep, SheetFrame } from '../../shared/index.ts';
import { OnTheWire } from './OnTheWire.tsx';
import { Sounders } from './Sounders.tsx';

/** What the gadget sounds like and what it sends: pitches as they come out, messages as they go over the wire. */
export function SoundPage() {
  const gadget = useDocument();
  const tunings = useMemo(() => tuningsOf(gadget), [gadget]);
  const wires = gadget.outputs.flatMap((output) => (output.kind === 'midi' ? [output] : []));
  return (
    <SheetFrame title="Sound" about="Pitches as they come out, and what goes over the wire.">
      {tunings.length + wires.length === 0 && (
        <FirstStep>
          Nothing sounds yet. Add a sounder or a MIDI socket in Parts and let rules tell it something: here
          stands how far each pitch is from what was asked for, and how long each message takes.
        </FirstStep>
      )}
      {tunings.map((tuning) => (
        <Sounders key={tuning.output.id} tuning={tuning} />
      ))}
      {wires.map((output) => (
        <OnTheWire key={output.id} gadget={gadget} output={output} />
      ))}
    </SheetFrame>
  );
}

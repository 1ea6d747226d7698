import { Button, Group } from '@mantine/core';
import type { Gadget, OutputOf, Reduced } from '@hum-lever/core';
import { useState } from 'react';
import { edit } from '../../client/index.ts';
import { Choice, count, PickFile, ReadingNow } from '../../shared/index.ts';
import { useReading } from '../../workers/index.ts';
import classes from './Sound.module.css';

interface Piece {
  name: string;
  bytes: Uint8Array;
  reduced: Reduced;
}

const voiceNames = ['the melody', 'the bass', 'the next below the melody', 'a fourth voice'];
const mostVoices = 4;

/** A MIDI file becomes tunes for the sounders that there are: which notes each has, and which are heard in none. */
export function BringPiece({ gadget, sounders }: { gadget: Gadget; sounders: readonly OutputOf<'tone'>[] }) {
  const { reading, run, stop } = useReading();
  const [piece, setPiece] = useState<Piece | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const [voices, setVoices] = useState(Math.min(mostVoices, sounders.length));
  const [stateId, setState] = useState<string | null>(null);
  const { states, initialId } = gadget.flow;
  const state = states.find(({ id }) => id === (stateId ?? initialId));

  const reduce = async (name: string, bytes: Uint8Array, wanted: number) => {
    const read = await run((reader) => reader.piece(bytes, wanted));
    if (!read) return;
    setRefused(read.outcome === 'faulty' ? read.message : null);
    setPiece(read.outcome === 'read' ? { name, bytes, reduced: read.reduced } : null);
  };
  const playIt = () => {
    if (!piece || !state) return;
    const tunes = piece.reduced.voices.flatMap(({ notes }, voice) =>
      notes.length > 0 ? [{ kind: 'tune' as const, outputId: sounders[voice]!.id, notes }] : [],
    );
    setRefused(edit({ name: 'changeState', args: [state.id, { entry: [...state.entry, ...tunes] }] }));
    setPiece(null);
  };

  return (
    <section className={classes.more} aria-label="A piece from a file">
      <PickFile
        accept=".mid,.midi,audio/midi"
        take={(file) =>
          void file.arrayBuffer().then((buffer) => reduce(file.name, new Uint8Array(buffer), voices))
        }
      >
        {(props) => (
          <Button {...props} size="compact-sm" variant="default">
            Bring in a MIDI file
          </Button>
        )}
      </PickFile>
      <ReadingNow reading={reading} stop={stop} />
      {refused !== null && <p role="alert">{refused}</p>}
      {piece && (
        <>
          <p role="status">
            “{piece.name}”: {reducedWords(piece.reduced)}
          </p>
          <Group gap={6}>
            For
            <Choice
              label="Voices"
              data={sounders
                .slice(0, mostVoices)
                .map((_, n) => ({ value: String(n + 1), label: count(n + 1, 'voice') }))}
              value={String(voices)}
              choose={(chosen) => {
                setVoices(Number(chosen));
                void reduce(piece.name, piece.bytes, Number(chosen));
              }}
            />
            on entering
            <Choice
              label="On entering"
              stage="state"
              data={states.map(({ id, name }) => ({ value: id, label: name }))}
              value={state?.id ?? ''}
              choose={setState}
            />
            <Button size="compact-sm" onClick={playIt} disabled={!state}>
              Play it there
            </Button>
          </Group>
        </>
      )}
    </section>
  );
}

/** “the melody 120 notes, the bass 80; left out: 10 in between, 4 of drums; 3 are shortened”. */
export function reducedWords({ voices, dropped, shortened }: Reduced): string {
  const kept = voices.map(({ kept: notes }, n) => `${voiceNames[n]} ${count(notes, 'note')}`).join(', ');
  const out = [
    dropped.between > 0 ? `${count(dropped.between, 'note')} in between` : null,
    dropped.drums > 0 ? `${count(dropped.drums, 'note')} of drums` : null,
    dropped.beyond > 0 ? `${count(dropped.beyond, 'note')} behind what a tune holds` : null,
  ].filter((one) => one !== null);
  const left = out.length > 0 ? `left out: ${out.join(', ')}` : 'nothing is left out';
  const cut =
    shortened > 0 ? `; ${count(shortened, 'note')} shortened where a higher or lower one begins` : '';
  return `${kept}; ${left}${cut}.`;
}

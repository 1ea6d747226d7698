import { Button } from '@mantine/core';
import { nextId, nextIds, type Gadget, type OutputOf, type PieceTune } from '@hum-lever/core';
import { useState } from 'react';
import { edit } from '../../../client/index.ts';
import { Choice, count, PickFile, ReadingNow, showDuration } from '../../../shared/index.ts';
import { useReading } from '../../../workers/index.ts';
import { performedOn } from './performedOn.ts';
import { useEntered } from './useEntered.tsx';
import classes from './Tunes.module.css';

interface Piece {
  name: string;
  bytes: Uint8Array;
  read: PieceTune;
}

const mostVoices = 4;
/** As the file is called, without its ending. */
const titleOf = (file: string): string =>
  file
    .replace(/\.midi?$/i, '')
    .trim()
    .slice(0, 60) || 'Piece';

/** A MIDI file becomes a tune for the sounders that there are: which notes each voice has, and which are heard in none. */
export function BringPiece({ gadget, sounders }: { gadget: Gadget; sounders: readonly OutputOf<'tone'>[] }) {
  const { reading, run, stop } = useReading();
  const [piece, setPiece] = useState<Piece | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const [voices, setVoices] = useState<number | null>(null);
  const entered = useEntered(gadget);
  /** As many as there are sounders, where nothing else was chosen. */
  const wanted = voices ?? Math.max(1, Math.min(mostVoices, sounders.length));

  const reduce = async (name: string, bytes: Uint8Array, many: number) => {
    const read = await run((reader) => reader.piece(bytes, many, titleOf(name)));
    if (!read) return;
    setRefused(read.outcome === 'faulty' ? read.message : null);
    setPiece(read.outcome === 'read' ? { name, bytes, read: read.piece } : null);
  };
  const keep = (played: boolean) => {
    if (!piece) return;
    const { tune } = piece.read;
    const tuneId = nextId(gadget, 'tune');
    const ids = nextIds(gadget, 'voice', tune.voices.length).map((id) => ({ id }));
    const add = { name: 'addTune' as const, args: [tune] as [typeof tune] };
    const told = performedOn(tuneId, ids, sounders);
    setRefused(
      played && entered
        ? edit({
            name: 'several',
            args: [
              [
                add,
                {
                  name: 'changeState',
                  args: [entered.state.id, { entry: [...entered.state.entry, ...told] }],
                },
              ],
            ],
          })
        : edit(add),
    );
    setPiece(null);
  };

  return (
    <section className={classes.bring} aria-label="A piece from a file">
      <PickFile
        accept=".mid,.midi,audio/midi"
        take={(file) =>
          void file.arrayBuffer().then((buffer) => reduce(file.name, new Uint8Array(buffer), wanted))
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
        <div className={classes.piece}>
          <p role="status">
            “{piece.name}”: {pieceWords(piece.read)}
          </p>
          <span>
            In
            <Choice
              label="Voices"
              data={Array.from({ length: mostVoices }, (_, n) => ({
                value: String(n + 1),
                label: count(n + 1, 'voice'),
              }))}
              value={String(wanted)}
              choose={(chosen) => {
                setVoices(Number(chosen));
                void reduce(piece.name, piece.bytes, Number(chosen));
              }}
            />
            {entered && sounders.length > 0 && (
              <>
                on entering {entered.choice}
                <Button size="compact-sm" onClick={() => keep(true)}>
                  Play it there
                </Button>
              </>
            )}
            <Button size="compact-sm" variant="default" onClick={() => keep(false)}>
              Just keep it
            </Button>
          </span>
        </div>
      )}
    </section>
  );
}

/** “Melody 120 notes, Bass 80; left out: 10 in between, 4 of drums; 3 are shortened”. */
export function pieceWords({ tune, dropped, shortened, movedUs, tempos }: PieceTune): string {
  const kept = tune.voices.map(({ name, notes }) => `${name} ${count(notes.length, 'note')}`).join(', ');
  const out = [
    dropped.between > 0 ? `${count(dropped.between, 'note')} in between` : null,
    dropped.drums > 0 ? `${count(dropped.drums, 'note')} of drums` : null,
    dropped.crowded > 0 ? `${count(dropped.crowded, 'note')} on a step that another has` : null,
    dropped.beyond > 0 ? `${count(dropped.beyond, 'note')} behind what a tune holds` : null,
  ].filter((one) => one !== null);
  const more = [
    out.length > 0 ? `left out: ${out.join(', ')}` : 'nothing is left out',
    ...(shortened > 0 ? [`${count(shortened, 'note')} shortened where a higher or lower one begins`] : []),
    movedUs < 1_000
      ? 'every note is where it was'
      : `notes are moved by ${showDuration(movedUs)} at most, onto ${count(tune.stepsPerBeat, 'step')} a beat`,
    ...(tempos.length > 1
      ? [`of its ${tempos.length} tempos the first is kept, ${tune.beatsPerMinute} beats a minute`]
      : []),
  ];
  return `${kept}; ${more.join('; ')}.`;
}

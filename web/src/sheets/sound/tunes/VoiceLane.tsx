import { isOutOfTune, noteName, type Tune, type Tuned, type TuneNote, type TuneVoice } from '@hum-lever/core';
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { centsWords } from '../pitchWords.ts';
import { added, lengthened, moved, repeated } from './notesEdited.ts';
import classes from './Tunes.module.css';

const noteHigh = 12;
/** Under the notes: what each is off by. */
const footHigh = 18;
/** Semitones above and below what there is, so that there is room to add. */
const roomAround = 3;
/** A note ends there, px: grabbed there it gets longer. */
const endPx = 6;
const usualSteps = 2;

/** How a voice is drawn: what a step and a semitone are, px, and its highest note. */
interface Scale {
  stepPx: number;
  semiPx: number;
  highest: number;
  high: number;
}

function scaleOf(notes: readonly TuneNote[], stepPx: number): Scale {
  const pitches = notes.map(({ note }) => note);
  const [low, high] = pitches.length > 0 ? [Math.min(...pitches), Math.max(...pitches)] : [60, 72];
  const [lowest, highest] = [low - roomAround, high + roomAround];
  // Two octaves and more take no more room than that.
  const semiPx = Math.min(6, 96 / (highest - lowest));
  return { stepPx, semiPx, highest, high: (highest - lowest) * semiPx + noteHigh };
}

/** “C4, beat 2.3, 2 steps, 60 % loud”. */
export function noteWords({ at, steps, note, percent }: TuneNote, stepsPerBeat: number): string {
  const beat = `beat ${Math.floor(at / stepsPerBeat) + 1}.${(at % stepsPerBeat) + 1}`;
  const quieter = percent < 100 ? `, ${percent}\u202f% loud` : '';
  return `${noteName(note)}, ${beat}, ${steps === 1 ? '1 step' : `${steps} steps`}${quieter}`;
}

interface Drag {
  index: number;
  how: 'move' | 'end';
  x: number;
  y: number;
  from: readonly TuneNote[];
  now: readonly TuneNote[];
}

/** A voice on the grid of time, higher notes higher, each with its cents under it. Hands and keys change it. */
export function VoiceLane({
  tune,
  voice,
  steps,
  stepPx,
  tunedTo,
  selected,
  select,
  put,
}: {
  tune: Tune;
  voice: TuneVoice;
  /** Of all sections. */
  steps: number;
  stepPx: number;
  tunedTo: (note: number) => Tuned;
  selected: number | null;
  select: (index: number | null) => void;
  put: (notes: TuneNote[]) => void;
}) {
  const [drag, setDrag] = useState<Drag | null>(null);
  const box = useRef<SVGSVGElement>(null);
  // While a note is held it moves on the lane as it was: the lane does not move under the hand.
  const scale = scaleOf(drag?.from ?? voice.notes, stepPx);
  const notes = drag?.now ?? voice.notes;
  const { stepsPerBeat } = tune;
  const width = steps * stepPx;
  const at = (clientX: number, clientY: number) => {
    const { left, top } = box.current!.getBoundingClientRect();
    return { x: clientX - left, y: clientY - top };
  };
  const onPointerDown = (event: PointerEvent<SVGSVGElement>) => {
    if (event.button !== 0) return;
    const { x, y } = at(event.clientX, event.clientY);
    const target = (event.target as Element).closest<SVGGElement>('[data-note]');
    if (target) {
      const index = Number(target.dataset['note']);
      const { at: begins, steps: own } = notes[index]!;
      const how = (begins + own) * stepPx - x < Math.min(endPx, (own * stepPx) / 2) ? 'end' : 'move';
      select(index);
      setDrag({ index, how, x, y, from: voice.notes, now: voice.notes });
      event.currentTarget.setPointerCapture(event.pointerId);
      return;
    }
    const note = Math.round(scale.highest - (y - noteHigh / 2) / scale.semiPx);
    const made = added(
      notes,
      Math.floor(x / stepPx),
      Math.min(127, Math.max(0, note)),
      notes[selected ?? -1]?.steps ?? usualSteps,
      steps,
    );
    if (!made) return;
    put(made.notes);
    select(made.index);
  };
  const onPointerMove = (event: PointerEvent<SVGSVGElement>) => {
    if (!drag) return;
    const { x, y } = at(event.clientX, event.clientY);
    const by = Math.round((x - drag.x) / stepPx);
    const now =
      drag.how === 'end'
        ? lengthened(drag.from, drag.index, by, steps)
        : moved(
            drag.from,
            drag.index,
            { steps: by, semitones: Math.round((drag.y - y) / scale.semiPx) },
            steps,
          );
    setDrag({ ...drag, now: now ?? drag.from });
  };
  const onPointerUp = () => {
    if (drag && drag.now !== drag.from) put([...drag.now]);
    setDrag(null);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const count = voice.notes.length;
    const go = (index: number) => select(count === 0 ? null : (index + count) % count);
    const change = (made: TuneNote[] | null) => made && put(made);
    const more = (made: { notes: TuneNote[]; index: number } | null) => {
      if (!made) return;
      put(made.notes);
      select(made.index);
    };
    if (event.key === ']') go((selected ?? -1) + 1);
    else if (event.key === '[') go((selected ?? count) - 1);
    else if (event.key === 'Enter' && count === 0) more(added([], 0, 60, usualSteps, steps));
    else if (event.key === 'Escape') select(null);
    else if (selected === null || !voice.notes[selected]) return;
    else if (event.key === 'Enter') more(repeated(voice.notes, selected, steps));
    else if (event.key === 'Delete' || event.key === 'Backspace') {
      put(voice.notes.filter((_, n) => n !== selected));
      select(count > 1 ? Math.min(selected, count - 2) : null);
    } else if (event.key.startsWith('Arrow')) {
      const across = { ArrowLeft: -1, ArrowRight: 1 }[event.key] ?? 0;
      const up = { ArrowUp: 1, ArrowDown: -1 }[event.key] ?? 0;
      if (event.shiftKey && across !== 0) change(lengthened(voice.notes, selected, across, steps));
      else
        change(
          moved(voice.notes, selected, { steps: across, semitones: up * (event.shiftKey ? 12 : 1) }, steps),
        );
    } else return;
    event.preventDefault();
  };
  const chosen = selected === null ? undefined : voice.notes[selected];
  return (
    <svg
      ref={box}
      className={classes.lane}
      width={width}
      height={scale.high + footHigh}
      role="group"
      tabIndex={0}
      aria-label={`Notes of ${voice.name}, ${voice.notes.length}${chosen ? `; ${noteWords(chosen, stepsPerBeat)}` : ''}`}
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onPointerCancel={() => setDrag(null)}
      onKeyDown={onKeyDown}
    >
      <Grid tune={tune} steps={steps} scale={scale} />
      {notes.map((note, n) => (
        <NoteMark
          key={n}
          n={n}
          note={note}
          scale={scale}
          tuned={tunedTo(note.note)}
          chosen={n === selected}
        />
      ))}
    </svg>
  );
}

/** Beats and sections as lines, steps as finer ones. */
function Grid({ tune, steps, scale: { stepPx, high } }: { tune: Tune; steps: number; scale: Scale }) {
  const { stepsPerBeat, sections } = tune;
  const begins = sections.reduce<number[]>((all, { steps: own }) => [...all, all.at(-1)! + own], [0]);
  const borders = new Set(begins);
  return (
    <>
      {Array.from({ length: steps + 1 }, (_, n) => {
        const kind = borders.has(n) ? 'section' : n % stepsPerBeat === 0 ? 'beat' : 'step';
        // Where steps are narrow, lines of all of them would be a grey area.
        if (kind === 'step' && stepPx < 6) return null;
        return <line key={n} data-line={kind} x1={n * stepPx} x2={n * stepPx} y1={0} y2={high} />;
      })}
    </>
  );
}

function NoteMark({
  n,
  note: { at, steps, note, percent, ornament },
  scale: { stepPx, semiPx, highest, high },
  tuned,
  chosen,
}: {
  n: number;
  note: TuneNote;
  scale: Scale;
  tuned: Tuned;
  chosen: boolean;
}) {
  const x = at * stepPx;
  const wide = steps * stepPx;
  const y = (highest - note) * semiPx;
  const held = tuned.heldHz !== tuned.hz;
  return (
    <g
      data-note={n}
      data-off={isOutOfTune(tuned) || undefined}
      data-chosen={chosen || undefined}
      data-ornament={ornament?.kind}
    >
      <title>
        {noteName(note)}, {held ? 'beyond what the sounder gives' : `${centsWords(tuned.cents)} cents`}
        {percent < 100 && `, ${percent}\u202f% loud`}
      </title>
      <line className={classes.stem} x1={x + 1.5} x2={x + 1.5} y1={y + noteHigh} y2={high + 4} />
      <rect x={x + 0.5} y={y} width={Math.max(3, wide - 1.5)} height={noteHigh} rx="2" />
      {percent < 100 && <path d={quieterMark(x + 0.5, Math.max(3, wide - 1.5), y + noteHigh - 2, percent)} />}
      {ornament && <path d={markOf(ornament.kind, x + wide - 1.5, y)} />}
      {wide >= 30 && (
        <text className={classes.noteName} x={x + 4} y={y + noteHigh - 2}>
          {noteName(note)}
        </text>
      )}
      {wide >= 26 && (
        <text x={x + 2} y={high + footHigh - 3}>
          {held ? 'held' : centsWords(tuned.cents)}
        </text>
      )}
    </g>
  );
}

/** Along the foot of a note: what it lacks of the loudness it could have. */
const quieterMark = (left: number, wide: number, y: number, percent: number): string =>
  `M${left + (wide * percent) / 100} ${y} H${left + wide}`;

/** At the end of a note: it comes from elsewhere, it trembles, it is broken. */
function markOf(kind: 'slide' | 'vibrato' | 'arpeggio', right: number, y: number): string {
  const [left, top] = [right - 9, y + 3];
  if (kind === 'slide') return `M${left} ${top + 6} L${left + 7} ${top}`;
  if (kind === 'vibrato') return `M${left} ${top + 3} q2 -5 3.5 0 t3.5 0`;
  return `M${left} ${top + 6} v-1 M${left + 3.5} ${top + 4} v-1 M${left + 7} ${top + 2} v-1`;
}

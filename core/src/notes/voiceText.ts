import { limits, type Ornament, type TuneNote } from '../gadget/index.ts';
import { noteName, readNote } from './note.ts';

/*
 * A voice as it is typed: notes one after the other with spaces between them, `-` for a rest, `:` and how many steps
 * where it is not one, what it does besides, and how loud it is where that is not all it can: `C4 E4:2 -:2 G4:4~30
 * A4:2/1 C4:4+4+7 C4:2!60`.
 */

const word =
  /^([^:/~+!]+)((?:\+-?\d{1,2})*)(?::(\d{1,4}))?(?:\/(\d{1,4})|~(\d{1,3}))?((?:\+-?\d{1,2})*)(?:!(\d{1,3}))?$/;

export type VoiceRead = { outcome: 'read'; notes: TuneNote[] } | { outcome: 'faulty'; message: string };

function showOrnament(ornament: Ornament | null): string {
  switch (ornament?.kind) {
    case undefined:
      return '';
    case 'slide':
      return `/${ornament.steps}`;
    case 'vibrato':
      return `~${ornament.cents}`;
    case 'arpeggio':
      return ornament.above.map((up) => `+${up}`).join('');
  }
}

const lasting = (steps: number): string => (steps === 1 ? '' : `:${steps}`);

/** As it can be typed again. */
export function showVoice(notes: readonly TuneNote[]): string {
  let free = 0;
  return notes
    .flatMap(({ at, steps, note, percent, ornament }) => {
      const rest = at - free;
      free = at + steps;
      const own = `${noteName(note)}${lasting(steps)}${showOrnament(ornament)}${percent < 100 ? `!${percent}` : ''}`;
      return rest > 0 ? [`-${lasting(rest)}`, own] : [own];
    })
    .join(' ');
}

const faulty = (message: string): VoiceRead => ({ outcome: 'faulty', message });

/** @param room steps that the tune has */
export function readVoice(text: string, room: number): VoiceRead {
  const notes: TuneNote[] = [];
  let at = 0;
  for (const [n, typed] of text
    .split(/[\s,;]+/)
    .filter(Boolean)
    .entries()) {
    const [, name, above = '', length = '1', slide, vibrato, behind = '', loud = '100'] =
      word.exec(typed) ?? [];
    const where = `word ${n + 1}, “${typed}”`;
    if (name === undefined)
      return faulty(
        `Expected a note such as C4, C4:2, C4:4~30, C4:4/1, C4:4+4+7 or C4!60, or a rest such as -:2; got ${where}.`,
      );
    const steps = Number(length);
    const isRest = name === '-';
    const note = isRest ? null : readNote(name);
    if (!isRest && note === null) return faulty(`Expected a note from C-1 to G9 or a rest; got ${where}.`);
    if (steps < 1) return faulty(`Expected a length of at least one step; got ${where}.`);
    const percent = Number(loud);
    if (percent < 1 || percent > 100) return faulty(`Expected a loudness of 1 to 100 %; got ${where}.`);
    if (at + steps > room && !isRest)
      return faulty(`Expected notes within ${room} steps; ${where} ends at step ${at + steps}.`);
    if (note !== null) {
      const turns = [...(above + behind).matchAll(/\+(-?\d+)/g)].map((one) => Number(one[1]));
      const ornaments = [
        ...(slide === undefined ? [] : [{ kind: 'slide' as const, steps: Number(slide) }]),
        ...(vibrato === undefined ? [] : [{ kind: 'vibrato' as const, cents: Number(vibrato) }]),
        ...(turns.length === 0 ? [] : [{ kind: 'arpeggio' as const, above: turns }]),
      ];
      const wrong = wrongWith(ornaments);
      if (wrong) return faulty(`Expected ${wrong}; got ${where}.`);
      notes.push({ at, steps, note, percent, ornament: ornaments[0] ?? null });
    }
    at += steps;
  }
  if (notes.length > limits.tuneNotes)
    return faulty(`Expected at most ${limits.tuneNotes} notes, got ${notes.length}.`);
  return { outcome: 'read', notes };
}

/** What would have to be otherwise; null: nothing. */
function wrongWith(ornaments: readonly Ornament[]): string | null {
  const [one] = ornaments;
  if (ornaments.length > 1) return 'a note that slides, or has vibrato, or is broken, and not two of these';
  if (one?.kind === 'slide' && (one.steps < 1 || one.steps > limits.tuneSteps))
    return `a slide of 1 to ${limits.tuneSteps} steps`;
  if (one?.kind === 'vibrato' && (one.cents < 1 || one.cents > 200)) return 'a vibrato of 1 to 200 cents';
  if (one?.kind === 'arpeggio' && one.above.length > limits.arpeggio)
    return `at most ${limits.arpeggio} more notes in a broken chord`;
  return one?.kind === 'arpeggio' && one.above.some((up) => Math.abs(up) > 24)
    ? 'notes of a broken chord at most 24 semitones away'
    : null;
}

import type { Ornament, Tune } from '../gadget/index.ts';

/** Parts of a step: swing, and where a note is let go, lie between two steps. */
export const stepParts = 10_000;
/** µs of a part, times beats a minute, times steps a beat: a minute in parts of a beat. */
const partUs = 60_000_000 / stepParts;

/** Pitches that move are set anew so often, as a program does that has other things to see to. */
export const frameUs = 20_000;
/** Up and down around the note, a step a frame: six and a quarter times a second. */
const vibratoShares = [0, 71, 100, 71, 0, -71, -100, -71] as const;

/** A note where it is played, in parts from the beginning. */
export interface PlayedNote {
  from: number;
  /** Let go; what is left of its length, up to `until`, is a gap, in which its voice has the sounder yet. */
  to: number;
  until: number;
  note: number;
  /** How loud, of what its sounder is. */
  percent: number;
  ornament: Ornament | null;
  /** The note before, which a slide comes from. */
  before: number | null;
}

export interface PlayedVoice {
  id: string;
  name: string;
  notes: readonly PlayedNote[];
}

/** A tune with its sections played out, one after the other, each so many times. */
export interface PlayedTune {
  voices: readonly PlayedVoice[];
  /** In parts. */
  length: number;
  /** Where it goes on at its end; null: it ends. */
  againFrom: number | null;
  /** Sections as they are played: where each begins on the grid, and where as it is played, in steps. */
  passes: readonly { from: number; steps: number; at: number }[];
}

const known = new WeakMap<Tune, PlayedTune>();

/**
 * A tune as it is played: sections in their order, with swing. A note that reaches over the end of its section is cut
 * there. Costs as much as all that is played once; asked again of the same tune, nothing.
 */
export function playedTune(tune: Tune): PlayedTune {
  const played = known.get(tune) ?? playOut(tune);
  known.set(tune, played);
  return played;
}

/** Where a step begins. Of each two, the first takes what the swing gives it. */
export const partsAt = (step: number, swingPercent: number): number =>
  2 * stepParts * Math.floor(step / 2) + (step % 2) * ((2 * stepParts * swingPercent) / 100);

function playOut({ swingPercent, heldPercent, sections, againFrom, voices }: Tune): PlayedTune {
  const passes: { from: number; steps: number; at: number }[] = [];
  const begins: number[] = [];
  let [from, at] = [0, 0];
  for (const { steps, times } of sections) {
    begins.push(at);
    for (let n = 0; n < times; n += 1) {
      passes.push({ from, steps, at });
      at += steps;
    }
    from += steps;
  }
  const parts = (step: number) => partsAt(step, swingPercent);
  const playedVoices = voices.map(({ id, name, notes }) => {
    let before: number | null = null;
    const played = passes.flatMap((pass) =>
      notes.flatMap(({ at: start, steps, note, percent, ornament }): PlayedNote[] => {
        const begin = start - pass.from;
        if (begin < 0 || begin >= pass.steps) return [];
        const end = Math.min(begin + steps, pass.steps);
        const [begun, over] = [parts(pass.at + begin), parts(pass.at + end)];
        const to = begun + Math.max(1, Math.floor(((over - begun) * heldPercent) / 100));
        const one = { from: begun, to, until: over, note, percent, ornament, before };
        before = note;
        return [one];
      }),
    );
    return { id, name, notes: played };
  });
  return {
    passes,
    voices: playedVoices,
    length: parts(at),
    againFrom: againFrom === null ? null : parts(begins[againFrom]!),
  };
}

/**
 * How long so many parts take. Each moment of a tune is worked out so from where it began, never summed.
 * @param rate beats a minute × steps a beat
 * @returns whole µs
 */
export const usOfParts = (parts: number, rate: number): number =>
  Math.floor(parts / rate) * partUs + Math.round(((parts % rate) * partUs) / rate);
/** The other way round, to the nearest part. */
export const partsOfUs = (us: number, rate: number): number => Math.round((us * rate) / partUs);

/** What of a tune sounds on one sounder from a moment on. */
export interface Passing {
  /** In hundredths of a note, 6,000 is C4; null: a rest. */
  pitch: number | null;
  /** The note that sounds. */
  note: PlayedNote | null;
  /** It begins here. */
  begins: boolean;
  /** Notes that begin here and do not sound, since another voice has the sounder. */
  unheard: readonly PlayedNote[];
  /** When it can sound otherwise, in parts from the beginning, laps and all; null: it is over. */
  next: number | null;
}

/** How a sounder plays: which voice, how fast, and for how long each note has its turn, where notes take turns. */
export interface Playing {
  /** null: all of them. */
  voiceId: string | null;
  rate: number;
  turnUs: number;
  /** Voices that sound together take turns; otherwise the first of them has the sounder. */
  inTurns: boolean;
}

/** The last note that has begun, by halves. @returns −1: none has */
function lastBegun(notes: readonly PlayedNote[], at: number): number {
  let [low, high] = [0, notes.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (notes[middle]!.from <= at) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}

const rest = { pitch: null, note: null, begins: false, unheard: [] } as const;

/** @param at parts from the beginning, laps and all */
export function passAt(tune: PlayedTune, at: number, { voiceId, rate, turnUs, inTurns }: Playing): Passing {
  const { length, againFrom } = tune;
  const lap = againFrom === null ? 0 : length - againFrom;
  if (at >= length && againFrom === null) return { ...rest, next: null };
  const here = at < length || againFrom === null ? at : againFrom + ((at - againFrom) % lap);
  const turn = Math.max(1, partsOfUs(turnUs, rate));
  const frame = Math.max(1, partsOfUs(frameUs, rate));
  let next = length;
  /** Notes whose voices have one, gaps behind them included. */
  const having: PlayedNote[] = [];
  for (const { id, notes } of tune.voices) {
    if (voiceId !== null && id !== voiceId) continue;
    const index = lastBegun(notes, here);
    const following = notes[index + 1];
    if (following) next = Math.min(next, following.from);
    const note = notes[index];
    if (!note || note.until <= here) continue;
    having.push(note);
    next = Math.min(next, note.to > here ? note.to : note.until);
    const moves = movesEvery(note, here - note.from, turn, frame);
    if (moves !== null && note.to > here) {
      next = Math.min(next, note.from + (Math.floor((here - note.from) / moves) + 1) * moves);
    }
  }
  const sounding = having.filter(({ to }) => to > here);
  const taking = inTurns && sounding.length > 1;
  if (taking) next = Math.min(next, (Math.floor(here / turn) + 1) * turn);
  const [first] = inTurns ? sounding : having;
  const chosen = taking ? sounding[Math.floor(here / turn) % sounding.length]! : first;
  const unheard = inTurns ? [] : having.filter((one) => one !== chosen && one.from === here);
  return {
    ...(chosen && chosen.to > here
      ? {
          pitch: pitchOf(chosen, here - chosen.from, turn, frame),
          note: chosen,
          begins: chosen.from === here,
        }
      : rest),
    unheard,
    next: at + next - here,
  };
}

/** How soon the pitch of a note moves again; null: it stands still from there on. */
function movesEvery({ ornament }: PlayedNote, into: number, turn: number, frame: number): number | null {
  if (ornament?.kind === 'arpeggio') return turn;
  if (ornament?.kind === 'slide' && into >= ornament.steps * stepParts) return null;
  return ornament && frame;
}

/** Pitch of a note so far into it, in hundredths of a note. */
function pitchOf({ note, ornament, before }: PlayedNote, into: number, turn: number, frame: number): number {
  const own = note * 100;
  switch (ornament?.kind) {
    case undefined:
      return own;
    case 'slide': {
      const over = ornament.steps * stepParts;
      const come = Math.min(1, into / over);
      return before === null ? own : Math.round(before * 100 + (note - before) * 100 * come);
    }
    case 'vibrato': {
      const share = vibratoShares[Math.floor(into / frame) % vibratoShares.length]!;
      return own + Math.trunc((share * ornament.cents) / 100);
    }
    case 'arpeggio': {
      const turns = [0, ...ornament.above];
      return own + 100 * turns[Math.floor(into / turn) % turns.length]!;
    }
  }
}

/** Beats a minute × steps a beat: how fast parts go by. */
export const rateOf = ({ stepsPerBeat }: Pick<Tune, 'stepsPerBeat'>, beatsPerMinute: number): number =>
  beatsPerMinute * stepsPerBeat;

/** Steps that have been played by then, with what is between. The other way round than `partsAt`. */
function stepsBy(parts: number, swingPercent: number): number {
  const first = (2 * stepParts * swingPercent) / 100;
  const pair = Math.floor(parts / (2 * stepParts));
  const into = parts - pair * 2 * stepParts;
  return 2 * pair + (into < first ? into / first : 1 + (into - first) / (2 * stepParts - first));
}

/** Where on the grid a tune is that is played once through. @returns steps, with what is between; null: it is over */
export function gridAt(tune: Tune, us: number): number | null {
  const { passes, length } = playedTune(tune);
  const parts = partsOfUs(us, rateOf(tune, tune.beatsPerMinute));
  if (parts >= length) return null;
  const steps = stepsBy(parts, tune.swingPercent);
  const pass = passes.findLast(({ at }) => at <= steps)!;
  return pass.from + steps - pass.at;
}

/** How long a tune is, all sections as often as they are played, once. @returns whole µs */
export const tuneLengthUs = (tune: Tune): number =>
  usOfParts(playedTune(tune).length, rateOf(tune, tune.beatsPerMinute));

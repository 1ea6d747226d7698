import {
  freshOutput,
  type Gadget,
  type Note,
  type SoundEffect,
  type Tone,
  type Tune,
} from '../gadget/index.ts';
import {
  effectFrameUs,
  effectPitches,
  noteHz,
  passAt,
  performedIn,
  playedTune,
  rateOf,
  usOfParts,
} from '../notes/index.ts';
import { hzGiven, sounderOf, type Sounder } from './tuning.ts';
import type { Response } from './response.ts';
import type { Moment, Sounding, Voice } from './synth.ts';

/**
 * A sounder's pin goes up and down: a square, or a pulse where it is to be quieter, of which the sounder lets through
 * what it can.
 * @param percent above 0
 */
export const sounderVoice = (hz: number, through: Response | null, percent = 100): Voice => ({
  hz,
  ...(percent < 100 ? { wave: 'pulse' as const, duty: dutyOf(percent) } : { wave: 'square' as const }),
  loudness: 1,
  ...(through && { through }),
});
/** As heard, in steps of 5 %: finer ones are not told apart, and each is a wave of its own. */
const dutyOf = (percent: number): number => Math.max(1, Math.round(percent / 5)) / 40;

const voiceOf = (sounder: Sounder, hz: number, percent = 100): Voice =>
  sounderVoice(hzGiven(sounder, hz), sounder.response, percent);

/** What of a tune sounds when, as the sounder gives it; and how long it is. */
export function tuneMoments(
  sounder: Sounder,
  notes: readonly Note[],
): { moments: Moment[]; lengthUs: number } {
  let lengthUs = 0;
  const moments = notes.map(({ hz, lengthUs: own }): Moment => {
    const atUs = lengthUs;
    lengthUs += own;
    return { atUs, sounding: hz > 0 ? { tone: voiceOf(sounder, hz) } : {} };
  });
  return { moments: [...moments, { atUs: lengthUs, sounding: {} }], lengthUs };
}

/** What of an effect sounds when, as the first sounder gives it; where there is none, just its pitches. */
export function effectSounding(gadget: Gadget, effect: SoundEffect): { moments: Moment[]; lengthUs: number } {
  const sounder = sounderOf(gadget, firstSounder(gadget));
  const moments = effectPitches(effect, 0).map((hz, frame): Moment => ({
    atUs: frame * effectFrameUs,
    sounding: { tone: voiceOf(sounder, hz) },
  }));
  return { moments: [...moments, { atUs: effect.lengthUs, sounding: {} }], lengthUs: effect.lengthUs };
}

/** A pitch that moves is set anew fifty times a second: an hour and more of a tune that never stands still. */
const mostMoments = 200_000;

/**
 * The same of a tune on its grid, once through: all its voices as the sounder plays them, or one.
 * @param voiceId null: all of them
 */
export function performedMoments(
  sounder: Sounder,
  tune: Tune,
  voiceId: string | null,
): { moments: Moment[]; lengthUs: number } {
  const played = { ...playedTune(tune), againFrom: null };
  const rate = rateOf(tune, tune.beatsPerMinute);
  const { turnUs, takes, perOctave } = sounder.output;
  const playing = { voiceId, rate, turnUs, inTurns: takes === 'turns' };
  const moments: Moment[] = [];
  for (let at: number | null = 0; at !== null && moments.length < mostMoments;) {
    const { pitch, note, next } = passAt(played, at, playing);
    const sounding: Sounding =
      pitch === null ? {} : { tone: voiceOf(sounder, noteHz(pitch / 100, perOctave), note?.percent) };
    moments.push({ atUs: usOfParts(at, rate), sounding });
    at = next;
  }
  return { moments, lengthUs: usOfParts(played.length, rate) };
}

/** Where nothing plays a tune and there is no sounder: just its pitches, voices in turns. */
const noSounder = {
  ...freshOutput('tone', {}),
  id: '',
  lowHz: 20,
  highHz: 20_000,
  pitched: 'exact',
  takes: 'turns',
} as Tone;

const firstSounder = ({ outputs }: Gadget): Tone =>
  outputs.find((output): output is Tone => output.kind === 'tone') ?? noSounder;

/**
 * What is heard of a tune once through: as all sounders that are told to play it give it, each what it is told; where
 * none is, as the first sounder does.
 */
export function tuneSounding(gadget: Gadget, tune: Tune): { moments: Moment[]; lengthUs: number } {
  const told = performedIn(gadget).filter((one) => one.tune.id === tune.id);
  const roles = new Map(
    told.map(({ action: { outputId, voiceId } }) => [`${outputId} ${voiceId}`, { outputId, voiceId }]),
  );
  const played = [...roles.values()].flatMap(({ outputId, voiceId }) => {
    const output = gadget.outputs.find(({ id }) => id === outputId);
    return output?.kind === 'tone' ? [{ output, voiceId }] : [];
  });
  const all = played.length > 0 ? played : [{ output: firstSounder(gadget), voiceId: null }];
  const lines = all.map(({ output, voiceId }) => performedMoments(sounderOf(gadget, output), tune, voiceId));
  return { moments: together(lines.map(({ moments }) => moments)), lengthUs: lines[0]!.lengthUs };
}

/** Several courses at once: at each moment what all of them have. */
function together(lines: readonly (readonly Moment[])[]): Moment[] {
  const changes = lines
    .flatMap((moments, line) => moments.map(({ atUs, sounding }) => ({ atUs, line, voice: sounding.tone })))
    .sort((a, b) => a.atUs - b.atUs);
  const now = new Map<string, Sounding[string]>();
  return changes.map(({ atUs, line, voice }) => {
    if (voice) now.set(`${line}`, voice);
    else now.delete(`${line}`);
    return { atUs, sounding: Object.fromEntries(now) };
  });
}

import { allActions, partOf, type Gadget, type Snag, type SnagRule, type Tune } from '../gadget/index.ts';
import { passAt, performedIn, playedTune, rateOf, type PlayedNote } from '../notes/index.ts';

/** Where a tune changes is looked at so often at most: all voices of a tune as long as can be, and some slides. */
const mostMoments = 40_000;

/** Notes of a tune once through, and how many of them one sounder that plays one voice at a time never gives. */
export function neverHeard(tune: Tune): { notes: number; unheard: number } {
  const played = playedTune(tune);
  // Slides and turns move one note: they are left out, and every moment is where one begins or ends.
  const still = {
    ...played,
    againFrom: null,
    voices: played.voices.map((voice) => ({
      ...voice,
      notes: voice.notes.map((note) => ({ ...note, ornament: null })),
    })),
  };
  const playing = { voiceId: null, rate: rateOf(tune, tune.beatsPerMinute), turnUs: 1, inTurns: false };
  const heard = new Set<PlayedNote>();
  let at: number | null = 0;
  for (let n = 0; at !== null && n < mostMoments; n += 1) {
    const { note, next } = passAt(still, at, playing);
    if (note) heard.add(note);
    at = next;
  }
  const notes = still.voices.reduce((sum, voice) => sum + voice.notes.length, 0);
  return { notes, unheard: at === null ? notes - heard.size : 0 };
}

/** Whether keys hold notes of it: turns would change how they sound, too. */
const isKeyed = (gadget: Gadget, outputId: string): boolean =>
  allActions(gadget).some((action) => action.kind === 'sing' && action.outputId === outputId);

/** A sounder plays a tune of several voices, and has one: notes of the others are never heard. */
export const N03: SnagRule = {
  id: 'N03',
  check(gadget) {
    const told = new Set<string>();
    return performedIn(gadget).flatMap(({ action: { outputId, voiceId }, tune }): Snag[] => {
      const output = gadget.outputs.find(({ id }) => id === outputId);
      const part = partOf(gadget, outputId);
      const key = `${outputId} ${tune.id}`;
      if (output?.kind !== 'tone' || !part || output.takes === 'turns' || voiceId !== null || told.has(key))
        return [];
      told.add(key);
      const { notes, unheard } = neverHeard(tune);
      if (unheard === 0) return [];
      const voices = tune.voices.filter((voice) => voice.notes.length > 0).length;
      return [
        {
          rule: 'N03',
          level: 'likely',
          place: { kind: 'tune', id: tune.id },
          values: { name: tune.name, sounder: output.name, voices, notes, unheard },
          ...(!isKeyed(gadget, outputId) && {
            mend: {
              key: 'takeTurns',
              edit: { name: 'changeOutput', args: [outputId, { takes: 'turns' }] },
            },
          }),
        },
      ];
    });
  },
};

import {
  placedActions,
  type Gadget,
  type OutputActionOf,
  type PlacedActions,
  type Tune,
  type TuneNote,
} from '../gadget/index.ts';
import { plainNumber } from './rowsTold.ts';

/** A sounder is told to play a tune, and where. */
export interface Performed {
  action: OutputActionOf<'perform'>;
  tune: Tune;
  place: PlacedActions['place'];
  /** Name of the state or layer. */
  name: string;
}

/** Everything that plays a tune, in document order. */
export function performedIn({ tunes, flow }: Pick<Gadget, 'tunes' | 'flow'>): Performed[] {
  if (tunes.length === 0) return [];
  return placedActions(flow).flatMap(({ actions, place, name }) =>
    actions.flatMap((action): Performed[] => {
      const tune = action.kind === 'perform' ? tunes.find(({ id }) => id === action.tuneId) : undefined;
      return action.kind === 'perform' && tune ? [{ action, tune, place, name }] : [];
    }),
  );
}

/** All notes that one of a tune is: of a broken chord each. */
export const notesIn = ({ note, ornament }: Pick<TuneNote, 'note' | 'ornament'>): number[] =>
  ornament?.kind === 'arpeggio' ? [note, ...ornament.above.map((up) => note + up)] : [note];

/** Notes that playing it asks for, each once, broken chords included; none where how far it is moved is worked out. */
export function performedNotes(
  { tunes }: Pick<Gadget, 'tunes'>,
  { tuneId, voiceId, by }: OutputActionOf<'perform'>,
): number[] {
  const tune = tunes.find(({ id }) => id === tuneId);
  const moved = plainNumber(by);
  if (!tune || moved === null) return [];
  const notes = tune.voices
    .filter(({ id }) => voiceId === null || id === voiceId)
    .flatMap((voice) => voice.notes)
    .flatMap(notesIn);
  return [...new Set(notes)].map((note) => note + moved);
}

/** Tunes that anything plays, each once. */
export const tunesPerformed = (gadget: Pick<Gadget, 'tunes' | 'flow'>): Tune[] => [
  ...new Set(performedIn(gadget).map(({ tune }) => tune)),
];

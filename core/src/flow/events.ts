import {
  codeGestures,
  gestureKinds,
  type CodeGesture,
  type Gadget,
  type GestureKind,
} from '../gadget/index.ts';

/** Numbers of everything that can trigger a rule. Whole, from 0, without gaps; they hold for one document only. */
export interface EventCodes {
  /** @returns -1 for a control that the gadget does not have; likewise below */
  gesture(controlId: string, gesture: GestureKind): number;
  chord(chordId: string): number;
  code(codeId: string, gesture: CodeGesture): number;
}

const places = (ids: readonly string[], from: number, each: number) =>
  new Map(ids.map((id, index) => [id, from + index * each]));

/** Controls come first, in document order, then chords, then the codes of receivers. */
export function eventCodes({ controls, chords }: Pick<Gadget, 'controls' | 'chords'>): EventCodes {
  const controlAt = places(
    controls.map(({ id }) => id),
    0,
    gestureKinds.length,
  );
  const chordFrom = controls.length * gestureKinds.length;
  const chordAt = places(
    chords.map(({ id }) => id),
    chordFrom,
    1,
  );
  const codeAt = places(
    controls.flatMap((control) => (control.kind === 'codes' ? control.codes.map(({ id }) => id) : [])),
    chordFrom + chords.length,
    codeGestures.length,
  );
  const at = (from: number | undefined, offset: number) => (from === undefined ? -1 : from + offset);
  return {
    gesture: (id, gesture) => at(controlAt.get(id), gestureKinds.indexOf(gesture)),
    chord: (id) => at(chordAt.get(id), 0),
    code: (id, gesture) => at(codeAt.get(id), codeGestures.indexOf(gesture)),
  };
}

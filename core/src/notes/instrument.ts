import {
  keysOf,
  limits,
  nextId,
  type Action,
  type Gadget,
  type Rule,
  type SingleEdit,
  type Trigger,
} from '../gadget/index.ts';
import { inOctave } from './note.ts';
import { rowsOfScale } from './scales.ts';

/** The number that comes with a key of a set, as an expression has it. */
export const keyNumber = 'heard(0)';

/** What keys are to play. */
export interface Instrument {
  /** A key set, or the part whose keys they are. */
  setId: string;
  /** A sounder or MIDI. */
  outputId: string;
  /** Where they are played; null: in a state that is made for it. */
  stateId: string | null;
  root: number;
  steps: readonly number[];
  /** What each key plays, in steps of the scale above its own note: [0] its note, [0, 2, 4] three stacked. */
  degrees: readonly number[];
}

/** A state in which keys can be played whatever else is so: the one that all others are in, or the first. */
export function playedIn({ flow }: Pick<Gadget, 'flow'>): string | null {
  const outermost = flow.states.filter(({ parentId }) => parentId === null);
  return outermost.length === 1 ? outermost[0]!.id : flow.initialId;
}

/**
 * Everything that it takes until keys play: their notes as a table, a row for each; a rule for any of them pressed, and
 * one for it let go; and where their state can be left, all is let go with it.
 * @returns edits for one document, to be done together; none where a key set or an output is missing
 */
export function instrumentEdits(gadget: Gadget, wanted: Instrument): SingleEdit[] {
  const { setId, outputId, root, steps, degrees } = wanted;
  const { flow } = gadget;
  const output = gadget.outputs.find(({ id }) => id === outputId);
  const keys = keysOf(gadget, setId).length;
  if (keys === 0 || (output?.kind !== 'midi' && output?.kind !== 'tone')) return [];
  const columns = Math.min(limits.columns, degrees.length);
  const variableId = nextId(gadget, 'variable');
  const held = { outputId, key: keyNumber, variableId, row: keyNumber, by: '0' };
  const [begins, ends, all]: Action[] =
    output.kind === 'midi'
      ? [
          { kind: 'play', ...held, channel: 1, velocity: '100', again: 'strike' },
          { kind: 'letGo', outputId, key: keyNumber },
          { kind: 'letAllGo', outputId },
        ]
      : [
          { kind: 'sing', ...held },
          { kind: 'hush', outputId, key: keyNumber },
          { kind: 'silence', outputId },
        ];
  const octave = output.kind === 'tone' ? output.perOctave : inOctave;
  const numbers = rowsOfScale(keys, root, steps, degrees, columns, octave);
  const state = flow.states.find(({ id }) => id === wanted.stateId);
  const stateId = state?.id ?? nextId(gadget, 'state');
  // What is not in it, one can be in instead.
  const others = flow.states.some(({ id, parentId }) => parentId === null && id !== stateId);
  const canBeLeft = state && (others || state.parentId !== null);
  return [
    {
      name: 'addVariable',
      args: [{ kind: 'table', name: freshWord(gadget), saved: null, numbers, columns }],
    },
    ...(state ? [] : [{ name: 'addState', args: ['Playing'] } satisfies SingleEdit]),
    { name: 'addRule', args: [stateId, heard(setId, 'press', begins!)] },
    { name: 'addRule', args: [stateId, heard(setId, 'release', ends!)] },
    ...(canBeLeft
      ? [{ name: 'changeState', args: [stateId, { exit: [...state.exit, all!] }] } satisfies SingleEdit]
      : []),
  ];
}

const heard = (setId: string, gesture: 'press' | 'release', action: Action): Omit<Rule, 'id'> => {
  const trigger: Trigger = { kind: 'keys', setId, gesture };
  return { trigger, guard: null, actions: [action], targetIds: [], internal: false };
};

/** A name that no variable has yet. */
function freshWord({ flow }: Gadget): string {
  const taken = new Set(flow.variables.map(({ name }) => name));
  const words = ['Notes', ...Array.from({ length: taken.size + 1 }, (_, n) => `Notes${n + 2}`)];
  return words.find((word) => !taken.has(word))!;
}

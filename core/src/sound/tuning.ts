import { placedActions, type Gadget, type Note, type PlacedActions, type Tone } from '../gadget/index.ts';
import { toneTimerOf, type Clocked } from '../wiring/index.ts';
import { askedHz } from './asked.ts';
import { soundedHz } from './pitch.ts';
import { levelDb, sounderResponse, type Response } from './response.ts';
import { cents, hzOf, settingFor, type TimerSetting } from './timer.ts';

/** A pitch that is asked for, and what comes of it. */
export interface Tuned {
  hz: number;
  /** Held inside what the sounder gives. */
  heldHz: number;
  /** null: exact, or nothing is known of the timer. */
  setting: TimerSetting | null;
  givesHz: number;
  /** From what is asked for to what it gives. */
  cents: number;
  /** How much quieter than at the sounder's best, dB; null: nothing is known of that. */
  levelDb: number | null;
}

/** Notes in hertz and milliseconds, and where they are told. */
export interface ToldNotes {
  notes: readonly Note[];
  place: PlacedActions['place'];
  /** Name of the state or layer. */
  name: string;
}

/** A sounder with what makes its pitches, and what becomes of them. */
export interface Sounder {
  output: Tone;
  /** What makes its pitches; null: they are exact, or nothing is known of it. */
  clocked: Clocked | null;
  /** How much of each comes out; null: nothing is known of that. */
  response: Response | null;
}

export interface Tuning extends Sounder {
  /** Pitches asked for as plain numbers, lowest first. */
  pitches: readonly Tuned[];
  told: readonly ToldNotes[];
}

/** From about so many cents on a pitch is heard as out of tune beside others. Source: the job, N01. */
const heardCents = 10;

export const isOutOfTune = ({ cents: off }: Pick<Tuned, 'cents'>): boolean => Math.abs(off) > heardCents;

/** The timer that makes a sounder's pitches; null: they are exact, or nothing is known of it. */
export const clockedFor = (gadget: Gadget, { id, pitched }: Tone): Clocked | null =>
  pitched === 'timer' ? toneTimerOf(gadget, id) : null;

/** Clock of that timer, Hz; null likewise. */
export const clockHzFor = (gadget: Gadget, output: Tone): number | null =>
  clockedFor(gadget, output)?.clockHz ?? null;

export const sounderOf = (gadget: Gadget, output: Tone): Sounder => ({
  output,
  clocked: clockedFor(gadget, output),
  response: sounderResponse(gadget, output.id),
});

/** The pitch that comes of one. @param hz above 0 */
export function hzGiven({ output, clocked }: Pick<Sounder, 'output' | 'clocked'>, hz: number): number {
  const heldHz = soundedHz(output, hz);
  return clocked ? hzOf(clocked.clockHz, settingFor(clocked, heldHz).divisor) : heldHz;
}

/** What becomes of a pitch. @param hz above 0 */
export function tuned({ output, clocked, response }: Sounder, hz: number): Tuned {
  const heldHz = soundedHz(output, hz);
  const setting = clocked && settingFor(clocked, heldHz);
  const givesHz = hzGiven({ output, clocked }, hz);
  const level = response && levelDb(response, givesHz);
  return { hz, heldHz, setting, givesHz, cents: cents(givesHz, hz), levelDb: level };
}

/** Every sounder with all that it is told in plain numbers. */
export function tuningsOf(gadget: Gadget): Tuning[] {
  const lists = placedActions(gadget.flow);
  return gadget.outputs.flatMap((output): Tuning[] => {
    if (output.kind !== 'tone') return [];
    const sounder = sounderOf(gadget, output);
    const told = lists.flatMap(({ actions, place, name }): ToldNotes[] =>
      actions.flatMap((action): ToldNotes[] =>
        action.kind === 'tune' && action.outputId === output.id ? [{ notes: action.notes, place, name }] : [],
      ),
    );
    const pitches = askedHz(gadget, output.id).map((hz) => tuned(sounder, hz));
    return [{ ...sounder, pitches, told }];
  });
}

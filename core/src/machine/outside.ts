import { mostPlanned, schedule, standsStill } from '../kernel/index.ts';
import { carriedBy, isMessage, messagesIn } from '../midi/index.ts';
import { bytesUs, isHeard, lineOut, numbersIn } from '../serial/index.ts';
import type { AwaitedTrigger, EventCodes } from '../flow/index.ts';
import type { CompiledGadget } from './compiled.ts';
import type { FromOutside, MachineState, OutsideTouch, Touch } from './state.ts';
import type { EntryOf, TraceEntry } from './trace.ts';

/*
 * What comes from outside and is no hand on a control: messages, lines and characters, being woken, a cell running
 * low. It comes in between two turns of the loop, and the next turn hears it.
 */

const serialOf = ({ outputs }: CompiledGadget, id: string) => {
  const output = outputs.get(id)?.output;
  return output?.kind === 'serial' ? output : undefined;
};

/** Plans the characters of a line where some rule hears them. @returns how long the line takes to come in, µs */
export function planLine(
  state: MachineState,
  compiled: CompiledGadget,
  outputId: string,
  touch: Extract<Touch, { what: 'line' }>,
  atUs: number,
): number {
  const output = serialOf(compiled, outputId);
  if (!output) return 0;
  const { text, bytes } = lineOut(output, touch.text, touch.ended ?? true);
  const heard = compiled.events.awaited.some(
    ({ trigger }) => trigger.kind === 'character' && trigger.outputId === outputId,
  );
  if (heard) {
    let sofar = 0;
    for (const [n, character] of [...text].entries()) {
      sofar += lineOut(output, character, false).bytes;
      const afterUs = bytesUs(sofar, output.baud);
      schedule(state.queue, atUs + afterUs, { kind: 'character', outputId, character, place: n });
    }
  }
  return bytesUs(bytes, output.baud);
}

function wait(state: MachineState, message: FromOutside): void {
  const { outside, nowUs } = state;
  if (outside.length >= mostPlanned)
    throw standsStill(state.work, 'planned', { kind: 'loop', id: '' }, outside.length);
  outside.push({ ...message, cameUs: nowUs });
}

/** A character comes in, before its line has ended. What an edit took away while it was on its way is passed over. */
export function characterComes(
  state: MachineState,
  compiled: CompiledGadget,
  outputId: string,
  character: string,
  at: number,
): void {
  if (!serialOf(compiled, outputId)) return;
  const place = [...(state.comingIn[outputId] ?? '')].length + at;
  wait(state, { what: 'character', outputId, character, place });
}

/** Something comes to the gadget as a whole, or a line to one of its outputs; the power is none of that. */
export function comesIn(
  state: MachineState,
  compiled: CompiledGadget,
  touch: OutsideTouch,
  id: string,
  trace: TraceEntry[],
): void {
  if (touch.what === 'midi') {
    for (const bytes of messagesIn(touch.bytes, state.midiIn, state.exclusiveIn))
      wait(state, { what: 'midi', bytes });
    return;
  }
  if (touch.what === 'power') {
    if (touch.event !== 'cycle') wait(state, { what: 'power', event: touch.event });
    return;
  }
  const output = serialOf(compiled, id);
  if (!output) return;
  const ended = touch.ended ?? true;
  const { text } = lineOut(output, (state.comingIn[id] ?? '') + touch.text, ended);
  state.comingIn[id] = ended ? '' : text;
  if (ended) wait(state, { what: 'line', outputId: id, text });
  else trace.push({ atUs: state.nowUs, lane: 'lineIn', id, text, open: true });
}

/** What a turn makes of one of these: its entry, the numbers that rules wait for, and what they can read of it. */
export interface HeardOutside {
  entry: EntryOf<'lineIn' | 'characterIn' | 'midiIn' | 'power'>;
  events: readonly number[];
  carried: readonly number[] | null;
}

export function heardNow(
  { cameUs, ...message }: FromOutside & { cameUs: number },
  { awaited, power }: EventCodes,
  nowUs: number,
): HeardOutside {
  const all = (is: (trigger: AwaitedTrigger) => boolean) =>
    awaited.flatMap(({ trigger, code }) => (is(trigger) ? [code] : []));
  const times = { atUs: nowUs, sinceUs: nowUs - cameUs };
  switch (message.what) {
    case 'power':
      return {
        entry: { ...times, lane: 'power', event: message.event },
        events: [power(message.event)],
        carried: null,
      };
    case 'midi': {
      const { bytes } = message;
      return {
        entry: { ...times, lane: 'midiIn', bytes },
        events: all((trigger) => trigger.kind === 'midi' && isMessage(bytes, trigger)),
        carried: carriedBy(bytes),
      };
    }
    case 'line': {
      const { outputId: id, text } = message;
      return {
        entry: { ...times, lane: 'lineIn', id, text },
        events: all(
          (trigger) => trigger.kind === 'line' && trigger.outputId === id && isHeard(text, trigger.word),
        ),
        carried: numbersIn(text),
      };
    }
    case 'character': {
      const { outputId: id, character, place } = message;
      return {
        entry: { ...times, lane: 'characterIn', id, character, place },
        events: all((trigger) => trigger.kind === 'character' && trigger.outputId === id),
        carried: [character.codePointAt(0)!, place],
      };
    }
  }
}

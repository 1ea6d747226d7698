import {
  isOutputAction,
  placedActions,
  type Action,
  type Gadget,
  type MidiMessage,
  type OutputOf,
  type Snag,
  type SnagRule,
} from '../gadget/index.ts';
import { rowsTold } from '../notes/index.ts';
import { messageBytes } from './message.ts';
import { wireUs } from './wire.ts';

/** Notes that come farther apart than this are heard one after the other. Source: reckoning, MIDI; the job, M02. */
const togetherUs = 10_000;

interface Message {
  message: MidiMessage;
  channel: number;
  begins: boolean;
}

/** What an action sends over the wire, as far as its time goes: a row of notes is as many as its longest has. */
function messagesOf(gadget: Gadget, action: Action): Message[] {
  if (action.kind === 'midi') {
    const { message, channel, second } = action;
    return [{ message, channel, begins: message === 'noteOn' && second.trim() !== '0' }];
  }
  if (action.kind !== 'play') return [];
  const { channel } = action;
  const { most } = rowsTold(gadget, action);
  return Array.from({ length: most }, () => ({ message: 'noteOn' as const, channel, begins: true }));
}

/** Messages of one output that are told at once, list by list: what waits for something parts a list. */
function toldTogether(gadget: Gadget, actions: readonly Action[], outputId: string): Message[][] {
  const runs: Message[][] = [[]];
  for (const action of actions)
    if (action.kind === 'wait') runs.push([]);
    else if (isOutputAction(action) && action.outputId === outputId)
      runs.at(-1)!.push(...messagesOf(gadget, action));
  return runs;
}

/** From the first note's arrival to that of the last, µs: only what is told between them counts. */
function smearUs(told: readonly Message[], runningStatus: boolean): number {
  const first = told.findIndex(({ begins }) => begins);
  const last = told.findLastIndex(({ begins }) => begins);
  if (first < 0 || first === last) return 0;
  // Which note it is does not matter to how long it takes.
  const bytes = (upTo: number) =>
    told.slice(first, upTo + 1).map(({ message, channel }) => messageBytes(message, channel, 0, 0));
  return wireUs(bytes(last), runningStatus) - wireUs(bytes(first), runningStatus);
}

/** Notes told at once that the wire brings one after the other, the last noticeably later than the first. */
export const M02: SnagRule = {
  id: 'M02',
  check(gadget: Gadget): Snag[] {
    const lists = placedActions(gadget.flow);
    const wired = gadget.outputs.filter(
      (output): output is OutputOf<'midi'> => output.kind === 'midi' && output.transport === 'wire',
    );
    return wired.flatMap((output) =>
      lists.flatMap(({ actions, place, name }): Snag[] => {
        const worst = toldTogether(gadget, actions, output.id).reduce(
          (most, told) => {
            const us = smearUs(told, output.runningStatus);
            return us > most.us ? { us, told } : most;
          },
          { us: togetherUs, told: [] as Message[] },
        );
        if (worst.told.length === 0) return [];
        const runningUs = smearUs(worst.told, true);
        return [
          {
            rule: 'M02',
            level: 'likely',
            place,
            values: {
              name: output.name,
              state: name,
              notes: worst.told.filter(({ begins }) => begins).length,
              smearUs: worst.us,
              limitUs: togetherUs,
            },
            ...(runningUs <= togetherUs && {
              mend: {
                key: 'runningStatus',
                edit: { name: 'changeOutput', args: [output.id, { runningStatus: true }] },
                values: { name: output.name, smearUs: runningUs },
              },
            }),
          },
        ];
      }),
    );
  },
};

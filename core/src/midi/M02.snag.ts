import {
  isOutputAction,
  placedActions,
  standsUs,
  type Action,
  type Gadget,
  type OutputOf,
  type Snag,
  type SnagRule,
} from '../gadget/index.ts';
import { kindOfStatus } from './message.ts';
import { sentBy } from './tellings.ts';
import { wireUs } from './wire.ts';

/** Notes that come farther apart than this are heard one after the other. Source: reckoning, MIDI; the job, M02. */
const togetherUs = 10_000;

interface Message {
  /** Which note it is does not matter to how long it takes. */
  bytes: readonly number[];
  begins: boolean;
}

/** What an action sends over the wire, as far as its time goes. What its key let go ends notes, which is no chord. */
function messagesOf(gadget: Gadget, action: Action): Message[] {
  if (action.kind === 'letGo') return [];
  const silent = action.kind === 'midi' && action.second.trim() === '0';
  return sentBy(gadget, action).map((bytes) => ({
    bytes,
    begins: kindOfStatus(bytes[0]!) === 'noteOn' && !silent,
  }));
}

/** Messages of one output that are told at once, list by list: what waits for something parts a list. */
function toldTogether(gadget: Gadget, actions: readonly Action[], outputId: string): Message[][] {
  const runs: Message[][] = [[]];
  for (const action of actions)
    if (standsUs(gadget, action) > 0) runs.push([]);
    else if (isOutputAction(action) && action.outputId === outputId)
      runs.at(-1)!.push(...messagesOf(gadget, action));
  return runs;
}

/** From the first note's arrival to that of the last, µs: only what is told between them counts. */
function smearUs(told: readonly Message[], runningStatus: boolean): number {
  const first = told.findIndex(({ begins }) => begins);
  const last = told.findLastIndex(({ begins }) => begins);
  if (first < 0 || first === last) return 0;
  const bytes = (upTo: number) => told.slice(first, upTo + 1).map((one) => one.bytes);
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

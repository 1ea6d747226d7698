import {
  isOutputAction,
  placedActions,
  type Action,
  type Gadget,
  type OutputOf,
  type Snag,
  type SnagRule,
} from '../gadget/index.ts';
import { messageBytes } from './message.ts';
import { wireUs } from './wire.ts';

/** Notes that come farther apart than this are heard one after the other. Source: reckoning, MIDI; the job, M02. */
const togetherUs = 10_000;

type Note = Extract<Action, { kind: 'midi' }>;
const beginsNote = (action: Action): action is Note =>
  action.kind === 'midi' && action.message === 'noteOn' && action.second.trim() !== '0';

/** Messages of one output that are told at once, list by list: what waits for something parts a list. */
function toldTogether(actions: readonly Action[], outputId: string): Note[][] {
  const runs: Note[][] = [[]];
  for (const action of actions)
    if (action.kind === 'wait') runs.push([]);
    else if (action.kind === 'midi' && isOutputAction(action) && action.outputId === outputId)
      runs.at(-1)!.push(action);
  return runs;
}

/** From the first note's arrival to that of the last, µs: only what is told between them counts. */
function smearUs(told: readonly Note[], runningStatus: boolean): number {
  const first = told.findIndex(beginsNote);
  const last = told.findLastIndex(beginsNote);
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
        const worst = toldTogether(actions, output.id).reduce(
          (most, told) => {
            const us = smearUs(told, output.runningStatus);
            return us > most.us ? { us, told } : most;
          },
          { us: togetherUs, told: [] as Note[] },
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
              notes: worst.told.filter(beginsNote).length,
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

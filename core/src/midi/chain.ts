import {
  allActions,
  isSync,
  allRules,
  placedActions,
  type Gadget,
  type HeardMessage,
  type MidiMessage,
  type Neighbour,
  type NeighbourKind,
  type Passing,
  type Place,
} from '../gadget/index.ts';

/** What kind of thing a message is to equipment; a bend and pressure move what sounds, as controllers do. */
export const kindOf = (message: MidiMessage): NeighbourKind =>
  message === 'noteOn' || message === 'noteOff' ? 'notes' : message === 'program' ? 'programs' : 'controls';

export const isOn = ({ channels }: Neighbour, channel: number): boolean =>
  channels.length === 0 || channels.includes(channel);

/** What hears an output; of null, what sends to the gadget. */
export const standingAt = (
  { neighbours }: Pick<Gadget, 'neighbours'>,
  outputId: string | null,
): Neighbour[] => neighbours.filter((one) => one.outputId === outputId);

/** Whether anything at an output hears that; where nothing is said of what stands there, everything is heard. */
export function isHeardAt(
  gadget: Pick<Gadget, 'neighbours'>,
  outputId: string,
  channel: number,
  kind: NeighbourKind,
): boolean {
  const there = standingAt(gadget, outputId);
  return there.length === 0 || there.some((one) => isOn(one, channel) && one.kinds.includes(kind));
}

const someTrigger = (gadget: Gadget, is: (message: HeardMessage) => boolean): boolean =>
  allRules(gadget).some(({ rule: { trigger } }) => trigger.kind === 'midi' && is(trigger.message));
/** Whether an output begins with such a choice of what goes on, or is told it. */
const somePassing = (gadget: Gadget, is: (what: Passing) => boolean): boolean =>
  gadget.outputs.some((output) => output.kind === 'midi' && is(output.passes)) ||
  allActions(gadget).some((action) => action.kind === 'pass' && is(action.what));

/** Whether it does anything with clocks that come in: a rule waits for what keeps in step, or everything may go on. */
export const followsClock = (gadget: Gadget): boolean =>
  someTrigger(gadget, isSync) || somePassing(gadget, (what) => what === 'everything');

/** Whether anything comes of what comes in by MIDI. */
export const listensToMidi = (gadget: Gadget): boolean =>
  someTrigger(gadget, () => true) || somePassing(gadget, (what) => what !== 'nothing');

/** A channel and a kind of message, as they are told to an output or waited for, with the first place where that is. */
export interface Used {
  channel: number;
  kind: NeighbourKind;
  place: Place;
  /** Name of the state or layer. */
  name: string;
}

const once = (used: readonly Used[]): Used[] =>
  [...new Map(used.toReversed().map((one) => [`${one.channel} ${one.kind}`, one])).values()].toReversed();

/** What an output is told, each channel and kind once. Letting go follows what was begun, and says nothing new. */
export const toldTo = ({ flow }: Pick<Gadget, 'flow'>, outputId: string): Used[] =>
  once(
    placedActions(flow).flatMap(({ actions, place, name }) =>
      actions.flatMap((action): Used[] => {
        if (!('outputId' in action) || action.outputId !== outputId) return [];
        if (action.kind === 'play') return [{ channel: action.channel, kind: 'notes', place, name }];
        if (action.kind === 'fine') return [{ channel: action.channel, kind: 'controls', place, name }];
        return action.kind === 'midi'
          ? [{ channel: action.channel, kind: kindOf(action.message), place, name }]
          : [];
      }),
    ),
  );

/** What rules wait for from outside, on a channel of its own, each channel and kind once. */
export const waitedFor = (gadget: Gadget): Used[] =>
  once(
    allRules(gadget).flatMap(({ state, rule }): Used[] => {
      const { trigger } = rule;
      return trigger.kind === 'midi' && trigger.channel !== null && !isSync(trigger.message)
        ? [
            {
              channel: trigger.channel,
              kind: kindOf(trigger.message),
              place: { kind: 'rule', id: rule.id },
              name: state.name,
            },
          ]
        : [];
    }),
  );

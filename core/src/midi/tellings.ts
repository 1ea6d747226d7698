import { rowsTold } from '../notes/index.ts';
import {
  allActions,
  placedActions,
  type Action,
  type ActionKindOf,
  type Gadget,
  type Midi,
  type OutputActionOf,
  type PlacedActions,
} from '../gadget/index.ts';
import { exclusiveBytes, fineBytes, messageBytes, syncByte } from './message.ts';
import { byteUs, bytesOnWire, statusAfter } from './wire.ts';

type Message = Exclude<OutputActionOf<ActionKindOf<'midi'>>, { kind: 'pass' | 'letAllGo' }>;

/** A message with the bytes that go over the wire for it, where nothing else is on its way. */
export interface WiredMessage {
  action: Message;
  /** One of them where its status byte is left out. */
  bytes: number;
  /** Its status byte is one of them. */
  whole: boolean;
  /** Until it is there, from when the first of its list began, µs; not over USB, and not where nothing takes time. */
  thereUs: number;
}

/** A list of what is done that tells an output messages. */
export interface Telling extends Pick<PlacedActions, 'place' | 'name' | 'where'> {
  /** Number of the rule in its state, from 1; null: it is none. */
  rule: number | null;
  /** The control, or the set of keys, of a layer; null: it is none. */
  keyId: string | null;
  messages: readonly WiredMessage[];
}

/** Notes that a row has at most, of all that are played on an output. */
const mostPlayed = (gadget: Gadget, outputId: string): number =>
  Math.max(
    0,
    ...allActions(gadget).map((action) =>
      action.kind === 'play' && action.outputId === outputId ? rowsTold(gadget, action).most : 0,
    ),
  );

/** Messages of an action, with numbers that do not matter to how long they are; of rows of notes, the most it can be. */
export function sentBy(gadget: Gadget, action: Action): number[][] {
  const notes = (message: 'noteOn' | 'noteOff', channel: number, most: number) =>
    Array.from({ length: most }, () => messageBytes(message, channel, 0, 0));
  switch (action.kind) {
    case 'midi':
      return [messageBytes(action.message, action.channel, 0, 0)];
    case 'play':
      return notes('noteOn', action.channel, rowsTold(gadget, action).most);
    case 'fine':
      return fineBytes(action.channel, 0, 0);
    case 'sync':
      return [[syncByte(action.what)]];
    case 'exclusive':
      return [exclusiveBytes(action.bytes)];
    case 'letGo':
      return notes('noteOff', 1, mostPlayed(gadget, action.outputId));
    default:
      return [];
  }
}

/** All lists that tell one output anything, in the order of the document. */
export const tellingsOf = (gadget: Gadget, output: Midi): Telling[] =>
  placedActions(gadget.flow).flatMap(({ actions, place, name, where, state, rule, key }): Telling[] => {
    let [status, us] = [0, 0];
    const messages = actions.flatMap((action): WiredMessage[] => {
      if (!('outputId' in action) || action.outputId !== output.id) return [];
      return sentBy(gadget, action).map((all): WiredMessage => {
        const bytes = bytesOnWire(all, status, output.runningStatus);
        status = statusAfter(status, all);
        us += bytes * byteUs;
        return { action: action as Message, bytes, whole: bytes === all.length, thereUs: us };
      });
    });
    const number = state && rule ? state.rules.indexOf(rule) + 1 : null;
    return messages.length === 0
      ? []
      : [
          {
            place,
            name,
            where,
            rule: number,
            keyId: key && ('controlId' in key ? key.controlId : key.setId),
            messages,
          },
        ];
  });

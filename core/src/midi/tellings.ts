import { placedActions, type Action, type Gadget, type Midi, type PlacedActions } from '../gadget/index.ts';
import { messageBytes } from './message.ts';
import { byteUs, bytesOnWire } from './wire.ts';

type Message = Extract<Action, { kind: 'midi' }>;

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

/** All lists that tell one output anything, in the order of the document. */
export const tellingsOf = (gadget: Gadget, output: Midi): Telling[] =>
  placedActions(gadget.flow).flatMap(({ actions, place, name, where, state, rule, key }): Telling[] => {
    let [status, us] = [0, 0];
    const messages = actions.flatMap((action): WiredMessage[] => {
      if (action.kind !== 'midi' || action.outputId !== output.id) return [];
      // How long it is does not hang on its numbers.
      const all = messageBytes(action.message, action.channel, 0, 0);
      const bytes = bytesOnWire(all, status, output.runningStatus);
      status = all[0]!;
      us += bytes * byteUs;
      return [{ action, bytes, whole: bytes === all.length, thereUs: us }];
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

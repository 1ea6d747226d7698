import { allRules, hearsGesture, type Gadget, type GestureKind } from '../gadget/index.ts';

/** Whether any rule answers this gesture of this control. */
export function isAnswered(gadget: Gadget, controlId: string, gesture: GestureKind): boolean {
  return allRules(gadget).some(({ rule: { trigger } }) => hearsGesture(gadget, trigger, controlId, gesture));
}

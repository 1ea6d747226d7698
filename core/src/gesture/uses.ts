import { allRules, type Gadget, type GestureKind } from '../gadget/index.ts';

/** Whether any rule answers this gesture of this control. */
export function isAnswered(gadget: Gadget, controlId: string, gesture: GestureKind): boolean {
  return allRules(gadget).some(
    ({ rule: { trigger } }) =>
      trigger.kind === 'gesture' && trigger.controlId === controlId && trigger.gesture === gesture,
  );
}

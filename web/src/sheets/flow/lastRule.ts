import { usePlayer } from '../../workers/index.ts';

const none: readonly string[] = [];

/** The ids of the active states. */
export const useActive = (): readonly string[] => usePlayer((state) => state.shown?.stateIds ?? none);
/** Whether the gadget in hand is in this state. */
export const useIsActive = (stateId: string): boolean =>
  usePlayer((state) => state.shown?.stateIds.includes(stateId) ?? false);

/** The last rule that fired, up to the moment that is looked at. */
export const useLastRule = (): string | null => usePlayer((state) => state.lastRuleId);
/** Whether it is this one. */
export const useFiredLast = (ruleId: string): boolean => usePlayer((state) => state.lastRuleId === ruleId);

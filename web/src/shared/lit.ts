import { create } from 'zustand';

/** Controls and outputs that something on a sheet points at; in hand, they light up. */
const useLit = create<{ endIds: readonly string[] }>(() => ({ endIds: [] }));

export function light(endIds: readonly string[]): void {
  useLit.setState({ endIds });
}

/** Whether a sheet points at it: a thread of the wiring, say. */
export const useIsLit = (id: string): true | undefined =>
  useLit(({ endIds }) => endIds.includes(id)) || undefined;

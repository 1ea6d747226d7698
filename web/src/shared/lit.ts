import { create } from 'zustand';

/** Controls and outputs that something on a sheet points at; in hand, they light up. */
export const useLit = create<{ endIds: readonly string[] }>(() => ({ endIds: [] }));

export function light(endIds: readonly string[]): void {
  useLit.setState({ endIds });
}

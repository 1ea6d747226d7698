import { canonicalJson, type Gadget } from '../gadget/index.ts';
import type { OutputStateOf } from '../machine/index.ts';
import { restingPicture } from '../lights/index.ts';
import { nameOfSettled, type Settled } from './settled.ts';

/** What a display shows in some of its gadget's states. */
export interface DisplayShown {
  outputId: string;
  /** On pixels; in rows of characters; in colours of lights. */
  shows:
    | ({ kind: 'screen' } & Pick<OutputStateOf<'screen'>, 'glass' | 'shining'>)
    | ({ kind: 'text' } & Pick<OutputStateOf<'text'>, 'glass' | 'shining'>)
    /** Lights by number, in the colours that they come to rest in. */
    | { kind: 'lights'; colours: readonly number[] };
  /** Of the states in which it does, those that were active together as one. */
  names: string[];
  /** As things stood where it was first seen: what a page can be tried with. */
  at: { variables: Settled['variables']; stateIds: readonly string[] };
}

/** What can be seen on one of them; null: it is none. */
function shownOn(state: Settled['outputs'][string]): DisplayShown['shows'] | null {
  // When it would dim by itself tells no two pictures apart.
  if (state.kind === 'lights') return { kind: 'lights', colours: restingPicture(state) };
  if (state.kind !== 'screen' && state.kind !== 'text') return null;
  return { kind: state.kind, glass: state.glass, shining: { ...state.shining, dimsUs: null } };
}

/** All that the displays of a gadget show, display by display and each picture once, in the order of its states. */
export function displaysShown({ outputs }: Gadget, found: readonly Settled[]): DisplayShown[] {
  return outputs.flatMap(({ id }) => {
    const byLook = new Map<string, DisplayShown>();
    for (const settled of found) {
      const shows = shownOn(settled.outputs[id]!);
      if (!shows) return [];
      const name = nameOfSettled(settled);
      const look = canonicalJson(shows);
      const known = byLook.get(look);
      if (known) known.names.push(name);
      else {
        const { variables, stateIds } = settled;
        byLook.set(look, { outputId: id, shows, names: [name], at: { variables, stateIds } });
      }
    }
    return [...byLook.values()];
  });
}

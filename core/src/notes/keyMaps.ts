import {
  allActions,
  keysOf,
  placedActions,
  type Action,
  type Gadget,
  type Variable,
} from '../gadget/index.ts';

/** Rows of notes that something plays. */
export interface KeyMap {
  rows: Extract<Variable, { kind: 'list' | 'table' }>;
  /** Outputs that they are played on. */
  outputIds: readonly string[];
  /** Keys by whose numbers the rows go, where they are those of a set; none where that is not known. */
  controlIds: readonly string[];
}

/** Every list or table whose rows are played as notes, in the order of the document. */
export function keyMapsOf(gadget: Gadget): KeyMap[] {
  const placed = placedActions(gadget.flow);
  return gadget.flow.variables.flatMap((rows): KeyMap[] => {
    if (rows.kind !== 'list' && rows.kind !== 'table') return [];
    const plays = (action: Action) =>
      (action.kind === 'play' || action.kind === 'sing') && action.variableId === rows.id;
    const played = allActions(gadget).filter(plays);
    if (played.length === 0) return [];
    const setIds = placed.flatMap(({ actions, rule, key }) => {
      if (!actions.some(plays)) return [];
      if (rule?.trigger.kind === 'keys') return [rule.trigger.setId];
      return key && 'setId' in key ? [key.setId] : [];
    });
    const outputIds = played.flatMap((action) => ('outputId' in action ? [action.outputId] : []));
    const [setId] = setIds;
    return [
      {
        rows,
        outputIds: [...new Set(outputIds)],
        controlIds: setId === undefined ? [] : keysOf(gadget, setId),
      },
    ];
  });
}

import type { Code } from './expression.ts';
import { codesOfOrder } from './orders.ts';
import { codesOfTemplate } from './template.ts';
import type { CompiledAction, CompiledLength, FlowTables } from './tables.ts';

/** Everything that is done somewhere: on entering, leaving, by a rule, at a beginning, by a key of a layer. */
export const everyAction = ({
  entry,
  exit,
  ruleActions,
  beginActions,
  layers,
}: Pick<FlowTables, 'entry' | 'exit' | 'ruleActions' | 'beginActions' | 'layers'>): CompiledAction[] =>
  [
    ...[entry, exit, ruleActions, beginActions].flat(),
    ...layers.flatMap(({ keys }) => [...keys.values()].flatMap(({ press, release }) => [press, release])),
  ].flat();

const ofLength = (length: CompiledLength | null): Code[] =>
  typeof length === 'object' && length !== null ? [length.ms] : [];

/** The expressions of an action. */
export function codesOf(action: CompiledAction): Code[] {
  switch (action.kind) {
    case 'set':
    case 'fill':
    case 'shift':
      return [action.value];
    case 'write':
      return [...(action.index ? [action.index] : []), ...codesOfTemplate(action.text)];
    case 'shorten':
      return [...(action.index ? [action.index] : []), action.by];
    case 'setPlace':
      return [action.index, action.value];
    case 'tell':
      return codesOfOrder(action.order);
    case 'start':
      return ofLength(action.length);
    case 'raise':
      return ofLength(action.delay);
    case 'save':
    case 'recall':
    case 'stop':
    case 'cancel':
    case 'wait':
      return [];
  }
}

/** Every expression of a flow: guards, lengths, conditions of layers, and what actions work out. */
export const everyCode = (tables: FlowTables): Code[] => [
  ...tables.ruleGuard.filter((guard) => guard !== null),
  ...tables.ruleDelay.flatMap(ofLength),
  ...tables.layers.flatMap(({ condition }) => (condition ? [condition] : [])),
  ...everyAction(tables).flatMap(codesOf),
];

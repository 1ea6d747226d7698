import { produce } from 'immer';
import type { Action } from '../actions.schema.ts';
import type { Layer } from '../flow.schema.ts';
import type { Gadget } from '../gadget.schema.ts';
import { nextId } from '../ids.ts';
import { keySetsOf, layerKeyId } from '../keySets.ts';
import { wrongFor } from '../flowReferences.ts';
import { variableShape, type Variable } from '../variables.schema.ts';
import {
  drop,
  dropTriggers,
  EditRefused,
  eachActions,
  findIn,
  moveBy,
  type Patch,
  type Without,
} from './help.ts';

/** What the rules of a flow name: variables, signals, timers, layers of keys; and where chance begins. */
export const flowNameEdits = {
  addVariable: (gadget: Gadget, variable: Without<Variable>) =>
    produce(
      gadget,
      (draft) => void draft.flow.variables.push({ ...variable, id: nextId(gadget, 'variable') } as Variable),
    ),
  changeVariable: (gadget: Gadget, id: string, patch: Patch<Variable>) =>
    produce(gadget, (draft) => void Object.assign(findIn(draft.flow.variables, id, 'variable'), patch)),
  /** Another kind of variable under the same id and name, so that what uses it goes on using it. */
  replaceVariable: (gadget: Gadget, id: string, variable: Without<Variable>) =>
    produce(gadget, (draft) => {
      const at = draft.flow.variables.indexOf(findIn(draft.flow.variables, id, 'variable'));
      const was = gadget.flow.variables[at]!;
      draft.flow.variables[at] = { ...variable, id } as Variable;
      if (variableShape(was) === variableShape(draft.flow.variables[at]) && variable.kind !== 'table') return;
      eachActions(draft, (actions) => {
        for (const action of actions)
          if (action.kind === 'set' && action.variableId === id)
            action.index = variable.kind === 'list' ? '0' : null;
        drop(
          actions,
          (action) =>
            'variableId' in action &&
            action.variableId === id &&
            wrongFor(action, draft.flow.variables[at]!) !== null,
        );
      });
    }),
  /** Takes along the actions that set it; expressions that read it stay, and become a snag. */
  removeVariable: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      drop(draft.flow.variables, (variable) => variable.id === id);
      eachActions(draft, (actions) =>
        drop(actions, (action) => 'variableId' in action && action.variableId === id),
      );
    }),
  addOption: (gadget: Gadget, variableId: string, name: string) =>
    produce(gadget, (draft) => {
      const variable = findIn(draft.flow.variables, variableId, 'variable');
      if (variable.kind !== 'choice') throw new EditRefused('Expected a choice, to give it another option.');
      variable.options.push({ id: nextId(gadget, 'option'), name });
    }),

  addSignal: (gadget: Gadget, name: string) =>
    produce(gadget, (draft) => void draft.flow.signals.push({ id: nextId(gadget, 'signal'), name })),
  renameSignal: (gadget: Gadget, id: string, name: string) =>
    produce(gadget, (draft) => void (findIn(draft.flow.signals, id, 'signal').name = name)),
  /** Takes along the rules that wait for it and the actions that raise it. */
  removeSignal: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      drop(draft.flow.signals, (signal) => signal.id === id);
      dropTriggers(draft, (trigger) => trigger.kind === 'signal' && trigger.signalId === id);
      eachActions(draft, (actions) =>
        drop(actions, (action) => 'signalId' in action && action.signalId === id),
      );
    }),
  addTimer: (gadget: Gadget, name: string) =>
    produce(gadget, (draft) => void draft.flow.timers.push({ id: nextId(gadget, 'timer'), name })),
  renameTimer: (gadget: Gadget, id: string, name: string) =>
    produce(gadget, (draft) => void (findIn(draft.flow.timers, id, 'timer').name = name)),
  /** Takes along the rules that wait for it and the actions that start or stop it. */
  removeTimer: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => {
      drop(draft.flow.timers, (timer) => timer.id === id);
      dropTriggers(draft, (trigger) => trigger.kind === 'timer' && trigger.timerId === id);
      eachActions(draft, (actions) =>
        drop(actions, (action) => 'timerId' in action && action.timerId === id),
      );
    }),
  setChance: (gadget: Gadget, chance: Gadget['flow']['chance']) =>
    produce(gadget, (draft) => void (draft.flow.chance = chance)),

  addLayer: (gadget: Gadget, name: string, when: Layer['when']) =>
    produce(
      gadget,
      (draft) => void draft.flow.layers.push({ id: nextId(gadget, 'layer'), name, when, keys: [] }),
    ),
  changeLayer: (gadget: Gadget, id: string, patch: Partial<Pick<Layer, 'name' | 'when'>>) =>
    produce(gadget, (draft) => void Object.assign(findIn(draft.flow.layers, id, 'layer'), patch)),
  moveLayer: (gadget: Gadget, id: string, by: number) =>
    produce(gadget, (draft) => moveBy(draft.flow.layers, id, by, 'layer')),
  removeLayer: (gadget: Gadget, id: string) =>
    produce(gadget, (draft) => drop(draft.flow.layers, (layer) => layer.id === id)),
  /** What a key, or every key of a set, does in a layer; nothing at all: what it means in the layer before. */
  setLayerKey: (
    gadget: Gadget,
    layerId: string,
    id: string,
    does: { press: Action[]; release: Action[] } | null,
  ) =>
    produce(gadget, (draft) => {
      const { keys } = findIn(draft.flow.layers, layerId, 'layer');
      drop(keys, (key) => layerKeyId(key) === id);
      if (!does) return;
      const isSet = keySetsOf(gadget).some((set) => set.id === id);
      keys.push(isSet ? { setId: id, ...does } : { controlId: id, ...does });
    }),
};

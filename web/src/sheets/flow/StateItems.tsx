import { Menu } from '@mantine/core';
import {
  isHistory,
  markKinds,
  nestingOf,
  stateKinds,
  stateLabels,
  usesOf,
  type State,
} from '@hum-lever/core';
import { edit, useDocument } from '../../client/index.ts';
import AddStateItems from './AddStateItems.tsx';
import { copyState } from './clipboard.ts';
import { markWords } from './markWords.ts';
import { kindWords } from './Outline.tsx';
import { UseItems } from './UsesMenu.tsx';

/** What can be done with a whole state: the entries of its menu. */
export default function StateItems({ state, first }: { state: State; first: boolean }) {
  const gadget = useDocument();
  const nesting = nestingOf(gadget.flow);
  const labels = stateLabels(gadget);
  const siblings = nesting.childrenOf(state.parentId);
  const at = siblings.indexOf(state);
  const inner = nesting.childrenOf(state.id);
  const kinds = stateKinds.filter(
    (kind) =>
      kind !== state.kind &&
      (inner.length === 0 ? kind !== 'parallel' : kind === 'plain' || kind === 'parallel') &&
      (state.parentId !== null || !kind.endsWith('istory')),
  );
  const homes = gadget.flow.states.filter(
    (one) =>
      one.id !== state.id &&
      one.id !== state.parentId &&
      (one.kind === 'plain' || one.kind === 'parallel') &&
      !nesting.isInside(one.id, state.id),
  );
  const holds = state.kind === 'plain' || state.kind === 'parallel';
  const uses = usesOf(gadget, state.id);
  return (
    <>
      <Menu.Item
        disabled={first || isHistory(state)}
        onClick={() => edit({ name: 'setInitialState', args: [state.id] })}
      >
        Start here
      </Menu.Item>
      {holds && <AddStateItems parent={state} />}
      <Menu.Item disabled={at === 0} onClick={() => edit({ name: 'moveState', args: [state.id, -1] })}>
        Move up
      </Menu.Item>
      <Menu.Item
        disabled={at === siblings.length - 1}
        onClick={() => edit({ name: 'moveState', args: [state.id, 1] })}
      >
        Move down
      </Menu.Item>
      <Menu.Item disabled={isHistory(state)} onClick={() => edit({ name: 'splitState', args: [state.id] })}>
        Split: a second one with the same rules
      </Menu.Item>
      <Menu.Item
        onClick={() => edit({ name: 'extractParent', args: [siblings.map(({ id }) => id), 'Together'] })}
        disabled={siblings.length < 2 || siblings.some(isHistory)}
      >
        Put it and those beside it into a new state; what they share moves up
      </Menu.Item>
      <Menu.Item onClick={() => void copyState(gadget, state.id)}>
        Copy, to paste here or in another gadget
      </Menu.Item>
      <Menu.Divider />
      <Menu.Label>What it is</Menu.Label>
      {kinds.map((kind) => (
        <Menu.Item key={kind} onClick={() => edit({ name: 'changeState', args: [state.id, { kind }] })}>
          {kindWords[kind]}
        </Menu.Item>
      ))}
      {holds && (
        <>
          <Menu.Label>What only you can know</Menu.Label>
          {markKinds.map((means) => {
            const on = gadget.flow.marks.some((one) => one.placeId === state.id && one.means === means);
            return (
              <Menu.Item key={means} onClick={() => edit({ name: 'setMark', args: [state.id, means, !on] })}>
                {on ? `No longer: ${markWords[means]}` : `Here ${markWords[means]}`}
              </Menu.Item>
            );
          })}
        </>
      )}
      <Menu.Label>Where it lies</Menu.Label>
      {state.parentId !== null && (
        <Menu.Item onClick={() => edit({ name: 'nestState', args: [state.id, null] })}>
          On the outermost floor
        </Menu.Item>
      )}
      {homes.map(({ id }) => (
        <Menu.Item key={id} onClick={() => edit({ name: 'nestState', args: [state.id, id] })}>
          Into {labels.get(id)}
        </Menu.Item>
      ))}
      <Menu.Divider />
      {uses.length > 0 && <Menu.Label>Used by</Menu.Label>}
      <UseItems places={uses} />
      <Menu.Item onClick={() => edit({ name: 'removeState', args: [state.id] })}>
        Remove, with what is in it and the rules that lead here
      </Menu.Item>
    </>
  );
}

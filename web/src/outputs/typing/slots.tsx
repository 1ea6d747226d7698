import { Choice } from '../../shared/index.ts';
import { ExpressionSlot, PlainSlot } from '../../slots/index.ts';
import type { SlotsBy } from '../slotsBy.ts';
import { keyChoices } from './keys.ts';

const byCharacter = "'";

/** A key by its place, or by the character that it makes. */
function KeySlot({ value, put }: { value: string; put: (key: string) => string | null }) {
  const character = value.startsWith(byCharacter);
  return (
    <>
      <Choice
        label="Key"
        data={[...keyChoices, { value: byCharacter, label: 'the character' }]}
        value={character ? byCharacter : value}
        choose={(chosen) => put(chosen === byCharacter ? `${byCharacter}é` : chosen)}
      />
      {character && (
        <PlainSlot
          label="Character"
          value={value.slice(1)}
          commit={(typed) => put(`${byCharacter}${typed}`)}
        />
      )}
    </>
  );
}

export const typist: SlotsBy<'type' | 'key' | 'keysUp'> = {
  type: ({ action, put }) => (
    <>
      types
      <ExpressionSlot
        template
        label="Text, with expressions in braces"
        value={action.text}
        commit={(text) => put({ ...action, text })}
      />
    </>
  ),
  key: ({ action, put }) => (
    <>
      <Choice
        label="What the key does"
        data={[
          { value: 'tap', label: 'taps' },
          { value: 'down', label: 'presses and holds' },
          { value: 'up', label: 'lets go of' },
        ]}
        value={action.how}
        choose={(how) => put({ ...action, how })}
      />
      <KeySlot value={action.key} put={(key) => put({ ...action, key })} />
    </>
  ),
  keysUp: () => 'lets go of all keys',
};

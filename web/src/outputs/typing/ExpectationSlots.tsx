import { Choice, TextField } from '../../shared/index.ts';
import type { ExpectationSlots } from '../expected.ts';
import { keyChoices } from './keys.ts';

export const typist: ExpectationSlots<'typist'> = ({ what, put }) => (
  <>
    <Choice
      label="What is done"
      data={[
        { value: 'types', label: 'types' },
        { value: 'presses', label: 'presses' },
        { value: 'releases', label: 'lets go of' },
      ]}
      value={what.what}
      choose={(chosen) => put({ ...what, what: chosen, text: '' })}
    />
    {what.what === 'types' ? (
      <TextField
        size="xs"
        aria-label="Text"
        placeholder="(anything)"
        value={what.text}
        commit={(text) => put({ ...what, text })}
      />
    ) : (
      <Choice
        label="Key"
        data={[{ value: '', label: 'any key' }, ...keyChoices]}
        value={what.text}
        choose={(text) => put({ ...what, text })}
      />
    )}
  </>
);

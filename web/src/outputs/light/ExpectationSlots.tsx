import { Choice } from '../../shared/index.ts';
import type { ExpectationSlots } from '../expected.ts';

export const light: ExpectationSlots<'light'> = ({ what, put }) => (
  <>
    is
    <Choice
      label="Light"
      data={['on', 'off', 'level', 'blink', 'fade', 'pattern']}
      value={what.mode}
      choose={(chosen) => put({ ...what, mode: chosen as typeof what.mode })}
    />
  </>
);

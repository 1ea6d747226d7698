import { lineLevels } from '@hum-lever/core';
import { Choice, TextField } from '../../shared/index.ts';
import type { FiguresOf } from '../figuresOf.ts';
import { levelWords } from './words.ts';

export const line: FiguresOf<'line'> = ({ output, change }) => (
  <>
    <TextField
      size="xs"
      aria-label={`What ${output.name} switches`}
      placeholder="what it switches"
      value={output.switches}
      commit={(switches) => change({ switches: switches.trim() })}
    />
    <Choice
      label={`Level of ${output.name} that is on`}
      data={[
        { value: 'high', label: 'on when high' },
        { value: 'low', label: 'on when low' },
      ]}
      value={output.inverted ? 'low' : 'high'}
      choose={(level) => change({ inverted: level === 'low' })}
    />
    <Choice
      label={`${output.name} at power-up`}
      data={lineLevels.map((value) => ({ value, label: `${levelWords[value]} at power-up` }))}
      value={output.powerUp}
      choose={(powerUp) => change({ powerUp })}
    />
  </>
);

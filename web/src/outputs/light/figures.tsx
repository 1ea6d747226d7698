import { lightColours } from '@hum-lever/core';
import { Choice } from '../../shared/index.ts';
import type { FiguresOf } from '../figuresOf.ts';

export const light: FiguresOf<'light'> = ({ output, change }) => (
  <Choice
    label={`Colour of ${output.name}`}
    data={[...lightColours]}
    value={output.colour}
    choose={(colour) => change({ colour })}
  />
);

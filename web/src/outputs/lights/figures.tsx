import { lightColours, lightsShapes } from '@hum-lever/core';
import { Choice, NumberField } from '../../shared/index.ts';
import type { FiguresOf } from '../figuresOf.ts';

const shapeWords = { ring: 'in a ring', strip: 'as a strip', row: 'in a row', grid: 'in a grid' } as const;

export const lights: FiguresOf<'lights'> = ({ output, change }) => (
  <>
    <span>
      {output.count} lights, 0 to {output.count - 1},
    </span>
    <Choice
      label={`Shape of ${output.name}`}
      data={lightsShapes.map((value) => ({ value, label: shapeWords[value] }))}
      value={output.shape}
      choose={(shape) => change({ shape })}
    />
    {output.shape === 'grid' && (
      <NumberField
        label=""
        aria-label="Columns of the grid"
        unit="columns"
        width={110}
        min={1}
        max={64}
        value={output.columns}
        commit={(columns) => change({ columns })}
      />
    )}
    {output.colour !== null && (
      <Choice
        label={`Colour of ${output.name}`}
        data={[...lightColours]}
        value={output.colour}
        choose={(colour) => change({ colour })}
      />
    )}
  </>
);

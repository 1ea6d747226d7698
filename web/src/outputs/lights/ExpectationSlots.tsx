import { paints } from '@hum-lever/core';
import { Choice, NumberField } from '../../shared/index.ts';
import type { ExpectationSlots } from '../expected.ts';

const colourWords = [
  { value: 'lit', label: 'lit' } as const,
  ...paints.map((value) => ({ value, label: value === 'off' ? 'dark' : value })),
];

export const lights: ExpectationSlots<'lights'> = ({ what, put }) => (
  <>
    light
    <NumberField
      label=""
      aria-label="Light, from 0"
      width={72}
      min={0}
      max={255}
      value={what.place}
      commit={(place) => put({ ...what, place })}
    />
    is
    <Choice
      label="Colour"
      data={colourWords}
      value={what.colour}
      choose={(colour) => put({ ...what, colour })}
    />
  </>
);

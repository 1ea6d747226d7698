import { lightColours } from '@hum-lever/core';
import { Choice } from '../../shared/index.ts';
import { ExpressionSlot } from '../../slots/index.ts';
import type { SlotsBy } from '../slotsBy.ts';
import { LightSlots } from './LightSlots.tsx';

export const light: SlotsBy<'light' | 'level' | 'colour'> = {
  light: ({ action, put }) => (
    <>
      <LightSlots light={action.light} put={(light) => put({ ...action, light })} />
    </>
  ),
  level: ({ action, put }) => (
    <>
      is lit at
      <ExpressionSlot
        short
        label="Level in percent"
        value={action.percent}
        commit={(percent) => put({ ...action, percent })}
      />
      %
    </>
  ),
  colour: ({ action, put }) => (
    <>
      turns
      <Choice
        label="Colour"
        data={[...lightColours]}
        value={action.colour}
        choose={(colour) => put({ ...action, colour })}
      />
    </>
  ),
};

import { lineLevels } from '@hum-lever/core';
import { Choice } from '../../shared/index.ts';
import type { ExpectationSlots } from '../expected.ts';
import { levelWords } from './words.ts';

const levels = lineLevels.map((value) => ({ value, label: levelWords[value] }));

export const line: ExpectationSlots<'line'> = ({ what, put }) => (
  <>
    is
    <Choice
      label="Level of the line"
      data={levels}
      value={what.level}
      choose={(level) => put({ ...what, level })}
    />
  </>
);

import { keyNumber, type Gadget, type OutputActionOf } from '@hum-lever/core';

/** Rows of numbers that a gadget has, to begin with. */
export const firstRows = ({ flow }: Gadget): string | undefined =>
  flow.variables.find(({ kind }) => kind === 'table' || kind === 'list')?.id;

/** As it is written to begin with: each key its own row. */
export const eachItsRow = (
  variableId: string,
): Pick<OutputActionOf<'sing'>, 'key' | 'variableId' | 'row' | 'by'> => ({
  key: keyNumber,
  variableId,
  row: keyNumber,
  by: '0',
});

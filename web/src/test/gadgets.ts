import { addPartEdit, defaultSetting, emptyGadget, type Button, type DebounceSetting } from '@hum-lever/core';

/** A button as it comes out of the drawer, except for what is given. */
export function buttonOf(patch: Partial<Button>): Button {
  const [, ends] = addPartEdit(emptyGadget('Bench'), 'push-button').args;
  return { ...(ends[0] as Omit<Button, 'id'>), id: 'b1', ...patch };
}

/** A setting, whose other parameters are the usual ones. */
export const setting = (algorithm: string, params: Record<string, number>): DebounceSetting => {
  const usual = defaultSetting(algorithm);
  return { ...usual, params: { ...usual.params, ...params } };
};

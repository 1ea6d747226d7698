import type { MenuItem, SchemeName, SchemeRole } from '@hum-lever/core';

/** How a menu is worked, as it stands behind “worked by”. */
export const schemeWords: Record<SchemeName, string> = {
  fourKeys: 'keys for up, down and OK',
  encoder: 'a wheel that is pushed',
  oneButton: 'one button, tapped and held',
  twoButtons: 'two buttons',
  labelledKeys: 'keys beside their labels',
  touchAreas: 'touched areas',
  cycling: 'a key that goes round and one that changes',
  leftRight: 'left, right, less and more',
};

/** What a control is for in a scheme. */
export const roleWords: Record<SchemeRole, string> = {
  up: 'up',
  down: 'down',
  ok: 'OK',
  back: 'back',
  turn: 'wheel',
  push: 'push',
  button: 'button',
  next: 'next',
  page: 'going round',
  change: 'changing',
  left: 'left',
  right: 'right',
  less: 'less',
  more: 'more',
  key1: 'first key',
  key2: 'second key',
  key3: 'third key',
  key4: 'fourth key',
  key5: 'fifth key',
  key6: 'sixth key',
};

export const itemWords: Record<MenuItem['kind'], string> = {
  submenu: 'submenu',
  value: 'number',
  choice: 'choice',
  toggle: 'on or off',
  text: 'text',
  pick: 'one of a list',
  action: 'action',
  reading: 'reading',
  factory: 'back to new',
};

import { computerKeys } from '@hum-lever/core';

const plain: Readonly<Record<string, string>> = {
  up: 'arrow up',
  down: 'arrow down',
  left: 'arrow left',
  right: 'arrow right',
  pageUp: 'page up',
  pageDown: 'page down',
  control: 'control',
  system: 'system key',
  play: 'play or pause',
  next: 'next track',
  previous: 'previous track',
};

/** A key in words; a letter by its place is written as it stands on the keycap. */
export function keyWords(key: string): string {
  if (key.startsWith("'")) return `“${key.slice(1)}”`;
  if (/^digit\d$/.test(key)) return key.slice(-1);
  if (/^([a-z]|f\d+)$/.test(key)) return key.toUpperCase();
  return plain[key] ?? key;
}

export const keyChoices = computerKeys.map((value) => ({ value, label: keyWords(value) }));

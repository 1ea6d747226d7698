import type { OutputActionOf } from '@hum-lever/core';

export const messageWords: Readonly<Record<OutputActionOf<'midi'>['message'], string>> = {
  noteOn: 'begins note',
  noteOff: 'ends note',
  control: 'moves controller',
  program: 'chooses program',
  bend: 'bends to',
  pressure: 'presses by',
  keyPressure: 'presses note',
};

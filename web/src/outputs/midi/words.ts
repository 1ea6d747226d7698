import type { HeardMessage, MidiMessage, Passing, SyncMessage } from '@hum-lever/core';

export const messageWords: Readonly<Record<MidiMessage, string>> = {
  noteOn: 'begins note',
  noteOff: 'ends note',
  control: 'moves controller',
  program: 'chooses program',
  bend: 'bends to',
  pressure: 'presses by',
  keyPressure: 'presses note',
};

export const syncWords: Readonly<Record<SyncMessage, string>> = {
  clock: 'ticks its clock',
  start: 'starts what follows its clock',
  continue: 'lets what follows its clock go on',
  stop: 'stops what follows its clock',
};

export const sentWords: Readonly<Record<HeardMessage, string>> = { ...messageWords, ...syncWords };

export const passingWords: Readonly<Record<Passing, string>> = {
  nothing: 'nothing that comes in',
  channels: 'the messages of channels that come in',
  everything: 'everything that comes in',
};

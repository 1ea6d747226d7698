import type { Clash, KeyPlace, OwnValue, OwnWord } from '@hum-lever/core';
import { showCurrent, showOhms } from '../shared/units.ts';

/** What a terminal asks of a pin, in plain words with the field's term where there is one. */
export const needWords: Record<string, string> = {
  in: 'input',
  out: 'output',
  both: 'input and output',
  analog: 'analog input',
  pwm: 'dimming (PWM)',
  tone: 'tone (timer)',
  servo: 'servo pulse',
  edge: 'interrupt',
  wake: 'wake-up',
  usb: 'native USB',
  sda: 'bus data (SDA)',
  scl: 'bus clock (SCL)',
  mosi: 'fast bus out (MOSI)',
  miso: 'fast bus in (MISO)',
  sck: 'fast bus clock (SCK)',
  tx: 'serial out (TX)',
  rx: 'serial in (RX)',
  bclk: 'sound clock',
  ws: 'sound word select',
  dout: 'sound data',
  supply: 'supply',
  ground: 'ground',
  feed: 'gives supply',
  fed: 'takes supply',
};

export const partGroupWords: Record<string, string> = {
  controls: 'Controls',
  sensors: 'Sensors',
  lights: 'Lights',
  displays: 'Displays',
  sound: 'Sound',
  motion: 'Motion',
  links: 'Links',
  memory: 'Memory',
  chips: 'Chips',
  power: 'Power',
  own: 'Of your own',
};

/** What a part of the maker's own can be in hand. */
export const ownEndWords: Record<OwnWord | OwnValue['kind'], string> = {
  button: 'a contact that closes and opens',
  knob: 'something turned or measured',
  light: 'a lamp or a switched load',
  text: 'a display of text',
  tone: 'a sounder',
  servo: 'an arm that turns',
  motor: 'a motor',
  line: 'a line that is on or off',
  reading: 'a value that it tells',
  setting: 'a value that it takes',
};

/** Roles of the small parts, as they stand in a sentence. */
export const roleWords: Record<string, string> = {
  'light-resistor': 'a resistor',
  'pull-up': 'a pull-up',
  'pull-down': 'a pull-down',
  'bus-pull-up': 'bus pull-ups',
  'driver-transistor': 'a transistor, with a base resistor',
  'level-shifter': 'a level shifter',
  'upload-jumper': 'a jumper that is taken out to upload',
};

/** Why a scheme cannot read so many keys. */
export const refusedWords = {
  'too-many-keys': 'too many keys for it',
  'no-ladder': 'no values keep the levels apart',
} as const;

/** A line that cannot be met, with what is in its way. */
export function clashWords({
  ownerName,
  terminal,
  needs,
  lockedTo,
  lockedMissing,
  tooMuchUa,
}: Clash): string {
  const what = `${ownerName} ${terminal} (${needWords[needs] ?? needs})`;
  if (tooMuchUa !== null) return `${what}, ${showCurrent(tooMuchUa)}, more than a pin gives`;
  if (lockedMissing) return `${what}, soldered to ${lockedTo}, which this board does not have`;
  return lockedTo === null ? what : `${what}, soldered to ${lockedTo}`;
}

/** Where a key of a set goes. */
export function keyPlaceWords(place: KeyPlace): string {
  switch (place.kind) {
    case 'crossing':
      return `${place.drive} and ${place.sense}${place.diode ? `, diode towards ${place.drive}` : ''}`;
    case 'resistor':
      return `${place.line} ${place.ohms === 0 ? 'by a wire' : `through ${showOhms(place.ohms)}`}, other end to ground`;
    case 'pin':
      return `${place.line}, other end to ground`;
    case 'input':
      return `chip ${place.chip}, input ${place.input}, other end to ground`;
  }
}

import { partKinds, type OwnClass, type PartKind } from '@hum-lever/core';
import { partGroupWords } from '../../words/index.ts';

/** What makers call things, by class: found by those words, too. */
const called: Readonly<Record<string, string>> = {
  'push-button': 'switch tactile key momentary',
  'lit-key': 'illuminated button led arcade',
  'toggle-switch': 'latching lever',
  'slide-switch': 'latching dip',
  'key-matrix': 'keypad keyboard numpad',
  'touch-pad': 'capacitive sensor',
  encoder: 'rotary knob dial',
  'encoder-push': 'rotary knob dial button',
  potentiometer: 'pot knob dial rotary',
  slider: 'fader pot',
  stick: 'joystick thumbstick analog',
  'motion-sensor': 'imu accelerometer gyro tilt',
  'light-sensor': 'ldr photo',
  'code-receiver': 'remote infrared ir voice',
  'foot-switch': 'pedal',
  light: 'led lamp diode',
  'rgb-light': 'led colour lamp',
  'pixel-lights': 'led strip addressable ring rgb chain',
  'light-chain': 'led ring strip row grid addressable pixels numbered',
  'light-matrix': 'led grid multiplexed numbered',
  'lights-on-shared-lines': 'led charlieplex numbered',
  'seven-segment': 'led digits number display',
  'character-display': 'lcd screen text',
  'character-display-two-wire': 'lcd screen text i2c',
  'graphic-display-two-wire': 'oled lcd screen i2c',
  'graphic-display-spi': 'oled lcd tft screen',
  'small-colour-display': 'tft lcd rgb screen color',
  piezo: 'buzzer beeper sounder speaker',
  buzzer: 'beeper sounder piezo',
  'amplifier-speaker': 'audio loudspeaker sound',
  'pulse-speaker': 'audio loudspeaker sample pwm wav sampler amplifier',
  'sound-player': 'mp3 wav audio sampler',
  servo: 'motor arm',
  'relay-module': 'switch contact coil on off line',
  'transistor-switch': 'mosfet driver load bell shutter solenoid on off line',
  'vibration-motor': 'haptic rumble motor',
  'midi-in': 'music',
  'midi-out': 'music',
  'serial-text': 'uart rs232 panel terminal console',
  'usb-keyboard': 'hid keys computer',
  'usb-midi': 'music computer',
  'memory-card': 'sd storage',
  'settings-memory': 'eeprom storage',
  'shift-in': 'register expander',
  'shift-out': 'register expander',
  'pin-expander': 'port gpio i2c',
  'level-shifter': 'logic converter',
  cell: 'battery lipo rechargeable',
  charger: 'battery usb lipo',
  booster: 'step-up converter boost',
  regulator: 'ldo converter step-down',
  'power-switch': 'on off',
  'protection-diode': 'schottky reverse',
};

/** 0 where the title is what was typed, then where it begins with it, then where it holds it. */
function nearness({ title }: PartKind, sought: string): number {
  const name = title.toLowerCase();
  if (name === sought) return 0;
  return name.startsWith(sought) ? 1 : name.includes(sought) ? 2 : 3;
}

/** So many parts can be asked for at once; who needs more of one class makes a set of keys or lights of it. */
const mostAtOnce = 20;

/** How many are asked for: “3 lights”, “2 x push button”; what stands behind the number is what is sought. */
export function readNumber(typed: string): { howMany: number; sought: string } {
  const [, number, sought] = /^\s*(\d{1,3})\s*(?:×|x\s)?\s*(\D.*)$/.exec(typed) ?? [];
  const howMany = Number(number);
  if (sought === undefined || howMany < 1 || howMany > mostAtOnce) return { howMany: 1, sought: typed };
  // Several are said in the plural, and classes in the singular.
  return { howMany, sought: howMany > 1 ? sought.trimEnd().replace(/s$/, '') : sought };
}

/** Classes in whose title, description or group all typed words stand, in the catalogue's order; and the nearest. */
export function findKinds(typed: string): { found: PartKind[]; nearest: PartKind | null } {
  const sought = typed.trim().toLowerCase();
  const words = sought.split(/\s+/);
  const found = partKinds.filter(({ id, title, doc, group }) => {
    const text = `${title} ${doc} ${partGroupWords[group]} ${called[id] ?? ''}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
  const [nearest = null] = [...found].sort((a, b) => nearness(a, sought) - nearness(b, sought));
  return { found, nearest };
}

/** Whether all typed words stand in what a part of the drawer is called and does. */
export function isSought({ title, doc }: OwnClass, typed: string): boolean {
  const text = `${title} ${doc}`.toLowerCase();
  return typed
    .trim()
    .toLowerCase()
    .split(/\s+/)
    .every((word) => text.includes(word));
}

import type { Board } from '../../gadget/index.ts';
import { pinTable } from '../pinTable.ts';

export const small32: Board = {
  id: 'board-32bit-11',
  name: '32-bit board, 11 pins, native USB, 3.3 V',
  note: 'Thumbnail-sized. Every pin has several talents and there are few of them.',
  logicMv: 3_300,
  pinMaxUa: 7_000,
  portMaxUa: 65_000,
  allPinsMaxUa: 130_000,
  railMaxUa: 300_000,
  ownUa: 12_000,
  adcBits: 12,
  clockHz: 48_000_000,
  flashBytes: 262_144,
  ramBytes: 32_768,
  settingsBytes: 0,
  usb: 'native',
  toneTimers: ['T3'],
  servoTimers: ['T2'],
  timers: [
    { id: 'T2', bits: 16, prescalers: [1, 2, 4, 8, 16, 64, 256, 1_024] },
    { id: 'T3', bits: 16, prescalers: [1, 2, 4, 8, 16, 64, 256, 1_024] },
  ],
  priceCents: 620,
  pins: pinTable(`
    left A D0 in out pull-up pull-down edge@L2 wake analog pwm@T0
    left A D1 in out pull-up pull-down edge@L4 wake analog pwm@T0
    left A D2 in out pull-up pull-down edge@L10 wake analog pwm@T1
    left A D3 in out pull-up pull-down edge@L11 wake analog pwm@T1
    left A D4 in out pull-up pull-down edge@L8 wake analog sda@W0 pwm@T2
    left A D5 in out pull-up pull-down edge@L9 wake analog scl@W0 pwm@T2
    left B D6 in out pull-up pull-down edge@L8 wake analog tx@U0 pwm@T3
    right - 5V gives@5000
    right - VIN takes@5500 from@3500
    right - GND ground
    right - 3V3 gives@3300
    right - USB usb
    right A D10 in out pull-up pull-down edge@L6 wake analog mosi@S0 pwm@T1
    right A D9 in out pull-up pull-down edge@L5 wake analog miso@S0 pwm@T0
    right A D8 in out pull-up pull-down edge@L7 wake analog sck@S0 pwm@T1
    right B D7 in out pull-up pull-down edge@L9 wake analog rx@U0 pwm@T3
  `),
};

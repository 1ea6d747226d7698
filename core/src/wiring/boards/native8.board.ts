import type { Board } from '../../gadget/index.ts';
import { pinTable } from '../pinTable.ts';

export const native8: Board = {
  id: 'board-8bit-native',
  name: '8-bit board, 18 pins, native USB, 5 V',
  note: 'Small and able to act as a keyboard. Two serial pins are free because USB is its own.',
  logicMv: 5_000,
  pinMaxUa: 20_000,
  portMaxUa: 100_000,
  allPinsMaxUa: 200_000,
  railMaxUa: 400_000,
  ownUa: 15_000,
  adcBits: 10,
  clockHz: 16_000_000,
  flashBytes: 32_768,
  ramBytes: 2_560,
  settingsBytes: 1_024,
  usb: 'native',
  toneTimers: ['T3'],
  servoTimers: ['T1'],
  timers: [
    { id: 'T1', bits: 16, prescalers: [1, 8, 64, 256, 1_024] },
    { id: 'T3', bits: 16, prescalers: [1, 8, 64, 256, 1_024] },
  ],
  priceCents: 750,
  pins: pinTable(`
    left D N1 in out pull-up tx@U0 edge@I3 wake
    left D N2 in out pull-up rx@U0 edge@I2 wake
    left - GND1 ground
    left - GND2 ground
    left D N3 in out pull-up sda@W0 edge@I1 wake
    left D N4 in out pull-up scl@W0 edge@I0 wake pwm@T0
    left D N5 in out pull-up analog
    left C N6 in out pull-up pwm@T3
    left D N7 in out pull-up analog pwm@T4
    left E N8 in out pull-up edge@I6
    left B N9 in out pull-up analog
    left B N10 in out pull-up analog pwm@T1
    right - RAW takes@6000 from@3600
    right - GND3 ground
    right - USB usb
    right - VCC gives@5000
    right F N11 in out pull-up analog
    right F N12 in out pull-up analog
    right F N13 in out pull-up analog
    right F N14 in out pull-up analog
    right B N15 in out pull-up sck@S0
    right B N16 in out pull-up miso@S0
    right B N17 in out pull-up mosi@S0
    right B N18 in out pull-up analog pwm@T1
  `),
};

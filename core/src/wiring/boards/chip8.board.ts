import type { Board } from '../../gadget/index.ts';
import { pinTable } from '../pinTable.ts';

export const chip8: Board = {
  id: 'chip-8',
  name: '8-pin chip, 8-bit, 5 V',
  note: 'Bare chip: six pins, one of them the reset. No USB, no serial port: it is uploaded over four of its pins.',
  logicMv: 5_000,
  pinMaxUa: 20_000,
  portMaxUa: 100_000,
  allPinsMaxUa: 150_000,
  railMaxUa: 0,
  ownUa: 5_000,
  adcBits: 10,
  clockHz: 8_000_000,
  flashBytes: 8_192,
  ramBytes: 512,
  settingsBytes: 512,
  usb: 'none',
  toneTimers: ['T0'],
  servoTimers: ['T1'],
  timers: [
    { id: 'T0', bits: 8, prescalers: [1, 8, 64, 256, 1_024] },
    {
      id: 'T1',
      bits: 8,
      prescalers: [1, 2, 4, 8, 16, 32, 64, 128, 256, 512, 1_024, 2_048, 4_096, 8_192, 16_384],
    },
  ],
  priceCents: 150,
  pins: pinTable(`
    left B B5 in out pull-up analog upload
    left B B3 in out pull-up analog edge@X pwm@T1
    left B B4 in out pull-up analog edge@X pwm@T1
    left - GND ground
    right - VCC takes@5500 from@2700
    right B B2 in out pull-up analog edge@X wake scl@W0 sck@S0 upload
    right B B1 in out pull-up edge@X pwm@T0 miso@S0 upload
    right B B0 in out pull-up edge@X pwm@T0 sda@W0 mosi@S0 upload
  `),
};

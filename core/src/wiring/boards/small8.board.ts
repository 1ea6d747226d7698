import type { Board } from '../../gadget/index.ts';
import { pinTable } from '../pinTable.ts';

export const small8: Board = {
  id: 'board-8bit-20',
  name: '8-bit board, 20 pins, 5 V',
  note: 'The usual first board. USB sits behind a serial chip on P0 and P1; three timers serve tone, servo and PWM.',
  logicMv: 5_000,
  pinMaxUa: 20_000,
  portMaxUa: 100_000,
  allPinsMaxUa: 200_000,
  railMaxUa: 400_000,
  ownUa: 15_000,
  adcBits: 10,
  clockHz: 16_000_000,
  flashBytes: 32_768,
  ramBytes: 2_048,
  settingsBytes: 1_024,
  usb: 'serial',
  toneTimers: ['T2'],
  servoTimers: ['T1'],
  timers: [
    { id: 'T0', bits: 8, prescalers: [1, 8, 64, 256, 1_024] },
    { id: 'T1', bits: 16, prescalers: [1, 8, 64, 256, 1_024] },
    { id: 'T2', bits: 8, prescalers: [1, 8, 32, 64, 128, 256, 1_024] },
  ],
  priceCents: 450,
  pins: pinTable(`
    left D P0 in out pull-up rx@U0 console upload
    left D P1 in out pull-up tx@U0 console upload
    left D P2 in out pull-up
    left D P3 in out pull-up pwm@T0
    left D P4 in out pull-up pwm@T0
    left D P5 in out pull-up edge@I0 wake
    left D P6 in out pull-up edge@I1 wake pwm@T2
    left D P7 in out pull-up
    left B P8 in out pull-up mosi@S0
    left B P9 in out pull-up miso@S0
    left B P10 in out pull-up sck@S0 pwm@T2
    left B P11 in out pull-up pwm@T1
    left B P12 in out pull-up pwm@T1
    left B P13 in out pull-up
    right - VIN takes@12000 from@6500
    right - GND1 ground
    right - 5V gives@5000
    right - 3V3 gives@3300
    right C A0 in out pull-up analog scl@W0
    right C A1 in out pull-up analog sda@W0
    right C A2 in out pull-up analog
    right C A3 in out pull-up analog
    right C A4 in out pull-up analog
    right C A5 in out pull-up analog
    right - A6 analog
    right - A7 analog
    right - GND2 ground
  `),
};

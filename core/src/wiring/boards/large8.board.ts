import type { Board } from '../../gadget/index.ts';
import { pinTable } from '../pinTable.ts';

export const large8: Board = {
  id: 'board-8bit-70',
  name: '8-bit board, 70 pins, 5 V',
  note: 'Pins for everything, at the size of a hand and a price to match; little memory for so many pins.',
  logicMv: 5_000,
  pinMaxUa: 20_000,
  portMaxUa: 100_000,
  allPinsMaxUa: 200_000,
  railMaxUa: 800_000,
  ownUa: 50_000,
  adcBits: 10,
  clockHz: 16_000_000,
  flashBytes: 262_144,
  ramBytes: 8_192,
  settingsBytes: 4_096,
  usb: 'serial',
  toneTimers: ['T2'],
  servoTimers: ['T5', 'T1'],
  timers: [
    { id: 'T2', bits: 8, prescalers: [1, 8, 32, 64, 128, 256, 1_024] },
    { id: 'T1', bits: 16, prescalers: [1, 8, 64, 256, 1_024] },
    { id: 'T5', bits: 16, prescalers: [1, 8, 64, 256, 1_024] },
  ],
  priceCents: 1_400,
  pins: pinTable(`
    left E M0 in out pull-up rx@U0 console upload
    left E M1 in out pull-up tx@U0 console upload
    left E M2 in out pull-up edge@I4 wake pwm@T3
    left E M3 in out pull-up edge@I5 wake pwm@T3
    left G M4 in out pull-up pwm@T0
    left G M5 in out pull-up pwm@T3
    left G M6 in out pull-up pwm@T4
    left G M7 in out pull-up pwm@T4
    left B M8 in out pull-up pwm@T4
    left B M9 in out pull-up pwm@T2
    left B M10 in out pull-up pwm@T2
    left B M11 in out pull-up pwm@T1
    left H M12 in out pull-up pwm@T1
    left H M13 in out pull-up pwm@T0
    top J M14 in out pull-up tx@U3
    top J M15 in out pull-up rx@U3
    top J M16 in out pull-up tx@U2
    top J M17 in out pull-up rx@U2
    top D M18 in out pull-up tx@U1 edge@I3 wake
    top D M19 in out pull-up rx@U1 edge@I2 wake
    top D M20 in out pull-up sda@W0 edge@I1 wake
    top D M21 in out pull-up scl@W0 edge@I0 wake
    right F A0 in out pull-up analog
    right F A1 in out pull-up analog
    right F A2 in out pull-up analog
    right F A3 in out pull-up analog
    right F A4 in out pull-up analog
    right F A5 in out pull-up analog
    right F A6 in out pull-up analog
    right F A7 in out pull-up analog
    right K A8 in out pull-up analog
    right K A9 in out pull-up analog
    right K A10 in out pull-up analog
    right K A11 in out pull-up analog
    right K A12 in out pull-up analog
    right K A13 in out pull-up analog
    right K A14 in out pull-up analog
    right K A15 in out pull-up analog
    right - VIN takes@12000 from@6500
    right - 5V gives@5000
    right - 3V3 gives@3300
    right - GND1 ground
    right - GND2 ground
    bottom A M22 in out pull-up
    bottom A M23 in out pull-up
    bottom A M24 in out pull-up
    bottom A M25 in out pull-up
    bottom A M26 in out pull-up
    bottom A M27 in out pull-up
    bottom A M28 in out pull-up
    bottom A M29 in out pull-up
    bottom C M30 in out pull-up
    bottom C M31 in out pull-up
    bottom C M32 in out pull-up
    bottom C M33 in out pull-up
    bottom C M34 in out pull-up
    bottom C M35 in out pull-up
    bottom C M36 in out pull-up
    bottom C M37 in out pull-up
    bottom L M38 in out pull-up
    bottom L M39 in out pull-up
    bottom L M40 in out pull-up
    bottom L M41 in out pull-up
    bottom L M42 in out pull-up
    bottom L M43 in out pull-up
    bottom L M44 in out pull-up
    bottom L M45 in out pull-up
    bottom B2 M46 in out pull-up pwm@T5
    bottom B2 M47 in out pull-up
    bottom B2 M48 in out pull-up
    bottom B2 M49 in out pull-up
    bottom B2 M50 in out pull-up miso@S0
    bottom B2 M51 in out pull-up mosi@S0
    bottom B2 M52 in out pull-up sck@S0
    bottom B2 M53 in out pull-up
  `),
};

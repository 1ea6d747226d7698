import type { Board } from '../../gadget/index.ts';
import { pinTable } from '../pinTable.ts';

export const flex32: Board = {
  id: 'board-32bit-26',
  name: '32-bit board, 26 pins, native USB, 3.3 V',
  note: 'Roomy and flexible: PWM on every pin, buses in many places. Only three analog inputs; not made for 5 V signals.',
  logicMv: 3_300,
  pinMaxUa: 12_000,
  portMaxUa: 50_000,
  allPinsMaxUa: 50_000,
  railMaxUa: 500_000,
  ownUa: 25_000,
  adcBits: 12,
  clockHz: 125_000_000,
  flashBytes: 2_097_152,
  ramBytes: 262_144,
  settingsBytes: 4_096,
  usb: 'native',
  toneTimers: ['T0', 'T1', 'T2', 'T3', 'T4', 'T5', 'T6', 'T7'],
  servoTimers: ['T0', 'T1', 'T2', 'T3', 'T4', 'T5', 'T6', 'T7'],
  timers: [
    { id: 'T0', bits: 16, prescalers: [1, 2, 4, 8, 16, 32, 64, 128, 255] },
    { id: 'T1', bits: 16, prescalers: [1, 2, 4, 8, 16, 32, 64, 128, 255] },
    { id: 'T2', bits: 16, prescalers: [1, 2, 4, 8, 16, 32, 64, 128, 255] },
    { id: 'T3', bits: 16, prescalers: [1, 2, 4, 8, 16, 32, 64, 128, 255] },
    { id: 'T4', bits: 16, prescalers: [1, 2, 4, 8, 16, 32, 64, 128, 255] },
    { id: 'T5', bits: 16, prescalers: [1, 2, 4, 8, 16, 32, 64, 128, 255] },
    { id: 'T6', bits: 16, prescalers: [1, 2, 4, 8, 16, 32, 64, 128, 255] },
    { id: 'T7', bits: 16, prescalers: [1, 2, 4, 8, 16, 32, 64, 128, 255] },
  ],
  priceCents: 480,
  pins: pinTable(`
    left A F0 in out pull-up pull-down edge wake pwm@T0 sda@W0 tx@U0
    left A F1 in out pull-up pull-down edge wake pwm@T0 scl@W0 rx@U0
    left A F2 in out pull-up pull-down edge wake pwm@T1 sda@W1 sck@S0
    left A F3 in out pull-up pull-down edge wake pwm@T1 scl@W1 mosi@S0
    left - GND1 ground
    left A F4 in out pull-up pull-down edge wake pwm@T2 sda@W0 tx@U1 miso@S0
    left A F5 in out pull-up pull-down edge wake pwm@T2 scl@W0 rx@U1
    left A F6 in out pull-up pull-down edge wake pwm@T3 sda@W1
    left A F7 in out pull-up pull-down edge wake pwm@T3 scl@W1
    left A F8 in out pull-up pull-down edge wake pwm@T4 sda@W0 tx@U1
    left A F9 in out pull-up pull-down edge wake pwm@T4 scl@W0 rx@U1
    left A F10 in out pull-up pull-down edge wake pwm@T5 sda@W1 sck@S1
    left A F11 in out pull-up pull-down edge wake pwm@T5 scl@W1 mosi@S1
    left - GND2 ground
    left A F12 in out pull-up pull-down edge wake pwm@T6 sda@W0 tx@U0 miso@S1
    left A F13 in out pull-up pull-down edge wake pwm@T6 scl@W0 rx@U0
    left A F14 in out pull-up pull-down edge wake pwm@T7 sda@W1
    left A F15 in out pull-up pull-down edge wake pwm@T7 scl@W1
    right - VBUS gives@5000
    right - VSYS takes@5500 from@1800
    right - GND3 ground
    right - 3V3 gives@3300
    right - USB usb
    right A F16 in out pull-up pull-down edge wake analog pwm@T6
    right A F17 in out pull-up pull-down edge wake analog pwm@T5
    right A F18 in out pull-up pull-down edge wake analog pwm@T5
    right A F19 in out pull-up pull-down edge wake pwm@T3 sda@W1
    right A F20 in out pull-up pull-down edge wake pwm@T2 scl@W0
    right A F21 in out pull-up pull-down edge wake pwm@T2 sda@W0
    right A F22 in out pull-up pull-down edge wake pwm@T1 scl@W1 mosi@S0
    right A F23 in out pull-up pull-down edge wake pwm@T1 sda@W1 sck@S0
    right A F24 in out pull-up pull-down edge wake pwm@T0 scl@W0 rx@U0
    right A F25 in out pull-up pull-down edge wake pwm@T0 sda@W0 tx@U0 miso@S0
    right - GND4 ground
  `),
};

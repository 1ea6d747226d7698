import type { Board } from '../../gadget/index.ts';
import { pinTable } from '../pinTable.ts';

export const radio32: Board = {
  id: 'board-radio-30',
  name: '32-bit radio board, 30 pins, 3.3 V',
  note: 'Radio and much memory. Four pins are inputs only and have no pull, some decide how it starts, and one converter is lost while the radio is on.',
  logicMv: 3_300,
  pinMaxUa: 20_000,
  portMaxUa: 0,
  allPinsMaxUa: 200_000,
  railMaxUa: 500_000,
  ownUa: 80_000,
  adcBits: 12,
  clockHz: 240_000_000,
  flashBytes: 4_194_304,
  ramBytes: 327_680,
  settingsBytes: 16_384,
  usb: 'serial',
  toneTimers: ['C0', 'C1', 'C2', 'C3'],
  servoTimers: ['C0', 'C1', 'C2', 'C3'],
  timers: [
    { id: 'C0', bits: 20, prescalers: [1, 2, 4, 8, 16, 32, 64, 128, 256, 512, 1_023] },
    { id: 'C1', bits: 20, prescalers: [1, 2, 4, 8, 16, 32, 64, 128, 256, 512, 1_023] },
    { id: 'C2', bits: 20, prescalers: [1, 2, 4, 8, 16, 32, 64, 128, 256, 512, 1_023] },
    { id: 'C3', bits: 20, prescalers: [1, 2, 4, 8, 16, 32, 64, 128, 256, 512, 1_023] },
  ],
  priceCents: 690,
  pins: pinTable(`
    left - L1
    left - L2 in edge wake analog
    left - L3 in edge wake analog
    left - L4 in edge wake analog
    left - L5 in edge wake analog
    left A L6 in out pull-up pull-down edge wake analog pwm@C0 ~sda@W0 ~scl@W0 ~tx@U2 ~rx@U2
    left A L7 in out pull-up pull-down edge wake analog pwm@C0 ~sda@W0 ~scl@W0 ~tx@U2 ~rx@U2
    left A L8 in out pull-up pull-down edge wake analog radio pwm@C1 ~sda@W1 ~scl@W1
    left A L9 in out pull-up pull-down edge wake analog radio pwm@C1 ~sda@W1 ~scl@W1
    left A L10 in out pull-up pull-down edge wake analog radio pwm@C2
    left A L11 in out pull-up pull-down edge wake analog radio pwm@C2 sck@S1
    left A L12 in out pull-up pull-down edge wake analog radio pwm@C3 miso@S1 boot-low
    left A L13 in out pull-up pull-down edge wake analog radio pwm@C3 mosi@S1
    left - GND1 ground
    left - VIN takes@6000 gives@5000 from@4300
    right A R1 in out pull-up pull-down edge wake pwm@C0 mosi@S0
    right A R2 in out pull-up pull-down edge wake pwm@C0 scl@W0
    right A R3 in out tx@U0 console upload
    right A R4 in out pull-up rx@U0 console upload
    right A R5 in out pull-up pull-down edge wake pwm@C1 sda@W0
    right A R6 in out pull-up pull-down edge wake pwm@C1 miso@S0
    right A R7 in out pull-up pull-down edge wake pwm@C2 sck@S0
    right A R8 in out pull-up pull-down edge wake pwm@C2 boot-high
    right A R9 in out pull-up pull-down edge wake pwm@C3 tx@U2
    right A R10 in out pull-up pull-down edge wake pwm@C3 rx@U2
    right A R11 in out pull-up pull-down edge wake analog radio pwm@C0
    right A R12 in out pull-up pull-down edge wake analog radio pwm@C1 boot-low upload
    right A R13 in out pull-up pull-down edge wake analog radio pwm@C2 boot-high
    right - GND2 ground
    right - 3V3 gives@3300
    right A R14 in out hidden
    right A R15 in out hidden
    right A R16 in out hidden
    right A R17 in out pull-up pull-down edge wake hidden boot-high upload
  `),
};

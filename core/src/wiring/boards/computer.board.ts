import type { Board } from '../../gadget/index.ts';
import { pinTable } from '../pinTable.ts';

export const computer: Board = {
  id: 'computer-26',
  name: 'Single-board computer, 26 pins, 3.3 V',
  note: 'A whole computer: memory without end, no analog inputs, half a minute to start, and it wants to be shut down properly.',
  logicMv: 3_300,
  pinMaxUa: 8_000,
  portMaxUa: 50_000,
  allPinsMaxUa: 50_000,
  railMaxUa: 500_000,
  ownUa: 350_000,
  adcBits: 0,
  clockHz: 1_000_000_000,
  flashBytes: 2_000_000_000,
  ramBytes: 512_000_000,
  settingsBytes: 1_000_000,
  usb: 'native',
  toneTimers: ['T0'],
  servoTimers: ['T1'],
  timers: [],
  priceCents: 3_900,
  pins: pinTable(`
    left - 3V3 gives@3300
    left H H1 in out pull-up pull-down edge sda@W0
    left H H2 in out pull-up pull-down edge scl@W0
    left H H3 in out pull-up pull-down edge
    left - GND1 ground
    left H H4 in out pull-up pull-down edge
    left H H5 in out pull-up pull-down edge
    left H H6 in out pull-up pull-down edge
    left H H7 in out pull-up pull-down edge mosi@S0
    left H H8 in out pull-up pull-down edge miso@S0
    left H H9 in out pull-up pull-down edge sck@S0
    left - GND2 ground
    left H H10 in out pull-up pull-down edge
    left H H11 in out pull-up pull-down edge
    left H H12 in out pull-up pull-down edge pwm@T1
    left H H13 in out pull-up pull-down edge pwm@T1 ws@A0 miso@S1
    left H H14 in out pull-up pull-down edge
    left - GND3 ground
    right - 5V gives@5000 takes@5250 from@4750
    right - GND4 ground
    right H H15 in out pull-up pull-down edge tx@U0 console
    right H H16 in out pull-up pull-down edge rx@U0 console
    right H H17 in out pull-up pull-down edge pwm@T0 bclk@A0
    right - GND5 ground
    right H H18 in out pull-up pull-down edge
    right H H19 in out pull-up pull-down edge
    right H H20 in out pull-up pull-down edge
    right H H21 in out pull-up pull-down edge
    right H H22 in out pull-up pull-down edge
    right H H23 in out pull-up pull-down edge pwm@T0
    right H H24 in out pull-up pull-down edge
    right H H25 in out pull-up pull-down edge mosi@S1
    right H H26 in out pull-up pull-down edge sck@S1 dout@A0
    right - USB usb
  `),
};

import type { Board } from '../../gadget/index.ts';
import { pinTable } from '../pinTable.ts';

export const radioSmall: Board = {
  id: 'board-radio-11',
  name: 'Small radio board, 11 pins, 3.3 V',
  note: 'Radio for little money. Half of the pins decide how it starts or speak while it does; one analog input.',
  logicMv: 3_300,
  pinMaxUa: 12_000,
  portMaxUa: 0,
  allPinsMaxUa: 60_000,
  railMaxUa: 300_000,
  ownUa: 75_000,
  adcBits: 10,
  clockHz: 80_000_000,
  flashBytes: 4_194_304,
  ramBytes: 51_200,
  settingsBytes: 4_096,
  usb: 'serial',
  toneTimers: ['T0'],
  servoTimers: ['T0'],
  timers: [{ id: 'T0', bits: 23, prescalers: [1, 16, 256] }],
  priceCents: 320,
  pins: pinTable(`
    left - W1 analog
    left - W2 in out wake
    left A W3 in out pull-up edge sck@S0 pwm@T0
    left A W4 in out pull-up edge miso@S0 pwm@T0
    left A W5 in out pull-up edge mosi@S0 rx@U1 pwm@T0
    left A W6 in out boot-low edge pwm@T0
    left - 3V3 gives@3300
    right A W7 in out tx@U0 console upload
    right A W8 in out pull-up rx@U0 console upload
    right A W9 in out pull-up edge ~scl@W0 pwm@T0
    right A W10 in out pull-up edge ~sda@W0 pwm@T0
    right A W11 in out pull-up edge boot-high upload pwm@T0
    right A W12 in out pull-up edge boot-high tx@U1 pwm@T0
    right - GND ground
    right - 5V takes@6000 gives@5000 from@4300
    right A W13 in out hidden
    right A W14 in out hidden
  `),
};

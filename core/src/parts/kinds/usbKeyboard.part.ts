import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { definePart, drawsNothing, noSupply, us } from '../kind.ts';

export const usbKeyboard = definePart({
  id: 'usb-keyboard',
  title: 'USB keyboard',
  doc: 'The board itself acts as a keyboard; it needs a native USB, not one behind a serial chip.',
  group: 'links',
  figures: z.strictObject({ reportUs: us('The computer asks every') }),
  defaults: { reportUs: 8_000 },
  priceCents: 0,
  plays: () => ['typist'],
  terminals: () => [signal('usb', 'usb')],
  draws: drawsNothing,
  supply: noSupply,
  // A character is a press and a letting go, each told when the computer asks.
  readings: ({ reportUs }) => [
    { id: 'typing', value: Math.floor(1_000_000 / (2 * Math.max(1, reportUs))), unit: 'Hz' },
  ],
  memory: () => ({ ram: 160, flash: 3_000 }),
});

import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { definePart, drawsNothing, noSupply } from '../kind.ts';

export const usbKeyboard = definePart({
  id: 'usb-keyboard',
  title: 'USB keyboard',
  doc: 'The board itself acts as a keyboard; it needs a native USB, not one behind a serial chip.',
  group: 'links',
  figures: z.strictObject({}),
  defaults: {},
  priceCents: 0,
  plays: () => ['typist'],
  terminals: () => [signal('usb', 'usb')],
  draws: drawsNothing,
  supply: noSupply,
  memory: () => ({ ram: 160, flash: 3_000 }),
});

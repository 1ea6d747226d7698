import * as z from 'zod';
import { signal } from '../../gadget/index.ts';
import { definePart, drawsNothing, noSupply, us } from '../kind.ts';

export const usbMidi = definePart({
  id: 'usb-midi',
  title: 'USB MIDI',
  doc: 'The board itself acts as an instrument of a computer; it needs a native USB, not one behind a serial chip.',
  group: 'links',
  figures: z.strictObject({ frameUs: us('The computer asks every') }),
  // Full speed: one frame a millisecond.
  defaults: { frameUs: 1_000 },
  priceCents: 0,
  plays: () => ['midi'],
  terminals: () => [signal('usb', 'usb')],
  draws: drawsNothing,
  supply: noSupply,
  memory: () => ({ ram: 160, flash: 2_500 }),
});

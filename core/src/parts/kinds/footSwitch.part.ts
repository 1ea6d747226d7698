import * as z from 'zod';
import { contactEnds, contactFigures, count, definePart, drawsNothing, noSupply } from '../kind.ts';

export const footSwitch = definePart({
  id: 'foot-switch',
  title: 'Foot switch',
  doc: 'A sturdy key on a cable. The long wire picks up noise: give it a pull-up outside.',
  group: 'controls',
  figures: z.strictObject({ ...contactFigures, cableMm: count('Cable, mm', 0, 20_000) }),
  defaults: { pull: 0, wakes: 0, cableMm: 2_000 },
  priceCents: 900,
  plays: () => ['button'],
  terminals: (figures) => contactEnds(figures),
  draws: drawsNothing,
  supply: noSupply,
});

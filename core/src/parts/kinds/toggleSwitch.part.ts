import * as z from 'zod';
import { contactDefaults, contactEnds, contactFigures, definePart, drawsNothing, noSupply } from '../kind.ts';

export const toggleSwitch = definePart({
  id: 'toggle-switch',
  title: 'Toggle switch',
  doc: 'Stays where it is put. Bounces longer than a key.',
  group: 'controls',
  figures: z.strictObject(contactFigures),
  defaults: contactDefaults,
  priceCents: 120,
  plays: () => ['button'],
  stays: true,
  terminals: (figures) => contactEnds(figures),
  draws: drawsNothing,
  supply: noSupply,
});

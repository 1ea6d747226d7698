import * as z from 'zod';
import { contactDefaults, contactEnds, contactFigures, definePart, drawsNothing, noSupply } from '../kind.ts';

export const slideSwitch = definePart({
  id: 'slide-switch',
  title: 'Slide switch',
  doc: 'A small switch that stays where it is pushed; for modes, not for mains.',
  group: 'controls',
  figures: z.strictObject(contactFigures),
  defaults: contactDefaults,
  priceCents: 45,
  plays: () => ['button'],
  stays: true,
  terminals: (figures) => contactEnds(figures),
  draws: drawsNothing,
  supply: noSupply,
});

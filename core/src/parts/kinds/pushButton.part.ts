import * as z from 'zod';
import { contactDefaults, contactEnds, contactFigures, definePart, drawsNothing, noSupply } from '../kind.ts';

export const pushButton = definePart({
  id: 'push-button',
  title: 'Push button',
  doc: 'A key that makes contact while it is pressed.',
  group: 'controls',
  figures: z.strictObject(contactFigures),
  defaults: contactDefaults,
  priceCents: 25,
  plays: () => ['button'],
  terminals: (figures) => contactEnds(figures),
  draws: drawsNothing,
  supply: noSupply,
});

import { stockFor, type Gadget, type Stock } from '@hum-lever/core';
import { useContext } from 'react';
import { useGadget } from '../../client/index.ts';
import { Still } from '../useOutput.ts';

const pixels = { kind: 'screen' };
const none: Pick<Gadget, 'pictures' | 'fonts'> = { pictures: [], fonts: [] };
/** What the pages of a display are laid out with; without one, the pictures and fonts that displays of pixels draw with. */
export function useStock(display?: { kind: string }): Stock {
  const still = useContext(Still);
  const pictures = useGadget(({ document }) => document?.pictures);
  const fonts = useGadget(({ document }) => document?.fonts);
  return stockFor(still?.gadget ?? (pictures && fonts ? { pictures, fonts } : none), display ?? pixels);
}

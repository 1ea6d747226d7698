import { stockOf, type Gadget, type Stock } from '@hum-lever/core';
import { useContext } from 'react';
import { useGadget } from '../../client/index.ts';
import { Still } from '../useOutput.ts';

const none: Pick<Gadget, 'pictures' | 'fonts'> = { pictures: [], fonts: [] };
/** The pictures and fonts that displays draw with. */
export function useStock(): Stock {
  const still = useContext(Still);
  const pictures = useGadget(({ document }) => document?.pictures);
  const fonts = useGadget(({ document }) => document?.fonts);
  return stockOf(still?.gadget ?? (pictures && fonts ? { pictures, fonts } : none));
}

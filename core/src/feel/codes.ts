import type { Codes } from '../gadget/index.ts';

/** Room for one repeat that is lost or late. */
const repeats = 2.2;

/** How long a code should count as held after it was last heard, and whether what is set does. */
export function adviseCodes({ repeatsEveryUs, heldGapUs }: Pick<Codes, 'repeatsEveryUs' | 'heldGapUs'>): {
  heldGapUs: number;
  fits: boolean;
} {
  const wantedUs = Math.round(repeatsEveryUs * repeats);
  return { heldGapUs: wantedUs, fits: heldGapUs >= repeatsEveryUs && heldGapUs <= 2 * wantedUs };
}

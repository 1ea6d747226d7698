/** A light on paper: its colour as full as it can be, and the paler the dimmer it is. Dark ones keep their paper. */
export function paperOf(colour: number): { fill: string; fillOpacity: string } {
  const most = Math.max(colour >> 16, (colour >> 8) & 255, colour & 255);
  const full = (channel: number) => Math.round(((channel & 255) * 255) / most);
  return {
    fill: most === 0 ? '' : `rgb(${full(colour >> 16)} ${full(colour >> 8)} ${full(colour)})`,
    fillOpacity: most === 0 ? '' : String(0.2 + (0.8 * most) / 255),
  };
}

/** Where one is: a sheet, or what stands beside it. */
export type KeyPlace = 'everywhere' | 'hand' | 'strip' | 'brief' | 'flow' | 'screen';

/** What has the focus says where one is; otherwise the sheet does. */
export function keyPlaceOf(focused: Element | null, sheetId: string): KeyPlace {
  if (focused?.closest('[role="application"]')) return 'hand';
  if (focused?.closest('[aria-label="Strip"]')) return 'strip';
  return sheetId === 'brief' || sheetId === 'flow' || sheetId === 'screen' ? sheetId : 'everywhere';
}

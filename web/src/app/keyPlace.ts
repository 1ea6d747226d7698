/** Where one is: a sheet, or what stands beside it. */
export type KeyPlace = 'everywhere' | 'hand' | 'strip' | 'brief' | 'flow' | 'screen' | 'sound';

/** What has the focus says where one is; otherwise the sheet does. */
export function keyPlaceOf(focused: Element | null, sheetId: string): KeyPlace {
  if (focused?.closest('[role="application"]')) return 'hand';
  if (focused?.closest('[aria-label="Strip"]')) return 'strip';
  const own = (['brief', 'flow', 'screen', 'sound'] as const).find((sheet) => sheet === sheetId);
  return own ?? 'everywhere';
}

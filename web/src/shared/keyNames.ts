/** A key code as people call the key: KeyA → A, Digit1 → 1, ArrowUp → ↑. */
export function keyName(code: string): string {
  const arrows: Record<string, string> = { ArrowUp: '↑', ArrowDown: '↓', ArrowLeft: '←', ArrowRight: '→' };
  return arrows[code] ?? code.replace(/^(Key|Digit|Numpad)(?=.)/, '');
}

/** A sheet that comes on demand is waited for so long. */
const patienceMs = 5_000;
const lookMs = 50;

const wordsOn = (element: Element) => element.getAttribute('aria-label') ?? element.textContent.trim();

/** The button of the sheet, or the entry of an open menu, with those words on it. */
const named = (words: string): HTMLElement | undefined =>
  [...document.querySelectorAll<HTMLElement>('main button, [role="menuitem"]')].find(
    (one) => wordsOn(one) === words && !one.hasAttribute('disabled'),
  );

/** Presses what has those words on it, one after the other, as a hand would; each as soon as it is there. */
export function pressNamed(names: readonly string[], sinceMs = performance.now()): void {
  const [first, ...others] = names;
  if (first === undefined || performance.now() - sinceMs > patienceMs) return;
  const button = named(first);
  if (!button) {
    setTimeout(() => pressNamed(names, sinceMs), lookMs);
    return;
  }
  button.scrollIntoView({ block: 'nearest' });
  button.focus();
  button.click();
  if (others.length > 0) setTimeout(() => pressNamed(others), lookMs);
}

import { useHotkeys } from '@mantine/hooks';
import { useEffect, useState, type RefObject } from 'react';

/** How large the gadget is held: beside the sheet, over it, or on the whole screen. */
export type Size = 'beside' | 'large' | 'screen';

/** For playing in earnest: one key makes it large, another fills the screen, Escape puts it back. */
export function useLarge(place: RefObject<HTMLElement | null>, toHand: () => void) {
  const [size, setSize] = useState<Size>('beside');
  useEffect(() => {
    // The browser has keys of its own that end it.
    const onChange = () =>
      setSize((was) => (document.fullscreenElement ? 'screen' : was === 'screen' ? 'beside' : was));
    document.addEventListener('fullscreenchange', onChange);
    return () => document.removeEventListener('fullscreenchange', onChange);
  }, []);
  const leaveScreen = (to: Size) => {
    if (document.fullscreenElement) void document.exitFullscreen();
    setSize(to);
  };
  const beside = () => leaveScreen('beside');
  const toggle = (wanted: 'large' | 'screen') => {
    if (size === wanted) return beside();
    // Where the browser refuses, large is the most there is.
    if (wanted === 'screen') place.current?.requestFullscreen().catch(() => setSize('large'));
    else leaveScreen('large');
    toHand();
  };
  useHotkeys([
    ['shift+H', () => toggle('large')],
    ['shift+F', () => toggle('screen')],
  ]);
  return { size, toggle, beside };
}

import { useLocalStorage } from '@mantine/hooks';

/** Px of the lanes: room for two controls, the states and a few outputs; never so high that the sheet is gone. */
const usual = 200;
const least = 60;
const mostOfWindow = 0.6;

/** Whether the strip is open, and how high: this maker's, remembered by the browser. */
export function useShape() {
  const [open, setOpen] = useLocalStorage({ key: 'hum-lever.strip.open', defaultValue: false });
  const [stored, setHeight] = useLocalStorage({ key: 'hum-lever.strip.height', defaultValue: usual });
  const most = Math.round(innerHeight * mostOfWindow);
  const within = (px: number) => Math.round(Math.max(least, Math.min(most, px)));
  return {
    open,
    toggle: () => setOpen(!open),
    height: within(stored),
    least,
    most,
    resize: (px: number) => setHeight(within(px)),
  };
}

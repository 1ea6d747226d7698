import type { Vision } from '@hum-lever/core';

/** Whose eyes they are. */
export const visionWords: Record<Vision, string> = {
  protanopia: 'red-blind eyes (protanopia)',
  deuteranopia: 'green-blind eyes (deuteranopia)',
  tritanopia: 'blue-blind eyes (tritanopia)',
};

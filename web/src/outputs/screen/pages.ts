import type { Gadget, Page } from '@hum-lever/core';

/** Pages of a display, in its order: it begins with the first. */
export const pagesOf = ({ pages }: Pick<Gadget, 'pages'>, outputId: string): Page[] =>
  pages.filter((page) => page.outputId === outputId);

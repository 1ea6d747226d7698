import type { Gadget, Page } from '@hum-lever/core';

/** Pages of a display, in its order, and what lies over them. */
export const pagesOf = ({ pages }: Pick<Gadget, 'pages'>, outputId: string): Page[] =>
  pages.filter((page) => page.outputId === outputId);

/** Those that it can be told to show; it begins with the first. */
export const shownPages = (gadget: Pick<Gadget, 'pages'>, outputId: string): Page[] =>
  pagesOf(gadget, outputId).filter(({ over }) => over === null);

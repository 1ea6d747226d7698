import type { TextDisplay } from '../../gadget/index.ts';

/** A row of a character display: exactly `columns` cells, one character each; what does not fit is cut off. */
export function rowCells(text: string, columns: number): string[] {
  const characters = [...text].slice(0, columns);
  return [...characters, ...Array.from({ length: columns - characters.length }, () => ' ')];
}

/** Empty rows of a display. */
export function blankRows({ rows }: Pick<TextDisplay, 'rows'>): string[] {
  return Array.from({ length: rows }, () => '');
}

/** The rows of a character from the top, each a number whose bit 0 is its leftmost pixel. */
export type Glyph = readonly number[];

import { XMLParser } from 'fast-xml-parser';

/** An element of a file: its name, attributes and what stands in it, in order. */
export interface Element {
  name: string;
  attributes: Record<string, string>;
  inner: Element[];
}

const parser = new XMLParser({
  preserveOrder: true,
  ignoreAttributes: false,
  attributeNamePrefix: '',
  parseAttributeValue: false,
  trimValues: true,
});

/** Elements in order, without texts, comments and instructions. */
function elementsOf(raw: unknown): Element[] {
  if (!Array.isArray(raw)) return [];
  return raw.flatMap((one: Record<string, unknown>): Element[] => {
    const name = Object.keys(one).find((key) => key !== ':@');
    if (name === undefined || name.startsWith('#') || name.startsWith('?')) return [];
    return [
      {
        name,
        attributes: (one[':@'] as Record<string, string> | undefined) ?? {},
        inner: elementsOf(one[name]),
      },
    ];
  });
}

export const stateNames: ReadonlySet<string> = new Set(['state', 'parallel', 'final', 'history']);
/** Words of a list. */
export const words = (text: string | undefined): string[] =>
  text?.split(/\s+/).filter((word) => word !== '') ?? [];

/** Milliseconds of CSS2 time, as the standard has it: 500ms, 1.5s. */
export function timeUs(text: string): number | null {
  const found = /^\+?(\d*\.?\d+)\s*(ms|s)$/.exec(text.trim());
  return found ? Math.round(Number(found[1]) * (found[2] === 's' ? 1_000_000 : 1_000)) : null;
}

/**
 * What stands in a text of XML, elements only.
 * @throws Error where it is none
 */
export const readXml = (text: string): Element[] => elementsOf(parser.parse(text, true));

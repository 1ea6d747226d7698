import { limits } from '../gadget/index.ts';
import { SaxesParser, type SaxesTagNS } from 'saxes';

/** Where our own words stand in a file of the standard: what it has no element for. */
export const humSpace = 'urn:hum-lever:flow';
export const scxmlSpace = 'http://www.w3.org/2005/07/scxml';

/**
 * An element of a file: its name, attributes and what stands in it, in order. Names of the standard stand alone, ours
 * as `hum:name`, those of others with their name space, whatever prefixes the file has for them.
 */
export interface Element {
  name: string;
  attributes: Record<string, string>;
  inner: Element[];
  line: number;
}

/** What a gadget can hold of a file, looked at while it is read: nothing is made of one that is too large. */
const most = {
  elements: 50_000,
  /** States in one another, and what stands in the innermost. */
  depth: 3 * limits.nesting,
  attributeChars: 4 * limits.expressionChars,
  states: limits.states,
  data: limits.variables,
} as const;

/** A file that is no XML, or too large; the message names the line. */
export class XmlRefused extends Error {}

export const stateNames: ReadonlySet<string> = new Set(['state', 'parallel', 'final', 'history']);

function nameIn(uri: string, local: string, home: string): string {
  if (uri === home) return local;
  return uri === humSpace ? `hum:${local}` : `${uri}:${local}`;
}

/**
 * The outermost element of a text of XML, with elements alone in it.
 * @throws XmlRefused where it is ill-formed, has a document type, or is larger than any gadget
 */
export function readXml(text: string): Element {
  const parser = new SaxesParser({ xmlns: true });
  const open: Element[] = [];
  const counted = { elements: 0, states: 0, data: 0 };
  let root: Element | null = null;
  const refuse = (message: string): never => {
    throw new XmlRefused(`Line ${parser.line}: ${message}.`);
  };
  const count = (what: keyof typeof counted, words: string) => {
    counted[what] += 1;
    if (counted[what] > most[what]) refuse(`expected at most ${most[what]} ${words}`);
  };
  parser.on('error', (error) =>
    refuse(`expected XML that is well-formed; ${error.message.replace(/^\d+:\d+: |\.$/g, '')}`),
  );
  parser.on('doctype', () => refuse('expected a file without document type and entities'));
  parser.on('opentag', (tag: SaxesTagNS) => {
    // Files without any name space are taken for the standard's.
    const home = tag.uri === '' ? '' : scxmlSpace;
    const name = nameIn(tag.uri, tag.local, home);
    count('elements', 'elements');
    if (stateNames.has(name)) count('states', 'states');
    if (name === 'data') count('data', 'variables');
    if (open.length >= most.depth) refuse(`expected at most ${most.depth} elements in one another`);
    const attributes: Record<string, string> = {};
    for (const { uri, local, prefix, value } of Object.values(tag.attributes)) {
      if (prefix === 'xmlns' || local === 'xmlns') continue;
      if (value.length > most.attributeChars)
        refuse(`expected at most ${most.attributeChars} characters in ${local}`);
      attributes[nameIn(uri, local, '')] = value;
    }
    const element: Element = { name, attributes, inner: [], line: parser.line };
    open.at(-1)?.inner.push(element);
    root ??= element;
    open.push(element);
  });
  parser.on('closetag', () => void open.pop());
  parser.write(text).close();
  return root ?? refuse('expected an element, got none');
}

/** Words of a list. */
export const words = (text: string | undefined): string[] =>
  text?.split(/\s+/).filter((word) => word !== '') ?? [];

/** Longer ones are no times, however they go on. */
const longestTime = 24;

/** Microseconds of CSS2 time, as the standard has it: 500ms, 1.5s. */
export function timeUs(text: string): number | null {
  const trimmed = text.trim();
  if (trimmed.length > longestTime) return null;
  const found = /^\+?(\d+|\d*\.\d+)\s*(ms|s)$/.exec(trimmed);
  return found ? Math.round(Number(found[1]) * (found[2] === 's' ? 1_000_000 : 1_000)) : null;
}

/**
 * JSON with keys in code-unit order and two spaces of indent, ending in a newline: the same document gives the
 * same bytes on every machine, and two revisions diff line by line. Values must be plain JSON.
 */
export function canonicalJson(value: unknown): string {
  return `${JSON.stringify(sorted(value), null, 2)}\n`;
}

function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (typeof value !== 'object' || value === null) return value;
  const record = value as Record<string, unknown>;
  // Compared with <, not by language: the order must not depend on where the machine stands.
  const keys = Object.keys(record).sort((a, b) => (a < b ? -1 : a > b ? 1 : 0));
  return Object.fromEntries(keys.map((key) => [key, sorted(record[key])]));
}

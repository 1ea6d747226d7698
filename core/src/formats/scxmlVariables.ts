import { variableSchema, type Saved, type Variable } from '../gadget/index.ts';
import { words, type Element } from './scxmlElements.ts';

function savedOf(text: string | undefined): Saved | null {
  if (text === 'change' || text === 'asked') return { when: text };
  const quiet = /^quiet (\d+)$/.exec(text ?? '');
  return quiet ? { when: 'quiet', quietUs: Number(quiet[1]) } : null;
}

/** A table, a text or several, whose beginning is written as JSON; null: another kind. */
function readWritten(kind: string | undefined, expr: string, length: number, columns: number): object | null {
  if (kind !== 'table' && kind !== 'text' && kind !== 'texts') return null;
  let start: unknown = null;
  try {
    start = JSON.parse(expr);
  } catch {
    // The schema says what was expected.
  }
  if (kind === 'table') return { kind, saved: null, numbers: start, columns };
  return kind === 'text' ? { kind, length, initial: start } : { kind, length, initials: start };
}

/** Variables of the data model. @param note told of what cannot be carried over */
export function readVariables(root: Element, note: (message: string) => void): Variable[] {
  const datas = root.inner.filter(({ name }) => name === 'datamodel').flatMap(({ inner }) => inner);
  let options = 0;
  return datas.flatMap(({ attributes }, n): Variable[] => {
    const id = `v${n + 1}`;
    const name = attributes.id ?? id;
    if (!/^[A-Za-z_][A-Za-z0-9_]{0,31}$/.test(name)) {
      note(`The variable "${name}" was left out: expected a word of letters, digits and underscores.`);
      return [];
    }
    const saved = savedOf(attributes['hum:saved']);
    const expr = attributes.expr ?? '0';
    if (attributes['hum:kind'] === 'flag' || expr === 'true' || expr === 'false')
      return [{ id, kind: 'flag', name, saved, initial: expr === 'true' }];
    if (attributes['hum:kind'] === 'choice') {
      const list = words(attributes['hum:options']).map((option) => ({
        id: `q${(options += 1)}`,
        name: option,
      }));
      const first = list.find((option) => option.name === expr) ?? list[0];
      if (first) return [{ id, kind: 'choice', name, saved, options: list, initialId: first.id }];
    }
    const columns = Number(attributes['hum:columns'] ?? 1);
    const written = readWritten(attributes['hum:kind'], expr, Number(attributes['hum:length'] ?? 0), columns);
    if (written) {
      const variable = variableSchema.safeParse({ id, name, saved, ...written });
      if (variable.success) return [variable.data];
      note(`The variable "${name}" was left out: ${variable.error.issues[0]!.message}.`);
      return [];
    }
    const number = Number(expr);
    if (!Number.isInteger(number))
      note(`The variable "${name}" begins at 0: expected a whole number, got "${expr}".`);
    const initial = Number.isInteger(number) ? number : 0;
    const common = {
      id,
      name,
      saved,
      initial,
      min: Number(attributes['hum:min'] ?? Math.min(0, initial)),
      max: Number(attributes['hum:max'] ?? 1_000_000),
      overflow: attributes['hum:overflow'] === 'wrap' ? ('wrap' as const) : ('hold' as const),
    };
    if (attributes['hum:kind'] === 'list')
      return [{ ...common, kind: 'list', length: Number(attributes['hum:length'] ?? 1), columns }];
    return [{ ...common, kind: 'number', unit: attributes['hum:unit'] ?? '' }];
  });
}

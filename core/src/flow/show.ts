import { evaluate, type Surroundings } from './evaluate.ts';
import { drawsIn, type Code } from './expression.ts';
import type { Effect } from './state.ts';
import type { FlowTables, Shown } from './tables.ts';
import { renderTemplate, type Template } from './template.ts';

/** What showing needs of the run that it is part of. */
interface Showing extends Surroundings {
  readonly tables: FlowTables;
  readonly values: number[];
  effect(effect: Effect): void;
}

export const clamp = (value: number, low: number, high: number): number =>
  value < low ? low : value > high ? high : value;

/** Status bytes of messages on channel 1. Source: MIDI 1.0, table of channel voice messages. */
const status = { noteOn: 0x90, noteOff: 0x80, control: 0xb0, program: 0xc0 } as const;

/** Expressions that are worked out to show it. */
function codesOf(what: Shown): readonly Code[] {
  const codes = (text: Template) => text.filter((piece) => typeof piece !== 'string');
  switch (what.kind) {
    case 'level':
      return [what.percent];
    case 'text':
    case 'type':
      return codes(what.text);
    case 'sprite':
      return [what.row, what.column, ...codes(what.text)];
    case 'tone':
      return [what.hz];
    case 'midi':
      return [what.first, what.second];
    case 'move':
      return [what.to];
    case 'light':
    case 'colour':
    case 'lane':
    case 'tune':
    case 'silence':
      return [];
  }
}
export const drawsChance = (what: Shown): boolean => codesOf(what).some(drawsIn);

/** What is seen, heard or sent. */
export function show(run: Showing, action: Shown, offsetUs: number): void {
  const value = (code: Code) => evaluate(code, run);
  switch (action.kind) {
    case 'light':
      return run.effect({ offsetUs, kind: 'light', outputId: action.outputId, light: action.light });
    case 'level': {
      const levelPercent = clamp(value(action.percent), 0, 100);
      return run.effect({
        offsetUs,
        kind: 'light',
        outputId: action.outputId,
        light: { mode: 'level', levelPercent },
      });
    }
    case 'text': {
      const text = renderTemplate(action.text, run);
      return run.effect({ offsetUs, kind: 'text', outputId: action.outputId, row: action.row, text });
    }
    case 'sprite': {
      const [row, column] = [value(action.row), value(action.column)];
      const text = renderTemplate(action.text, run);
      return run.effect({ offsetUs, kind: 'sprite', outputId: action.outputId, row, column, text });
    }
    case 'lane': {
      const from = run.tables.slot[action.variable]!;
      const places = run.values.slice(from, from + run.tables.size[action.variable]!);
      const last = action.glyphs.length - 1;
      const text = places.map((place) => action.glyphs[clamp(place, 0, last)]).join('');
      return run.effect({ offsetUs, kind: 'text', outputId: action.outputId, row: action.row, text });
    }
    case 'tone': {
      const { outputId, lengthUs } = action;
      return run.effect({ offsetUs, kind: 'tone', outputId, hz: value(action.hz), lengthUs });
    }
    case 'colour':
    case 'tune':
    case 'silence':
      return run.effect({ offsetUs, ...action });
    case 'midi': {
      const first = clamp(value(action.first), 0, 127);
      const second = clamp(value(action.second), 0, 127);
      const bytes = [status[action.message] + action.channel - 1, first];
      if (action.message !== 'program') bytes.push(second);
      return run.effect({ offsetUs, kind: 'midi', outputId: action.outputId, bytes });
    }
    case 'type': {
      const text = renderTemplate(action.text, run);
      return run.effect({ offsetUs, kind: 'typed', outputId: action.outputId, text });
    }
    case 'move':
      return run.effect({ offsetUs, kind: 'move', outputId: action.outputId, value: value(action.to) });
  }
}

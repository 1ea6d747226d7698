import { defineLine } from '../flow/line/outputLine.ts';
import { lightColours } from './light.document.ts';
import { steps as pattern } from './steps.fields.ts';

export const light = defineLine<'light'>({
  kind: 'light',
  verbs: {
    on: (_line, outputId) => ({ kind: 'light', outputId, light: { mode: 'on' } }),
    off: (_line, outputId) => ({ kind: 'light', outputId, light: { mode: 'off' } }),
    blink: (line, outputId) => ({
      kind: 'light',
      outputId,
      light: { mode: 'blink', periodUs: line.fixedLength() },
    }),
    fade: (line, outputId) => {
      const levelPercent = line.number('a level in percent, 0 to 100', 0, 100);
      return { kind: 'light', outputId, light: { mode: 'fade', levelPercent, overUs: line.fixedLength() } };
    },
    level: (line, outputId) => ({ kind: 'level', outputId, percent: line.expression() }),
    colour: (line, outputId) => ({ kind: 'colour', outputId, colour: line.oneOf(lightColours) }),
    pattern: (line, outputId) => {
      const steps = line.plain(pattern.like, pattern.expected);
      return { kind: 'light', outputId, light: { mode: 'pattern', steps, stepUs: line.fixedLength() } };
    },
  },
  show(action, write) {
    if (action.kind === 'level') return `level ${write.expression(action.percent)}`;
    if (action.kind === 'colour') return `colour ${action.colour}`;
    const { light: told } = action;
    switch (told.mode) {
      case 'on':
      case 'off':
        return told.mode;
      case 'blink':
        return `blink ${write.length(told.periodUs)}`;
      case 'fade':
        return `fade ${told.levelPercent} ${write.length(told.overUs)}`;
      case 'pattern':
        return `pattern "${told.steps}" ${write.length(told.stepUs)}`;
    }
  },
});

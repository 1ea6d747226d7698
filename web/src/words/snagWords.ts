import type { SchemeName, SchemeRole, Snag, Vision } from '@hum-lever/core';
import { count, showBytes, showCurrent, showDuration } from '../shared/units.ts';
import { feelMendWords, feelSnagWords } from './feelSnagWords.ts';
import { flowMendWords, flowSnagWords } from './flowSnagWords.ts';
import { roleWords, schemeWords } from './menuWords.ts';
import { visionWords } from './visionWords.ts';
import { wiringMendWords, wiringSnagWords } from './wiringSnagWords.ts';

export interface SnagText {
  title: string;
  /** What, and why, with the numbers. */
  sentence: string;
  /** What the mend would do, as a verb; null where there is none. */
  mend: string | null;
}

type Values = Snag['values'];
const n = (value: string | number | undefined) => Number(value);
const us = (value: string | number | undefined) => showDuration(n(value));
const share = (perMille: number) => `${Math.round(perMille / 10)}\u202f%`;

const never: Record<string, (v: Values) => string> = {
  guard: () => 'its condition is never true',
  shadowed: (v) => `rule ${v.by} before it answers the same gesture every time`,
  outlived: (v) =>
    `it waits ${us(v.delayUs)}, but another timer always leaves the state after ${us(v.earlierUs)}`,
  walked: () => 'everything that the gadget can come to was tried, and it stayed silent',
  unheard: (v) => `${v.control} does not listen for ${v.gesture}`,
  oneLine: (v) => `${v.control} lies on the line of ${v.as}, and is only ever heard as that`,
};

/** One entry per rule of the core; `snagWords.test.ts` checks that none is missing. */
export const snagWords: Record<string, { title: string; say: (v: Values) => string }> = {
  ...wiringSnagWords,
  ...feelSnagWords,
  ...flowSnagWords,
  F12: {
    title: 'Presses are lost while it waits',
    say: (v) =>
      `In ${v.name} everything stands still for ${us(v.blockedUs)}. A press of ${us(v.pressUs)} in that time is missed ${share(n(v.lostPerMille))} of the time.`,
  },
  L01: {
    title: 'Nothing leads there',
    say: (v) => `No rule ever leads to ${v.name}: ${v.reached} of ${v.states} states can be reached.`,
  },
  L02: {
    title: 'No way out',
    say: (v) => `Once in ${v.name}, no rule leaves it. Only switching off and on again helps.`,
  },
  L03: {
    title: 'A press that nothing answers',
    say: (v) =>
      `In ${v.name}, nothing answers ${v.controls}, whatever is done with ${v.count === 1 ? 'it' : 'them'}.`,
  },
  L05: {
    title: 'A rule that can never fire',
    say: (v) => `Rule ${v.number} of ${v.state} never fires: ${never[String(v.reason)]!(v)}.`,
  },
  L13: {
    title: 'A change nobody can notice',
    say: (v) => `Going from ${v.from} to ${v.to} changes no light, no text and no sound.`,
  },
  S01: {
    title: 'Text does not fit',
    say(v) {
      // Displays of characters have places, and no fonts.
      const inCells = v.kind === 'text';
      const [unit, row] = inCells ? ['place', 'row'] : ['pixel', 'pixel row'];
      const ofFont = inCells ? '' : ` of ${v.font}`;
      const inFont = inCells ? 'places' : `pixels in ${v.font}`;
      switch (v.reason) {
        case 'row':
          return `“${v.text}” goes to row ${v.row}, but ${v.display} has ${v.rows}.`;
        case 'legend':
          return `On page ${v.page}, the legend “${v.text}” takes ${v.takes} ${inFont}; its share of ${v.display} is ${v.room}.`;
        case 'legends':
          return inCells
            ? `On page ${v.page}, there are more legends such as “${v.text}” than rows at the side of ${v.display}.`
            : `On page ${v.page}, legends such as “${v.text}” are ${v.takes} pixels high in ${v.font}; each has ${v.room} at the side of ${v.display}.`;
        case 'edge':
          return `On page ${v.page}, “${v.text}” takes up to ${v.length} characters${ofFont} and reaches from ${unit} ${v.left} to ${v.right}; ${v.display} has 0 to ${Number(v.widthPx) - 1}.`;
        case 'height':
          return `On page ${v.page}, “${v.text}” reaches from ${row} ${v.top} to ${v.bottom}; ${v.display} has 0 to ${Number(v.heightPx) - 1}.`;
        default:
          return `“${v.text}” takes up to ${v.length} characters; ${v.display} shows ${v.columns}.`;
      }
    },
  },
  S02: {
    title: 'A picture takes long',
    say: (v) =>
      v.reason === 'press'
        ? `The loop waits ${v.update === 'changed' ? 'up to ' : ''}${showDuration(Number(v.pictureUs))} for each picture that ${v.display} is sent; a press of ${showDuration(Number(v.shortestPressUs))} can come and go meanwhile, unread. A faster bus, larger pieces, or sending beside the loop where the chip can do that.`
        : `${v.display} is to show up to ${v.mostHz} pictures a second, but one takes ${showDuration(Number(v.pictureUs))} over its bus: ${v.possible} is the most.`,
  },
  S03: {
    title: 'No room for a picture',
    say: (v) =>
      `${v.display} is drawn in ${showBytes(Number(v.bytes))} of memory; ${v.board} has ${showBytes(Number(v.of))}, of which values and other parts leave ${showBytes(Number(v.free))}. A board with more memory, a display of fewer pixels, or one that is drawn a tile at a time.`,
  },
  S04: {
    title: 'A character that the font lacks',
    say: (v) =>
      v.font === ''
        ? `${v.display} has no shape for ${v.characters} ${v.cells === 'dots' ? 'of itself; it can be given up to eight characters of its own, drawn on sheet Screen. What else it has, its sheet says' : 'in its segments; other words, or a display of dots'}.`
        : `The font ${v.font} has no ${v.characters}: ${v.count === 1 ? 'a frame stands in its place' : 'frames stand in their places'} on ${v.display}.`,
  },
  S05: {
    title: 'Too deep for its task',
    say: (v) => {
      const allowed = [
        ...(Number(v.budgetPresses) >= 0 ? [count(Number(v.budgetPresses), 'press', 'presses')] : []),
        ...(Number(v.budgetUs) >= 0 ? [showDuration(Number(v.budgetUs))] : []),
      ].join(' and ');
      return `Setting ${v.item} as usual takes ${count(Number(v.presses), 'press', 'presses')} and ${showDuration(Number(v.timeUs))} from where ${v.menu} begins; the task “${v.task}” allows ${allowed}.`;
    },
  },
  S06: {
    title: 'Bright while nobody looks',
    say: (v) => {
      const light =
        v.from === 'behind'
          ? `The light behind ${v.display} draws ${showCurrent(Number(v.litUa))}, whatever it shows`
          : `${v.display} draws up to ${showCurrent(Number(v.litUa))} by its lit pixels`;
      const mend = {
        always: 'It is always on: Parts has how it is led to a pin.',
        switched:
          'It can only be switched: let a state that is entered after a while of nothing turn it off.',
      }[String(v.how)];
      return `${light}, and nothing makes it darker while nobody touches the gadget. By itself that would empty ${v.cell} in ${v.hours} hours.${mend === undefined ? '' : ` ${mend}`}`;
    },
  },
  S07: {
    title: 'A text that flickers',
    say: (v) =>
      `On ${v.display}, “${v.one}” and “${v.other}” change places ${v.perSecond} times a second in ${v.state}, while nobody does anything: neither can be read. Let the text be told less often, or of a mean.`,
  },
  S09: {
    title: 'The contrast is not trimmed',
    say: (v) =>
      v.reason === 'faint'
        ? `The trim of ${v.display} stands at ${v.contrast} %: what it shows can hardly be seen, and it looks dead. A real one comes like that; turn the trim before wires and program are suspected.`
        : `The trim of ${v.display} stands at ${v.contrast} %: all of its dots are dark, and nothing can be read in the blocks.`,
  },
  S10: {
    title: 'Told by colour alone',
    say: (v) => {
      const eyes = String(v.alikeFor).split(' ').filter(Boolean) as Vision[];
      const alike = eyes.map((vision) => visionWords[vision]).join(' and ');
      return `Only the colour of ${v.light} tells ${v.name} (${v.here}) from ${v.twin} (${v.there}).${alike === '' ? '' : ` To ${alike} the two look the same.`} Say it in another way, too: a rhythm, a text, a sound.`;
    },
  },
  S11: {
    title: 'Set, and never shown',
    say: (v) =>
      `Hands make ${v.variable} more or less, but nothing shows it, and nothing happens because of it: nobody notices how far it has come. Show it on a display, or let something be heard of it.`,
  },
  S12: {
    title: 'A page that nobody sees',
    say: (v) => `Nothing shows page ${v.page} of ${v.display}, and it is not the one that it begins with.`,
  },
  S13: {
    title: 'Nobody can get to it',
    say: (v) =>
      v.reason === 'nowhere'
        ? `${v.menu} is in no state yet: nobody comes to it. Say which state it is in.`
        : v.reason === 'keys'
          ? `${v.menu} is worked by ${schemeWords[v.scheme as SchemeName]}, and no control is its ${String(
              v.roles,
            )
              .split(' ')
              .map((role) => roleWords[role as SchemeRole])
              .join(', ')}.`
          : v.reason === 'empty'
            ? `There is nothing in ${v.item}.`
            : `${v.item} begins at ${v.from}: steps of ${v.step} never come to ${v.value}, which it is set to most often.`,
  },
  S14: {
    title: 'A question that a double tap runs through',
    say: (v) =>
      `${v.control} leads into ${v.state}, which asks, and says yes there: pressed twice in haste, it is done. Let another key say yes, or hold it.`,
  },
  X01: {
    title: 'Cannot be read',
    say: (v) => `“${v.text}”: ${v.message}. What it stands in does nothing until then.`,
  },
};

const effortWords = (v: Values) =>
  `${count(Number(v.presses), 'press', 'presses')}, ${showDuration(Number(v.timeUs))}`;

/** What each kind of mend does. */
export const mendWords: Record<string, (v: Values) => string> = {
  ...wiringMendWords,
  ...feelMendWords,
  ...flowMendWords,
  soundBeside: () => 'Let the loop go on while it sounds',
  waitInOwnState: (v) => `Make the wait a state of its own, “${v.name}”`,
  removeState: () => 'Remove the state',
  wayHome: (v) => `Let a tap of ${v.control} lead to ${v.home}`,
  moveUp: () => 'Move it before that rule',
  listen: () => 'Listen for it',
  hearAs: () => 'Wait for the key that it is heard as',
  removeRule: () => 'Remove the rule',
  widerDisplay: (v) => `Make the display ${v.columns} wide`,
  dimIdle: (v) => `Dim it to ${v.percent} % after ${v.seconds} s untouched`,
  trimContrast: (v) => `Turn the trim to ${v.contrast} %`,
  byTiles: (v) => `Draw it a tile at a time, in ${showBytes(Number(v.bytes))}`,
  takeTurns: () => 'Let voices take turns on it',
  removePage: (v) => `Take page ${v.page} out`,
  removeItem: (v) => `Take ${v.item} out`,
  itemFirst: (v) => `Put ${v.item} first, and all that it is in: ${effortWords(v)}`,
  itemOut: (v) =>
    `Put ${v.item} farther out, first in its list${v.emptied === '' ? '' : `, and take ${v.emptied} out, where nothing is left`}: ${effortWords(v)}`,
  giveKeys: (v) => `Work it by ${v.names}`,
  fitStep: (v) => `Set ${v.item} in steps of ${v.step}`,
  askFirst: (v) => `Hear the yes only after ${showDuration(Number(v.ms) * 1_000)}`,
  blinkHere: (v) => `Let ${v.light} blink in ${v.state}`,
  otherFont: (v) => `Write in ${String(v.font).replace('x', ' × ')}, which is no larger and has them`,
  sendWhole: (v) => `Send ${v.name} its pictures as they are seen`,
  fewerPictures: (v) => `Send at most ${v.hz} a second`,
};

export function sayingOf({ rule, values, mend }: Snag): SnagText {
  const words = snagWords[rule];
  return {
    title: words?.title ?? rule,
    sentence: words?.say(values) ?? JSON.stringify(values),
    mend: mend ? (mendWords[mend.key]?.(mend.values ?? {}) ?? mend.key) : null,
  };
}

export const levelWords: Record<Snag['level'], string> = {
  stop: 'Stops it working',
  likely: 'Likely to bite',
  note: 'Worth knowing',
};

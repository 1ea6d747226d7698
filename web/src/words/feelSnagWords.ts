import type { Snag } from '@hum-lever/core';
import { showDuration } from '../shared/units.ts';
import { settingWords } from './settingWords.ts';
import { gestureWords } from './gestureWords.ts';

type Values = Snag['values'];
type Words = Record<string, { title: string; say: (v: Values) => string }>;
const n = (value: string | number | undefined) => Number(value);
const us = (value: string | number | undefined) => showDuration(n(value));
const percent = (perMille: string | number | undefined) => `${(n(perMille) / 10).toFixed(1)}\u202f%`;

const clicks: Record<string, (v: Values) => string> = {
  several: (v) =>
    `One click of ${v.name} gives ${v.countsPerDetent} counts and a step is made of ${v.countsPerStep}: it takes ${n(v.countsPerStep) / n(v.countsPerDetent)} clicks for one step.`,
  parts: (v) =>
    `One click of ${v.name} gives ${v.countsPerDetent} counts and a step is made of ${v.countsPerStep}: one click makes ${n(v.countsPerDetent) / n(v.countsPerStep)} steps, and it can rest half way between.`,
  shortcut: (v) =>
    `${v.name} is read by the edges of one channel. Its bounce counts again each time: ${percent(v.extraPerMille)} steps too many at a leisurely turn, some of them backwards.`,
};

const quantities: Record<string, string> = {
  position: 'A position is even along the way',
  level: 'Loudness and brightness are judged by ratio',
  rate: 'Rates are judged by ratio',
};
const bands: Record<string, (v: Values) => string> = {
  ends: (v) =>
    `no dead band of ${v.endCounts} counts at its ends, so that noise keeps it from the last steps`,
  centre: (v) => `no dead band of ${v.centreCounts} counts about its middle, so that it never rests there`,
  both: (v) =>
    `no dead bands: ${v.endCounts} counts at the ends and ${v.centreCounts} about the middle would hold it against noise and its own rest`,
};

/** Snags of controls, from contact to meaning. */
export const feelSnagWords: Words = {
  F01: {
    title: 'One press counts twice',
    say: (v) =>
      `Of ${v.presses} presses of ${v.name}, played with its own switch, ${v.extra} came through more than once. It bounces for up to ${us(v.closeMaxUs)} closing and ${us(v.openMaxUs)} opening; the debouncing is over before that.`,
  },
  F02: {
    title: 'Quick presses get lost',
    say: (v) =>
      `${v.of} presses of ${us(v.pressUs)}, one every ${us(v.repeatUs)}, as a quick hand makes them: ${v.lost} of them never come through ${v.name}, because its debouncing takes longer than that.`,
  },
  F03: {
    title: 'Every tap is late',
    say: (v) =>
      `A tap of ${v.name} waits ${us(v.windowUs)} to see whether a second one follows.` +
      (v.needed === 1 ? ' That is the price of its double tap.' : ' No rule answers a double tap.'),
  },
  F04: {
    title: 'A tap can become a hold',
    say: (v) =>
      `${v.name} counts as held after ${us(v.holdUs)}. An unhurried tap lasts up to ${us(v.longTapUs)}: of ${v.tried} ordinary taps, ${v.asHold} were taken for holds.`,
  },
  F05: {
    title: 'Turned faster than it is read',
    say: (v) =>
      `A quick turn of ${v.name} takes ${us(v.turnUs)} and gives ${v.countsPerSecond} counts a second. That wants a reading every ${us(v.neededUs)}, oftener with bounce; the loop reads every ${us(v.periodUs)}, and ${percent(v.lostPerMille)} of the steps are lost.`,
  },
  F06: { title: 'A click is not a step', say: (v) => clicks[String(v.reason)]!(v) },
  F07: {
    title: 'A value that flickers',
    say: (v) =>
      `The narrowest step of ${v.name} is ${n(v.widthTenths) / 10} counts wide, and its noise reaches ${v.noiseCounts} counts${v.filter === 'none' ? '' : ' behind its filter'}; a step holds on for ${v.hysteresisCounts}. Untouched between two steps, it changes ${v.worst} times a minute; anywhere, ${v.usual} times.`,
  },
  F08: {
    title: 'The taper does not fit',
    say: (v) =>
      `Half way, ${v.name} gives ${v.middlePercent}\u202f% of its range. ${quantities[String(v.sets)]}: one end of the knob will do everything, the other nothing.`,
  },
  F09: {
    title: 'Clockwise lowers the value',
    say: (v) =>
      v.reason === 'flow'
        ? `Turning ${v.name} clockwise steps upwards, and the rules that answer lower what they set. Hands expect more from clockwise.`
        : `${v.name} is read the wrong way round: clockwise lowers its value. Hands expect more from clockwise.`,
  },
  F10: { title: 'Rest is not rest', say: (v) => `${v.name} has ${bands[String(v.where)]!(v)}.` },
  F11: {
    title: 'The press that wakes also acts',
    say: (v) =>
      v.reason === 'same'
        ? `The press of ${v.name} that wakes it from ${v.asleep} does something else besides, on its way to ${v.state}: nobody can see yet what they are doing.`
        : `Pressing ${v.name} in ${v.asleep} leads to ${v.state} at once, and there the same press goes on: as soon as it is ${gestureWords[v.gesture as keyof typeof gestureWords]}, something else answers.`,
  },
  F13: {
    title: 'One player is read before the other',
    say: (v) =>
      `In ${v.name}, ${v.first} and ${v.second} race, and both are read every ${us(v.periodUs)}, ${v.first} first. Of presses that answer the same signal, ${percent(v.tiesPerMille)} fall into the same reading, and ${v.first} wins all of those.`,
  },
  K02: {
    title: 'Scanned more slowly than a press',
    say: (v) =>
      `One look at the ${v.keys} keys of ${v.name} takes ${us(v.scanUs)}, and the loop turns every ${us(v.periodUs)}. With its debouncing, a press has to last ${us(v.neededUs)}; a short one lasts ${us(v.pressUs)}.`,
  },
};

const settingOfValues = ({ algorithm, ...params }: Values) =>
  settingWords({ algorithm: String(algorithm), params: params as Record<string, number> });

export const feelMendWords: Record<string, (v: Values) => string> = {
  safeDebounce: (v) => `Set ${settingOfValues(v)}`,
  noDouble: () => 'Stop listening for a double tap',
  longerHold: (v) => `Hold for ${us(v.holdUs)}`,
  readOftener: (v) => `Read the inputs every ${us(v.periodUs)}`,
  readSlower: (v) => `Give the loop ${us(v.periodUs)} a turn`,
  stepPerClick: (v) => `Make a step of ${v.countsPerStep} counts, read by the table`,
  hysteresis: (v) => `Let a step hold on for ${v.hysteresisCounts} counts`,
  steadier: (v) =>
    `Take the mean of ${v.readings} readings and hold on for ${v.hysteresisCounts} counts: all ${v.steps} steps stay, ${us(v.lateUs)} later`,
  fewerSteps: (v) => `Make it ${v.steps} steps that hold on for ${v.hysteresisCounts} counts`,
  matchTaper: (v) => (v.curve === 'even' ? 'Undo the taper' : 'Undo the taper and give the low end more way'),
  turnRound: () => 'Turn it round',
  deadBands: () => 'Give it dead bands',
  wakeByTap: () => 'Answer the tap, when the press is over',
};

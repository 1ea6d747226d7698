import { schemes, type Snag } from '@hum-lever/core';
import { showCurrent, showMoney, showOhms, showVolts } from '../shared/units.ts';
import { needWords, roleWords } from './partWords.ts';

type Values = Snag['values'];
/** As data sheets write it, with the number beside it. */
export const addressWords = (value: string | number | undefined) =>
  `0x${Number(value).toString(16).padStart(2, '0')} (${value})`;
type Words = Record<string, { title: string; say: (v: Values) => string }>;
const n = (value: string | number | undefined) => Number(value);
const ua = (value: string | number | undefined) => showCurrent(n(value));
const mv = (value: string | number | undefined) => showVolts(n(value));
const end = (v: Values) => `${v.name} (${v.terminal})`;
const needed = (value: string | number | undefined) => needWords[String(value)] ?? String(value);
export const schemeTitle = (id: string | number | undefined) =>
  schemes.find((one) => one.id === id)?.title ?? String(id);

const lacking: Record<string, string> = {
  analog: 'has no analog converter',
  radio: 'loses its converter while the radio is on',
  pwm: 'cannot dim (no PWM)',
  edge: 'cannot interrupt',
  usb: 'has no USB',
  bus: 'is not on that bus',
  in: 'cannot be read',
  digital: 'knows neither high nor low',
};

const levels: Record<string, (v: Values) => string> = {
  rail: (v) =>
    `${v.name} works from ${mv(v.minMv)} to ${mv(v.maxMv)}, and ${v.pin} gives it ${mv(v.supplyMv)}`,
  'too-low': (v) =>
    `${end(v)} takes a high from ${mv(v.needsMv)} on, and ${v.pin} drives ${mv(v.logicMv)}; it may work on the bench and not in the cold`,
  'too-high': (v) => `${end(v)} drives ${mv(v.supplyMv)} into ${v.pin}, which stands ${mv(v.logicMv)}`,
};

const lightFaults: Record<string, (v: Values) => string> = {
  none: (v) =>
    `${v.name} (${v.terminal}) has no resistor: it takes whatever the pin gives, until one of them dies`,
  much: (v) =>
    `${showOhms(n(v.ohms))} gives ${v.name} (${v.terminal}) ${ua(v.ua)}; it, or its pin, stands ${ua(v.mostUa)}`,
  little: (v) =>
    `${showOhms(n(v.ohms))} gives ${v.name} (${v.terminal}) ${ua(v.ua)} of the ${ua(v.wantUa)} wanted`,
  voltage: (v) =>
    `${v.name} (${v.terminal}) needs ${mv(v.forwardMv)} to light at all, and the pins give ${mv(v.logicMv)}`,
};

/** Rules about wiring, keys, power and what is wanted. */
export const wiringSnagWords: Words = {
  W01: { title: 'One pin, two masters', say: (v) => `${end(v)} and ${v.other} are both on ${v.pin}.` },
  W02: {
    title: 'That pin only listens',
    say: (v) => `${end(v)} is driven from ${v.pin}, which can only be an input.`,
  },
  W03: {
    title: 'The pin cannot do that',
    say: (v) => `${end(v)} needs ${needed(v.need)}; ${v.pin} ${lacking[String(v.lacks)] ?? 'cannot'}.`,
  },
  W04: {
    title: 'On the pins for uploading',
    say: (v) =>
      v.trap === 'upload'
        ? `${end(v)} shares ${v.pin} with the upload. A part that holds the line spoils it, one that listens sees its chatter.`
        : `${end(v)} shares ${v.pin} with the console and sees every message.`,
  },
  W05: {
    title: 'It can keep the board from starting',
    say: (v) =>
      `${v.pin} must be ${v.must} when power comes, and ${end(v)} can hold it ${v.held}; pressed while switching on, say.`,
  },
  W06: {
    title: 'Nothing pulls it',
    say: (v) =>
      v.outside === 1
        ? `${end(v)} is to have its pull outside, and none is fitted: open, it reads anything.`
        : `${v.pin} has no pull inside, and none is fitted for ${end(v)}: open, it reads anything.`,
  },
  W07: {
    title: 'A switch that can never change',
    say: (v) => `${v.name} is pulled ${v.pull} and switches to ${v.pin}: pressed or not, it reads the same.`,
  },
  W08: {
    title: 'That pin is not there',
    say: (v) =>
      v.hidden === 1
        ? `${v.pin} exists on the chip, but ${v.board} does not bring it out; ${end(v)} leads there.`
        : `${v.board} has no pin ${v.pin}; ${end(v)} leads there.`,
  },
  W09: {
    title: 'Two with one address',
    say: (v) => `${v.name} and ${v.other} both answer to address ${addressWords(v.address)} on one bus.`,
  },
  W10: {
    title: 'Bus pull-ups',
    say: (v) =>
      v.reason === 'missing'
        ? `Nothing pulls up the bus of ${v.devices}; its lines never get high.`
        : `The pull-ups of ${v.devices} are ${showOhms(n(v.ohms))} together: a device must sink ${ua(v.pullUa)}, and is only sure to sink ${ua(v.sinkUa)}.`,
  },
  W11: {
    title: 'Fighting for one timer',
    say: (v) => `On the pins that they have, these cannot each have a timer: ${v.rivals}.`,
  },
  W12: {
    title: 'It cannot wake from there',
    say: (v) => `${end(v)} is to wake the gadget, and ${v.pin} cannot.`,
  },
  W13: { title: 'Levels that do not meet', say: (v) => `${levels[String(v.reason)]!(v)}.` },
  W14: {
    title: 'Too much current',
    say: (v) =>
      v.scope === 'pin'
        ? `${end(v)} takes ${ua(v.ua)} from ${v.pin}, which gives ${ua(v.mostUa)}.`
        : `${v.count} lines take ${ua(v.ua)} from ${v.scope === 'port' ? `port ${v.port}` : 'all pins together'}, which give ${ua(v.mostUa)}. ${v.name} takes most.`,
  },
  W15: { title: 'Current of a light', say: (v) => `${lightFaults[String(v.reason)]!(v)}.` },
  W16: {
    title: 'More than it can carry',
    say: (v) =>
      v.scope === 'rail'
        ? `What hangs on the rails draws up to ${ua(v.ua)}; the board gives ${ua(v.mostUa)}. ${v.name} draws most.`
        : `${end(v)} draws up to ${ua(v.ua)} through ${v.pin}, which carries ${ua(v.mostUa)}.`,
  },
  W17: {
    title: 'Not enough pins',
    say: (v) =>
      n(v.pins) === 0
        ? `${v.board} has no pin for this: ${v.names}.`
        : `On ${v.board}, these ${v.demands} lines cannot all be met${v.minimal === 1 ? ', and any one less could' : ''}: ${v.names}. The pins that could take them: ${v.pinNames}.`,
  },
  W18: {
    title: 'One line, two keypads',
    say: (v) => `${v.pin} serves ${v.name} and ${v.other}: keys of the one answer for keys of the other.`,
  },
  P04: {
    title: 'Fed out of its range',
    say: (v) =>
      v.reason === 'over'
        ? `${v.cell} full gives ${mv(v.fullMv)} at ${v.pin}, which stands ${mv(v.limitMv)}. The board’s own sheet has the last word.`
        : `${v.pin} wants at least ${mv(v.limitMv)}; ${v.cell} gives it ${mv(v.usualMv)} in the middle of its charge and ${mv(v.emptyMv)} at its end${Number(v.usualMv) < Number(v.limitMv) ? ': it never works' : ': the rest of the charge is of no use'}.`,
  },
  W20: {
    title: 'A board that is not known here',
    say: (v) =>
      `The gadget names the board “${v.board}”, which is neither in the catalogue nor among its own: pins, levels and currents are not judged until it is there again, or another is chosen.`,
  },
  W21: {
    title: 'Nowhere to keep the settings',
    say: (v) =>
      v.of === 0
        ? `${v.names} should survive power-off, ${v.bytes} bytes of settings; ${v.board} keeps nothing, and no settings memory is among the parts.`
        : `${v.names} should survive power-off: ${v.bytes} bytes of settings, where there are ${v.of}.`,
  },
  W22: {
    title: 'A computer as one of its own devices',
    say: (v) =>
      `${v.board} is made to take keyboards and instruments on its USB. Whether it can be one, as ${v.name} wants, is for its own sheet to say; many cannot.`,
  },
  W19: {
    title: 'Not wired yet',
    say: (v) => `${v.name} still wants a pin for ${v.terminals}.`,
  },
  K01: {
    title: 'A chord that reads falsely',
    say: (v) =>
      `Held together, ${v.chord} in ${v.name} ${v.ghosts === '' ? '' : `also press ${v.ghosts}`}${v.ghosts !== '' && v.masked !== '' ? ' and ' : ''}${v.masked === '' ? '' : `hide ${v.masked}`}. ${v.wrong} of ${v.chords} chords read falsely.`,
  },
  K03: {
    title: 'Ladder levels too close',
    say: (v) =>
      n(v.gapTenths) < 0
        ? `The levels of ${v.name} overlap by ${-n(v.gapTenths) / 10} counts at ${n(v.tolerancePerMille) / 10}\u202f% resistors: some builds take one key for another.`
        : `The levels of ${v.name} are ${n(v.gapTenths) / 10} counts apart at worst; noise of ${v.noiseCounts} to either side closes that.`,
  },
  K04: {
    title: 'Keys and a light on one line',
    say: (v) =>
      v.pulls === 1
        ? `${v.pin} serves ${v.name} and scans ${v.other}: the light holds the line at ${mv(v.forwardMv)}, where a high begins at ${mv(v.highMv)} only, and keys are read falsely.`
        : `${v.pin} serves ${v.name} and scans ${v.other}: keys are read truly, as the light lets ${mv(v.forwardMv)} pass before it draws, but it glows for its share of a scan of ${v.lines} lines. Well if that is meant.`,
  },
  N04: {
    title: 'It knows one pitch only',
    say: (v) =>
      `${v.name} oscillates by itself at ${v.ownHz}\u202fHz; the flow asks it for ${v.pitches === 1 ? 'another pitch' : `${v.pitches} other pitches`}.`,
  },
  X02: {
    title: 'More than it can do',
    say: (v) => {
      switch (v.reason) {
        case 'always':
          return `The flow tells ${v.name} how bright to be, but the light behind it is always on: it stays as it is. Parts has how its light is led to pins.`;
        case 'switched':
          return `The flow tells ${v.name} to be dimmer, but the light behind it is only switched: it is as bright as ever.`;
        case 'onePicture':
          return `${v.name} is told to change over to pictures that are there, but it keeps only one: each is seen coming. Parts has how many it keeps.`;
        case 'oneColour':
          return `The flow tells ${v.name} a colour, but its light has just one: it stays as it is.`;
        default:
          return `${v.name} is made in ${v.own}; the flow tells it to turn ${v.asked}, and it stays as it is.`;
      }
    },
  },
  N07: {
    title: 'Amplifier and speaker',
    say: (v) =>
      v.reason === 'load'
        ? `${v.name}: a speaker of ${showOhms(n(v.speakerOhms))} is below the ${showOhms(n(v.leastOhms))} that the amplifier can drive.`
        : `${v.name}: from ${mv(v.supplyMv)} the amplifier gives up to ${v.mw}\u202fmW into ${showOhms(n(v.speakerOhms))}; the speaker stands ${v.speakerMw}\u202fmW.`,
  },
  P05: {
    title: 'Supplies joined',
    say: (v) => `${v.names} feed one and the same line: each drives current into the other.`,
  },
  P07: {
    title: 'No fuse at the cell',
    say: (v) =>
      `${v.name} sits in a metal case without a fuse: one chafed wire shorts it. The maker of the cell, and whoever knows the local rules, has the last word.`,
  },
  P11: {
    title: 'A pack charged like one cell',
    say: (v) =>
      `${v.pack} has ${v.inSeries} cells in series; ${v.name} is made for ${v.cells}. Charged one by one from one supply they are shorted through it, and can burn. The maker of the cells has the last word.`,
  },
  G01: {
    title: 'Kept, and nothing of it',
    say: (v) => `“${v.word}” is kept, but no part, task, state or output is its doing.`,
  },
  G02: { title: 'Nobody asked for it', say: (v) => `${v.name} belongs to no word that is kept.` },
  G04: {
    title: 'Dearer than wished',
    say: (v) =>
      `The bill comes to ${showMoney(n(v.worthCents), String(v.currency))}, wished were ${showMoney(n(v.wishCents), String(v.currency))}. Dearest is ${v.dearest} at ${showMoney(n(v.dearestCents), String(v.currency))}.`,
  },
};

export const wiringMendWords: Record<string, (v: Values) => string> = {
  movePin: (v) => `Lead it to ${v.pin}`,
  fitCompanion: (v) =>
    `Fit ${roleWords[String(v.role)] ?? 'it'}${n(v.ohms) > 0 ? ` of ${showOhms(n(v.ohms))}` : ''}`,
  leaveOut: () => 'Leave our own pull-ups out',
  raiseIt: (v) => `Put a booster to ${mv(v.outMv)} before it`,
  readdress: (v) => `Give it address ${addressWords(v.address)}`,
  otherScheme: (v) => `Read the keys another way: ${schemeTitle(v.scheme)}`,
  finerResistors: (v) => `Take ${n(v.tolerancePerMille) / 10}\u202f% resistors and choose the values anew`,
  passivePiezo: () => 'Take a passive piezo instead',
  otherSpeaker: (v) => `Take a speaker of ${showOhms(n(v.speakerOhms))}`,
  fewerBits: (v) => `Take samples of ${v.bits} bits`,
  diodeBetween: (v) => `Put a protection diode before ${v.pin}`,
  addFuse: () => 'Put a fuse right behind the cell',
  packCharger: (v) => `Take a charger made for ${v.cells} cells in series`,
  wordLater: () => 'Leave it for later',
};

import type { Snag } from '@hum-lever/core';
import { count, showBytes, showDuration } from '../shared/units.ts';
import { causeWords, excessWords } from './stillWords.ts';

type Values = Snag['values'];
const us = (value: string | number | undefined) => showDuration(Number(value));

const times = (value: string | number | undefined) =>
  value === 1 ? 'once' : `${Number(value).toLocaleString('en')} times`;

/** How long a memory lasts, in the unit that says it best. */
function lifetime(days: number): string {
  if (days < 60) return days === 1 ? 'a day' : `${days} days`;
  return days < 700 ? `${Math.round(days / 30)} months` : `${(days / 365).toFixed(1)} years`;
}

/** What is found by walking everything that the flow can come to, and by playing it. */
export const flowSnagWords: Record<string, { title: string; say: (v: Values) => string }> = {
  G03: {
    title: 'A task over its budget',
    say: (v) => {
      const presses = `${v.presses} presses, where ${v.budgetPresses} were to do`;
      const time = `${us(v.timeUs)}, where ${us(v.budgetUs)} were to do`;
      const over = v.over === 'both' ? `${presses}, and ${time}` : v.over === 'presses' ? presses : time;
      return `“${v.task}” takes ${over}, by the best way that there is.`;
    },
  },
  L04: {
    title: 'Two rules that can both fire',
    say: (v) =>
      `In ${v.state}, the conditions of rules ${v.first} and ${v.second} can hold at the same time. Rule ${v.first} always wins, because it stands first.`,
  },
  L06: {
    title: 'It never comes to rest',
    say: (v) =>
      `In ${v.name}, rules set one another off without anything happening: the gadget hangs. It takes ${v.steps} ${v.steps === 1 ? 'step' : 'steps'} to get there.`,
  },
  L07: {
    title: 'No way home',
    say: (v) =>
      Number(v.presses) < 0
        ? `From ${v.name} no press and no timer ever leads back to ${v.home}.`
        : `From ${v.name} it takes ${v.presses} presses to get back to ${v.home}; after ${v.most} most people switch off and on.`,
  },
  L08: {
    title: 'A slip cannot be undone',
    say: (v) => {
      const what = {
        wipes: `wipes ${v.lost}, which is kept through power-off`,
        state: `leads to ${v.lost}, which cannot be undone`,
        rule: 'does what cannot be undone',
        control: 'acts at once, although it is for something that cannot be undone',
      }[String(v.reason)]!;
      const where =
        Number(v.others) > 0 ? `${v.state} and ${count(Number(v.others), 'more state')}` : v.state;
      return `In ${where}, a mere press of ${v.control} ${what}: no hold, no condition, and nothing asks first.`;
    },
  },
  L09: {
    title: 'A variable leaves its range',
    say: (v) =>
      `A rule sets ${v.name} to ${v.wanted}; it goes from ${v.low} to ${v.high}, and stops there. Write clamp() into the rule if that is meant.`,
  },
  L10: {
    title: 'A timer outlives its purpose',
    say: (v) => `${v.timer} still runs in ${v.state}, where nothing listens to it.`,
  },
  L11: {
    title: 'An early press goes unpunished',
    say: (v) =>
      `${v.name} waits for a moment that chance picks, and a press of ${v.control} before it is not answered there: whoever presses all the time is never late in ${v.next}.`,
  },
  L12: {
    title: 'Won without playing',
    say: (v) =>
      v.player === 'idle'
        ? `“${v.task}” comes about in ${v.percent}\u202f% of ${v.rounds} rounds although nobody does anything.`
        : `“${v.task}” comes about in ${v.percent}\u202f% of ${v.rounds} rounds by mashing ${v.control} seven times a second.`,
  },
  L14: {
    title: 'Two states that look the same',
    say: (v) =>
      `${v.name} shows and sounds just what ${v.twin} does, and does other things: nobody can tell which one it is in.`,
  },
  L15: {
    title: 'A setting is lost at power-off',
    say: (v) => `${v.name} is set by hand and forgotten with the power.`,
  },
  L16: {
    title: 'Saved too often',
    say: (v) =>
      `${v.name} is written with every change, about ${v.writes} times a day. A memory that stands ${v.endurance} writes is worn out after ${lifetime(Number(v.days))}. The memory’s own sheet has its true figure.`,
  },
  L17: {
    title: 'A round without an end',
    say: (v) =>
      `Once begun, ${v.name} goes on when nobody plays any more: after ${v.minutes} minutes it has not come to an end.`,
  },
  L18: {
    title: 'The same chance every time',
    say: (v) =>
      `Random numbers, used in ${v.uses} ${v.uses === 1 ? 'place' : 'places'}, begin alike whenever the power comes on.`,
  },
  L19: {
    title: 'A slip when it changes',
    say: (v) => {
      const change =
        v.by !== ''
          ? `${v.by} can be faster`
          : Number(v.afterUs) > 0
            ? `it leaves it by itself after ${us(v.afterUs)}`
            : 'it leaves it by itself';
      const leads = v.leads === '' ? 'does something else' : `leads to ${v.leads}`;
      return `Somebody presses ${v.control} in ${v.from}, but ${change}: a press that was on its way, up to ${us(v.reactionUs)} by half of all people, lands in ${v.to} and ${leads}.`;
    },
  },
  L20: {
    title: 'Flashing that can harm',
    say: (v) =>
      `${v.light} flashes ${(Number(v.centiHz) / 100).toFixed(1)} times a second in ${v.where}${v.by === 'rules' ? ', switched by its rules' : ''}. Between 3 and 30 times a second can bring on seizures in some people: go below 3, tell whoever uses it, and follow local rules for what is shown in public.`,
  },
  S08: {
    title: 'Shown only when its line ends',
    say: (v) =>
      `What comes in over ${v.name} is gathered in ${v.text}, and shown once its line has ended: one that never ends is never seen.`,
  },
  X06: {
    title: 'A key that stays down',
    say: (v) =>
      `${v.where} presses ${v.key} on ${v.name}, and nothing ever lets it go: the computer takes it for held until the plug is pulled.`,
  },
  M01: {
    title: 'A note that can stick',
    say: (v) =>
      v.channel === 'keys'
        ? `What ${v.control} plays on ${v.name} is held until it is let go; but on some way it sounds on in ${v.state} with all keys up: their release is not heard there. A rule that ends it wherever a key can be let go, or that ends all on leaving, mends it.`
        : `A note on channel ${v.channel} of ${v.name} sounds while ${v.control} is held; but on some way it sounds on in ${v.state} with all of these let go: what is sent on letting go is missed, or names another note than began.`,
  },
  N01: {
    title: 'Out of tune',
    say: (v) => {
      const off = Number(v.tenthCents) / 10;
      const more =
        Number(v.pitches) === 1
          ? ''
          : ` ${v.pitches} of its ${v.of} pitches are as far off or farther than ten cents.`;
      return `Timer ${v.timer} of ${v.bits} bits makes ${Number(v.givesCentiHz) / 100}\u202fHz of the ${v.hz}\u202fHz that ${v.name} is asked for: ${Math.abs(off)} cents too ${off > 0 ? 'high' : 'low'}.${more} A wider timer, another board or a lower pitch comes nearer.`;
    },
  },
  N02: {
    title: 'A pitch that it cannot give',
    say: (v) =>
      `${v.name} gives ${v.lowHz} to ${v.highHz}\u202fHz; ${v.hz}\u202fHz, which it is asked for, sounds at ${v.heldHz}\u202fHz.${Number(v.pitches) === 1 ? '' : ` So do ${Number(v.pitches) - 1} others outside.`}`,
  },
  N03: {
    title: 'Notes that are never heard',
    say: (v) =>
      `${v.name} has ${v.voices} voices, and ${v.sounder} plays one at a time: ${v.unheard} of its ${v.notes} notes are never heard. In turns all of them are, roughly; or another sounder takes a voice.`,
  },
  N05: {
    title: 'Loud where an ear is near',
    say: (v) =>
      `${v.name} can be ${v.db}\u202fdB loud ${v.nearCm}\u202fcm away, where the nearest ear is: ${v.loudDb}\u202fdB at 10\u202fcm, as its part has it. From ${v.harmsDb}\u202fdB on hearing suffers where it lasts, and that of infants sooner; ${v.farCm}\u202fcm away it is no louder than that. Its maker’s paper and local rules come first.`,
  },
  N06: {
    title: 'Tunes and sounds larger than the memory',
    say: (v) => {
      const [tunes, sounds] = [Number(v.tunes), Number(v.sounds)];
      const kinds = [
        tunes > 0 &&
          `${count(tunes, 'tune')} ${tunes === 1 ? 'takes' : 'take'} ${showBytes(Number(v.tunesBytes))}`,
        sounds > 0 &&
          `${count(sounds, 'sound')} ${sounds === 1 ? 'takes' : 'take'} ${showBytes(Number(v.soundsBytes))}`,
      ].filter(Boolean);
      const shares =
        tunes + sounds === 1
          ? `${v.name} takes ${showBytes(Number(v.bytes))} of it.`
          : `${kinds.join(' and ')} of it, ${v.name} most: ${showBytes(Number(v.bytes))}.`;
      return `What is heard and shown takes ${showBytes(Number(v.used))} of the program, without the program itself; ${v.board} has ${showBytes(Number(v.of))}. ${shares}`;
    },
  },
  N08: {
    title: 'A file that is not there',
    say: (v) =>
      `In ${v.state}, ${v.name} is told file ${v.number}; ${Number(v.files) === 0 ? 'no file of its card is named yet' : `its card has ${count(Number(v.files), 'file')}, and none of that number`}. Nothing will be heard.`,
  },
  N09: {
    title: 'A carrier that does not do',
    say: (v) => {
      const kilo = (hz: unknown) => `${Number((Number(hz) / 1_000).toFixed(1))}\u202fkHz`;
      switch (v.reason) {
        case 'timer':
          return `${v.name} wants pulses of ${v.bits} bits; ${v.timer}, the timer of its pin, counts ${v.timerBits}.`;
        case 'slow':
          return `With ${v.bits} bits the pin of ${v.name} gives ${kilo(v.carrierHz)} of pulses, fewer than the ${v.rateHz} samples a second: some would never be played.`;
        default:
          return `With ${v.bits} bits the pulses of ${v.name} come at ${kilo(v.carrierHz)}: below about ${kilo(v.heardHz)} ears hear them beside every sound, as a whistle.`;
      }
    },
  },
  M02: {
    title: 'A chord that smears',
    say: (v) =>
      `In ${v.state}, ${v.notes} notes are told to ${v.name} at once; over the wire the last comes ${us(v.smearUs)} behind the first. From about ${us(v.limitUs)} on they are heard one after the other.`,
  },
  M03: {
    title: 'Channels that differ',
    say: (v) => {
      const more =
        Number(v.channels) === 1 ? '' : ` So it is with ${Number(v.channels) - 1} more of its channels.`;
      const there =
        Number(v.neighbours) === 1
          ? `${v.neighbour}, which stands there, ${v.way === 'out' ? 'hears' : 'sends on'} ${v.hears}`
          : `what stands there ${v.way === 'out' ? 'hears' : 'sends on'} ${v.hears}`;
      return v.way === 'out'
        ? `In ${v.state}, ${v.name} is told something on channel ${v.channel}; ${there}: nobody takes it.${more}`
        : `In ${v.state}, a rule waits for channel ${v.channel}; ${there}: it never comes.${more}`;
    },
  },
  M05: {
    title: 'Messages that do not fit',
    say: (v) => {
      const words = (kinds: unknown) =>
        String(kinds).replace('controls', 'controllers').replaceAll(' ', ' and ');
      return v.way === 'out'
        ? `In ${v.state}, ${v.name} is told ${words(v.kind)} on channel ${v.channel}; ${v.neighbour}, which hears that, takes ${words(v.takes)} alone.`
        : `In ${v.state}, a rule waits for ${words(v.kind)} on channel ${v.channel}; ${v.neighbour}, which sends there, sends ${words(v.takes)} alone.`;
    },
  },
  M04: {
    title: 'A knob that floods the wire',
    say: (v) =>
      `Swept in ${us(v.sweepUs)}, ${v.control} tells ${v.name} ${v.steps} times: ${us(v.wireUs)} of its wire. What is told meanwhile, notes too, waits behind that.`,
  },
  M06: {
    title: 'A number that its message cannot carry',
    say: (v) =>
      v.message === 'play'
        ? `In ${v.state}, notes that ${v.name} plays are moved to ${v.value}${v.always ? '' : ' as far as its values go'}: there are none beyond 0 and 127, and it is left out.`
        : `In ${v.state}, ${v.name} is told a number ${v.always ? 'that is never' : 'that need not be'} between 0 and ${v.most}: as far as its values go it can be ${v.value}, and goes out as ${v.held}.`,
  },
  M09: {
    title: 'Two keys, one note',
    say: (v) =>
      `In ${v.state}, ${v.first} and ${v.second} both begin note ${v.number} on channel ${v.channel}: held together, whichever is let go first ends it for both.`,
  },
  X07: {
    title: 'A key that can stay down',
    say: (v) =>
      `${v.key} on ${v.name} is held while ${v.control} is; but on some way ${v.control} is let go where nothing hears it, in ${v.state}, and the computer takes ${v.key} for held on.`,
  },
  X05: {
    title: 'Still empty',
    say: (v) =>
      `${v.names} ${v.count === 1 ? 'waits' : 'wait'} for what is to happen there: no rule, nothing on entering. Nothing else is said of ${v.count === 1 ? 'it' : 'them'} until then.`,
  },
  X03: {
    title: 'It stands still',
    say: (v) =>
      `${excessWords(String(v.excess))}: after ${us(v.atUs)} nothing happens any more. Most often it was ${causeWords(v)}, ${times(v.times)}${Number(v.overUs) > 0 ? ` within ${us(v.overUs)}` : ''}.`,
  },
  X04: {
    title: 'Dear to play',
    say: (v) =>
      `A second of it takes about ${us(v.realUs)} to work out here${Number(v.realUs) > 1_000_000 ? ', so that it plays slower than it would' : ''}. ${v.cause === 'loop' ? 'The loop itself takes most of it' : `The most frequent is ${causeWords(v)}, ${times(v.perSecond)} a second`}.`,
  },
};

export const flowMendWords: Record<string, (v: Values) => string> = {
  onlyOtherwise: (v) => `Let it fire only where rule ${v.first} does not`,
  holdInstead: (v) => `Want a hold of ${us(v.holdUs)} instead`,
  runningStatus: (v) => `Leave out status bytes that stay the same: ${us(v.smearUs)}`,
  mergeValues: (v) => `Let newer values take the places of older ones that wait in ${v.name}`,
  stopOnLeaving: () => 'Stop it where its state is left',
  onlyWake: () => 'Let that press do nothing but wake',
  ignoreAtFirst: (v) => `Ignore it for the first ${v.ms}\u202fms`,
  calmer: (v) => `Slow it down to ${Number(v.centiHz) / 100} a second`,
  earlyLoses: (v) => `Let an early press lead to ${v.home}`,
  showAtOnce: () => 'Show it with every character',
  keepQuiet: (v) => `Keep it, written once quiet for ${us(v.quietUs)}`,
  otherChance: (v) =>
    v.chance === 'press' ? 'Begin with the first press' : 'Begin with noise of the circuit',
};

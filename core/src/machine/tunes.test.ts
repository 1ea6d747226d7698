import { gadgetSchema, type SoundEffect, type Tone, type Tune, type Variable } from '../gadget/index.ts';
import { noteHz } from '../notes/index.ts';
import { outputOf, toldGadget } from '../test/toldGadget.ts';
import { notesInTurn, tuneOf } from '../test/tunes.ts';
import { looksOf, Machine, replay } from './index.ts';

/* Tunes of a sounder: what is heard of them when, and what goes before them. */

const hz = (note: number): number => Math.round(noteHz(note));
const scale = tuneOf([notesInTurn([[2, 60], [2, 62], [2, 64], [2, 65]])]); // prettier-ignore
const wind: Variable = {
  id: 'v1', kind: 'number', name: 'wind', saved: null, initial: 0, min: -1_000, max: 1_000, overflow: 'hold', unit: '',
}; // prettier-ignore
const exact = { ...(outputOf('tone', 'Piezo') as Tone), pitched: 'exact' as const };

function gadgetOf(told: readonly (readonly [number, string])[], tunes: Tune[], patch: Partial<Tone> = {}) {
  return gadgetSchema.parse(toldGadget({ ...exact, ...patch }, told, [wind], tunes));
}
/** What is heard, and what is not, in ms. */
function heard(
  told: readonly (readonly [number, string])[],
  tunes: Tune[] = [scale],
  patch: Partial<Tone> = {},
) {
  const trace = replay(gadgetOf(told, tunes, patch), [], 6_000_000, 1);
  return {
    tones: trace.flatMap((entry) => (entry.lane === 'tone' ? [[entry.atUs / 1_000, entry.hz]] : [])),
    unheard: trace.flatMap((entry) => (entry.lane === 'unheard' ? [[entry.atUs / 1_000, entry.note]] : [])),
  };
}

describe('a tune', () => {
  it('begins when it is told to, is moved as it is told, and ends by itself', () => {
    expect(heard([[500, 'Piezo perform Storm']])).toEqual({
      tones: [
        [500, hz(60)],
        [750, hz(62)],
        [1_000, hz(64)],
        [1_250, hz(65)],
        [1_500, 0],
      ],
      unheard: [],
    });
    const moved = heard([[500, 'Piezo perform Storm by 12 at 240']]).tones;
    expect(moved).toEqual([
      [500, hz(72)],
      [625, hz(74)],
      [750, hz(76)],
      [875, hz(77)],
      [1_000, 0],
    ]);
  });

  it('goes no further when it is told so, begins anew, or is silent with all else', () => {
    const cut = [500, 'Piezo perform Storm'] as const;
    const begun = [
      [500, hz(60)],
      [750, hz(62)],
    ];
    for (const words of ['Piezo finish', 'Piezo silence'])
      expect(heard([cut, [900, words]]).tones).toEqual([...begun, [900, 0]]);
    expect(heard([cut, [900, 'Piezo perform Storm']]).tones.slice(2, 4)).toEqual([
      [900, hz(60)],
      [1_150, hz(62)],
    ]);
    // What has no end takes the sounder for good.
    expect(heard([cut, [900, 'Piezo tone 300']]).tones).toEqual([...begun, [900, 300]]);
  });

  it('goes on at another tempo from where it is, and back, and every note is where that puts it', () => {
    const { tones } = heard([
      [500, 'Piezo perform Storm'],
      // Half of the second note is played: the other half takes 62.5 ms, and then each 125.
      [875, 'Piezo pace 240'],
      // Half of the third.
      [1_000, 'Piezo pace 120 by -1'],
    ]);
    expect(tones).toEqual([
      [500, hz(60)],
      [750, hz(62)],
      [937.5, hz(64)],
      [1_000, hz(63)],
      [1_125, hz(64)],
      [1_375, 0],
    ]);
  });

  it('is paced by what is worked out, held to tempos that there are; 0 is as it is written', () => {
    const twoNotes = heard([
      [500, 'Piezo perform Storm at wind - 5'],
      [510, 'Piezo finish'],
      [1_000, 'wind = 1000; Piezo perform Storm at wind'],
    ]).tones;
    // 600 beats a minute at most: 50 ms a note.
    expect(twoNotes.slice(2, 4)).toEqual([
      [1_000, hz(60)],
      [1_050, hz(62)],
    ]);
    const written = heard([
      [500, 'Piezo perform Storm at 240'],
      [500, 'Piezo pace 0'],
    ]).tones;
    expect(written[1]).toEqual([750, hz(62)]);
  });
});

describe('what goes before a tune', () => {
  it('is what has an end: it is heard again behind that, where it is by then', () => {
    const { tones, unheard } = heard([
      [500, 'Piezo perform Storm'],
      [700, 'Piezo tone 900 for 400 ms'],
    ]);
    expect(tones).toEqual([
      [500, hz(60)],
      [700, 900],
      [1_100, hz(64)],
      [1_250, hz(65)],
      [1_500, 0],
    ]);
    expect(unheard).toEqual([
      [750, 62],
      [1_000, 64],
    ]);
  });

  it('and one that begins under what has an end waits for it unheard', () => {
    const { tones, unheard } = heard([
      [500, 'Piezo tune 900 300 ms, 950 300 ms'],
      [600, 'Piezo perform Storm'],
    ]);
    expect(tones.slice(0, 4)).toEqual([
      [500, 900],
      [800, 950],
      // What comes in the moment in which that ends is heard as it is then.
      [1_100, hz(64)],
      [1_350, hz(65)],
    ]);
    expect(unheard).toEqual([[600, 60], [850, 62]]); // prettier-ignore
  });

  it('is what keys hold', () => {
    const cells = [72, 255];
    const table: Variable = {
      id: 'v2',
      kind: 'table',
      name: 'Notes',
      saved: null,
      columns: 1,
      numbers: cells,
    };
    const told = [
      [500, 'Piezo perform Storm'],
      [600, 'Piezo sing 3, Notes[0]'],
      [1_100, 'Piezo hush 3'],
    ] as const;
    const trace = replay(toldGadget(exact, told, [table], [scale]), [], 2_000_000, 1);
    const tones = trace.flatMap((entry) => (entry.lane === 'tone' ? [[entry.atUs / 1_000, entry.hz]] : []));
    expect(tones).toEqual([
      [500, hz(60)],
      [600, hz(72)],
      [1_100, hz(64)],
      [1_250, hz(65)],
      [1_500, 0],
    ]);
  });
});

describe('a tune that comes again', () => {
  const round = { ...scale, againFrom: 0 };

  it('never drifts: after ten thousand rounds a note is where it has to be', () => {
    const third = { ...round, beatsPerMinute: 97, stepsPerBeat: 3 };
    const machine = new Machine(gadgetOf([[0, 'Piezo perform Storm']], [third]), 1);
    machine.advanceTo(3_000_000_000);
    machine.takeTrace();
    machine.advanceTo(3_001_000_000);
    const stepUs = 60_000_000 / (97 * 3);
    const entries = machine.takeTrace().filter(({ lane }) => lane === 'tone');
    expect(entries.length).toBeGreaterThan(1);
    for (const { atUs } of entries) {
      // Told with the first turn of the loop.
      const steps = (atUs - 1_000) / stepUs;
      expect(Math.abs(steps - Math.round(steps)) * stepUs).toBeLessThanOrEqual(1);
    }
  });

  it('goes on from a snapshot as if nothing had been, and over an edit of it', () => {
    const gadget = gadgetOf([[0, 'Piezo perform Storm']], [round]);
    const whole = new Machine(gadget, 1);
    whole.advanceTo(5_000_000);
    const first = new Machine(gadget, 1);
    first.advanceTo(2_345_000);
    const before = first.takeTrace();
    const second = Machine.restore(gadget, JSON.parse(JSON.stringify(first.snapshot())));
    second.advanceTo(5_000_000);
    expect([...before, ...second.takeTrace()]).toEqual(whole.takeTrace());

    const higher = { ...round, voices: tuneOf([notesInTurn([[2, 60], [2, 74], [2, 64], [2, 65]])]).voices }; // prettier-ignore
    const edited = new Machine(gadget, 1);
    edited.advanceTo(2_345_000);
    edited.takeTrace();
    edited.adopt({ ...gadget, tunes: [higher] });
    edited.advanceTo(4_000_000);
    const pitches = edited.takeTrace().flatMap((entry) => (entry.lane === 'tone' ? [entry.hz] : []));
    // The note that sounds is the old one yet.
    expect(pitches.slice(0, 4)).toEqual([hz(64), hz(65), hz(60), hz(74)]);
    // It is taken away: silence, at the next note.
    edited.adopt({ ...gadget, tunes: [], flow: { ...gadget.flow, states: [{ ...gadget.flow.states[0]!, rules: [] }] } }); // prettier-ignore
    edited.advanceTo(5_000_000);
    expect(edited.snapshot().shown.outputs.o1).toMatchObject({ hz: 0, music: null });
  });
});

describe('several voices of a tune', () => {
  const two = tuneOf([notesInTurn([[4, null], [4, 72]]), notesInTurn([[2, 48], [4, 50]])]); // prettier-ignore

  it('are heard one at a time, or in turns, or one of them alone', () => {
    const told = [[500, 'Piezo perform Storm']] as const;
    expect(heard(told, [two], { lowHz: 50 }).tones).toEqual([
      [500, hz(48)],
      [750, hz(50)],
      [1_000, hz(72)],
      [1_500, 0],
    ]);
    const turns = heard(told, [two], { lowHz: 50, takes: 'turns', turnUs: 25_000 });
    const both = turns.tones.filter(([ms]) => ms! >= 1_000 && ms! < 1_240);
    expect(both).toHaveLength(10);
    expect(new Set(both.map(([, pitch]) => pitch))).toEqual(new Set([hz(72), hz(50)]));
    expect(heard([[500, 'Piezo perform Storm voice 2']], [two], { lowHz: 50 }).tones).toEqual([
      [500, hz(48)],
      [750, hz(50)],
      [1_250, 0],
    ]);
  });
});

describe('an effect', () => {
  const leap: SoundEffect = {
    id: 'e1', name: 'Leap', fromHz: 300, toHz: 1_200, lengthUs: 45_000, curve: 'even', stairs: 3, tremblesCents: 0, noiseCents: 0,
  }; // prettier-ignore
  const tones = (told: readonly (readonly [number, string])[], seed = 1) =>
    replay(toldGadget(exact, told, [wind], [scale], [leap]), [], 3_000_000, seed).flatMap((entry) =>
      entry.lane === 'tone' ? [[entry.atUs / 1_000, entry.hz]] : [],
    );

  it('goes its way frame by frame, ends when it is over, and goes before a tune', () => {
    expect(tones([[500, 'Piezo effect Leap']])).toEqual([
      [500, 300],
      [520, 600],
      [540, 1_200],
      [545, 0],
    ]);
    expect(tones([[500, 'Piezo perform Storm'], [600, 'Piezo effect Leap']]).slice(0, 5)).toEqual([
      [500, hz(60)],
      [600, 300],
      [620, 600],
      [640, 1_200],
      [645, hz(60)],
    ]); // prettier-ignore
  });

  it('is moved by what is worked out, another one ends it, and chance moves it each time', () => {
    expect(tones([[500, 'Piezo effect Leap by 1200']])[0]).toEqual([500, 600]);
    expect(tones([[500, 'Piezo effect Leap'], [510, 'Piezo silence']])).toEqual([[500, 300], [510, 0]]); // prettier-ignore
    const begun = [1, 2, 3, 4].map(
      (seed) => tones([[500, 'Piezo effect Leap by random(1200)']], seed)[0]![1],
    );
    expect(new Set(begun).size).toBeGreaterThan(2);
    for (const one of begun) expect(one).toBeLessThanOrEqual(600);
  });
});

describe('what is told of a tune', () => {
  const round = tuneOf([notesInTurn([[2, null], [2, 60]])], { againFrom: 0 }); // prettier-ignore
  const told = (given: readonly (readonly [number, string])[]) =>
    replay(gadgetOf(given, [round]), [{ atUs: 3_000_000, controlId: 'gadget', what: 'power', event: 'cycle' }], 3_400_000, 1)
      .flatMap((entry) => (entry.lane === 'tune' ? [[entry.atUs / 1_000, entry.tuneId]] : [])); // prettier-ignore

  it('is where it begins and where it goes no further, whatever ends it', () => {
    const begins = [500, 'Piezo perform Storm'] as const;
    const ends = [[900, 'Piezo finish'], [900, 'Piezo silence'], [900, 'Piezo tone 300']] as const; // prettier-ignore
    for (const end of ends) expect(told([begins, end]).slice(0, 2)).toEqual([[500, 'a1'], [900, null]]); // prettier-ignore
    // With the power; and begun anew, as the first state is entered anew.
    expect(told([begins]).slice(0, 2)).toEqual([[500, 'a1'], [3_000, null]]); // prettier-ignore
    // What is covered goes on.
    expect(told([begins, [600, 'Piezo tone 900 for 100 ms']])[1]).toEqual([3_000, null]);
  });

  it('looks like one thing as it goes on, and like another than silence in its rests', () => {
    const machine = new Machine(gadgetOf([[500, 'Piezo perform Storm']], [round]), 1);
    const looks = [400, 600, 800, 1_100].map((ms) => {
      machine.advanceTo(ms * 1_000);
      return looksOf(machine.shown.outputs).o1;
    });
    expect(looks).toEqual([0, { tune: 'a1', voice: null }, looks[1], looks[1]]);
  });
});

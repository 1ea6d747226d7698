import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { tuneEncodings, tuneMemory } from '../notes/index.ts';
import { loudnessArbitrary, notesInTurn, ornamentArbitrary, tuneOf } from '../test/tunes.ts';
import { printTuneTable } from './tuneTable.ts';

const bytesIn = (text: string): number[][] =>
  [...text.matchAll(/\[(\d+)\] = \{([^}]*)\}/g)].map(([, length, list]) => {
    const bytes = list!
      .split(',')
      .map((one) => one.trim())
      .filter(Boolean)
      .map(Number);
    expect(bytes).toHaveLength(Number(length));
    return bytes;
  });

describe('a tune as tables of bytes', () => {
  const note = fc.tuple(
    fc.integer({ min: 1, max: 3 }),
    fc.option(fc.integer({ min: 60, max: 63 })),
    fc.option(ornamentArbitrary, { freq: 4 }),
    loudnessArbitrary,
  );
  // Phrases that come again, with ornaments or without: each way is the shortest of some.
  const voice = fc
    .tuple(fc.array(note, { minLength: 1, maxLength: 12 }), fc.integer({ min: 1, max: 5 }), fc.boolean())
    .map(([notes, times, plain]) =>
      notesInTurn(
        Array.from({ length: times }, () =>
          notes.map(
            ([steps, one, ornament, percent]) =>
              [steps, one, plain || one === null ? null : ornament, plain ? 100 : percent] as const,
          ),
        ).flat(),
      ),
    );
  it('is read back note by note, whatever way is the shortest', () => {
    const used = new Set<string>();
    fc.assert(
      fc.property(fc.array(voice, { minLength: 1, maxLength: 2 }), (voices) => {
        const tune = tuneOf(voices);
        const { best } = tuneMemory(tune);
        used.add(best);
        const read = bytesIn(printTuneTable(tune)).map((bytes) => tuneEncodings[best].read(bytes));
        expect(read).toEqual(voices);
      }),
      { seed: 4, numRuns: 100 },
    );
    expect([...used].sort()).toEqual(Object.keys(tuneEncodings).sort());
  });
  it('compiles without a warning, whatever it is called', () => {
    const tune = {
      ...tuneOf([notesInTurn([[4, 72]]), notesInTurn([[4, 60]])]),
      name: '*/ int x; ??/\\ "Été" 3',
    };
    const named = { ...tune, voices: tune.voices.map((one) => ({ ...one, name: 'Été */' })) };
    const folder = mkdtempSync(join(tmpdir(), 'hum-lever-tune-'));
    const file = join(folder, 'tune.c');
    const use = [...printTuneTable(named).matchAll(/char (\w+)\[/g)]
      .map(([, name]) => `${name}[0]`)
      .join(' + ');
    writeFileSync(file, `${printTuneTable(named)}\nint main(void) { return (${use}) == 0; }\n`);
    const flags = ['-std=c99', '-Wall', '-Wextra', '-Wpedantic', '-Werror', '-fsyntax-only'];
    try {
      execFileSync('gcc', [...flags, file]);
    } finally {
      rmSync(folder, { recursive: true });
    }
    expect(use.split('+')).toHaveLength(2);
  });
});

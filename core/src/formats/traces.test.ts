import * as fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { cutTrace, type WireTrace } from '../feel/index.ts';
import type { Edge } from '../gadget/index.ts';
import {
  printTraceCsv,
  printVcd,
  readSamples,
  readTraceCsv,
  readVcd,
  traceKindOf,
  type TraceRead,
} from './index.ts';

const value = (read: TraceRead) => {
  if (read.outcome !== 'read') throw new Error(read.message);
  return read.value;
};
const edgesOf = (read: TraceRead, wire = 0) =>
  value(read).wires[wire]!.edges.map(({ atUs, level }) => [atUs, level]);

/** Any wire: changes alternate, whole µs apart. */
const wireArbitrary: fc.Arbitrary<WireTrace> = fc
  .tuple(fc.array(fc.integer({ min: 1, max: 500_000 }), { maxLength: 40 }), fc.constantFrom<0 | 1>(0, 1))
  .map(([gaps, first]) => {
    let atUs = 0;
    const edges = gaps.map((gap, n): Edge => ({
      atUs: (atUs += gap),
      level: (n % 2 === 0 ? 1 - first : first) as 0 | 1,
    }));
    return { name: 'key', first, edges, endUs: atUs + 1_000 };
  });

/* As logic analysers of several makes write them: sections on one line or many, buses, comments, other scales. */
const analyser = `$date Sat Nov 7 20:11 $end
$version capture 4.2 $end
$comment
  two channels
$end
$timescale
  10 ns
$end
$scope module top $end
$scope module pins $end
$var wire 1 ! D0 $end
$var wire 8 # bus [7:0] $end
$var reg 1 " D1 $end
$upscope $end
$upscope $end
$enddefinitions $end
#0
$dumpvars
1!
x"
b0101 #
$end
#125000
0!
#130000 1! #131500 0!
1"
#9000000
b1111 #
1!
`;

describe('a value change dump', () => {
  it('of another tool gives its one-bit wires in microseconds', () => {
    const read = readVcd(analyser);
    expect(value(read)).toMatchObject({ unit: 'us', said: true });
    expect(value(read).wires.map(({ name, first, endUs }) => [name, first, endUs])).toEqual([
      ['D0', 1, 90_000],
      ['D1', 0, 90_000],
    ]);
    expect(edgesOf(read)).toEqual([
      [1_250, 0],
      [1_300, 1],
      [1_315, 0],
      [90_000, 1],
    ]);
    expect(edgesOf(read, 1)).toEqual([[1_315, 1]]);
  });

  it('that a hardware simulator wrote is cut into the presses it was told to make', () => {
    const { wires } = value(
      readVcd(readFileSync(join(__dirname, '../test/stored/simulated-key.vcd'), 'utf8')),
    );
    expect(wires.map(({ name }) => name)).toEqual(['led', 'contact']);
    const cut = cutTrace(wires[1]!);
    expect(cut).toMatchObject({ idle: 1, left: 0, spikesUs: [], breaksUs: [] });
    expect(cut.presses).toEqual([
      { heldUs: 96_430, closeUs: [0, 350, 470, 1_370, 1_430], openUs: [0, 400, 1_900] },
      { heldUs: 70_330, closeUs: [0, 250, 330], openUs: [0] },
    ]);
    // The light that mirrors the contact gives the same presses.
    expect(cutTrace(wires[0]!).presses).toEqual(cut.presses);
  });

  it('of ours comes back as it was', () => {
    fc.assert(
      fc.property(fc.array(wireArbitrary, { minLength: 1, maxLength: 4 }), (wires) => {
        const back = value(readVcd(printVcd(wires))).wires;
        expect(back.map(({ edges, first }) => ({ edges, first }))).toEqual(
          wires.map(({ edges, first }) => ({ edges: [...edges], first })),
        );
      }),
      { seed: 41 },
    );
  });

  it.each([
    ['', 'expected "$enddefinitions"'],
    ['$timescale 3 us $end', 'expected a timescale'],
    ['hello', 'expected a "$" section'],
    ['$timescale 1 us $end $enddefinitions $end #0', 'at least one wire'],
    ['$var wire 1 ! a $end $enddefinitions $end #0', '"$timescale"'],
    ['$timescale 1 us $end $var wire 1 ! a $end $enddefinitions $end #5 1! #4 0!', 'times that rise'],
    ['$timescale 1 us $end $var wire 1 ! a $end $enddefinitions $end #-3', 'expected a time'],
    ['$timescale 1 us $end $var wire 1 ! a $end $enddefinitions $end #1 what', 'expected a change'],
    [
      '$timescale 1 s $end $var wire 1 ! a $end $enddefinitions $end #0 1! #90000 0!',
      'is the unit of time right',
    ],
  ])('of garbage says what was expected: %s', (text, message) => {
    const read = readVcd(text);
    expect(read.outcome === 'faulty' && read.message).toContain(message);
  });
});

describe('a table of times and levels', () => {
  it('of ours comes back as it was', () => {
    fc.assert(
      fc.property(wireArbitrary, (wire) => {
        const { wires, said } = value(readTraceCsv(printTraceCsv(wire)));
        expect(said).toBe(true);
        expect(wires[0]!.edges).toEqual([...wire.edges]);
      }),
      { seed: 42 },
    );
  });

  it('names its unit, or has it guessed and says so', () => {
    const unit = (text: string) => [value(readTraceCsv(text)).unit, value(readTraceCsv(text)).said];
    expect(unit('Time [s],D0\n0.0,0\n0.5,1')).toEqual(['s', true]);
    expect(unit('time_us;key\n0;0\n500;1')).toEqual(['us', true]);
    expect(unit('t (ms)\tkey\n0\t0\n500\t1')).toEqual(['ms', true]);
    expect(unit('Time (µs),key\n0,0\n500,1')).toEqual(['us', true]);
    expect(unit('0.000120,0\n0.4,1')).toEqual(['s', false]);
    expect(unit('0,0\n1250,1\n900000,0')).toEqual(['us', false]);
    expect(unit('12.5,0\n2300.5,1')).toEqual(['ms', false]);
    expect(unit('0,0\n2000000000,1')).toEqual(['ns', false]);
  });

  it('is read anew in the unit that somebody confirms', () => {
    const text = '0,0\n1250,1\n900000,0';
    expect(edgesOf(readTraceCsv(text))).toEqual([
      [1_250, 1],
      [900_000, 0],
    ]);
    expect(edgesOf(readTraceCsv(text, 'ns'))).toEqual([
      [1, 1],
      [900, 0],
    ]);
    expect(value(readTraceCsv(text, 'us')).said).toBe(true);
  });

  it('of voltages is cut at the middle of their range, of negative times begins at nothing', () => {
    const scope =
      '# captured\nSecond,Volt,Volt\n-0.001,3.28,0.02\n0.0,3.27,0.03\n0.001,0.05,0.02\n0.002,0.04,3.3\n';
    const read = readTraceCsv(scope);
    expect(value(read).wires.map(({ first }) => first)).toEqual([1, 0]);
    expect(edgesOf(read)).toEqual([[2_000, 0]]);
    expect(edgesOf(read, 1)).toEqual([[3_000, 1]]);
  });

  it('takes commas for decimals where semicolons part the columns', () => {
    expect(edgesOf(readTraceCsv('Zeit [s];D0\n0,0;0\n0,00125;1'))).toEqual([[1_250, 1]]);
  });

  it.each([
    ['', 'rows of a time and a level'],
    ['time,level', 'rows of a time and a level'],
    ['0,0\n1,up', 'row 2: expected 2 numbers'],
    ['0,0\n5,1\n3,0', 'row 3: expected times that rise'],
    ['Time [s],D0\n0,0\n90000,1', 'is the unit of time right'],
    ['<html><body>', 'rows of a time and a level'],
  ])('of garbage says what was expected: %s', (text, message) => {
    const read = readTraceCsv(text);
    expect(read.outcome === 'faulty' && read.message).toContain(message);
  });
});

describe('a list of samples', () => {
  it('has a change wherever two neighbours differ', () => {
    expect(edgesOf(readSamples('0 0 1,1\n0;1', 50))).toEqual([
      [100, 1],
      [200, 0],
      [250, 1],
    ]);
    expect(edgesOf(readSamples('001101', 50))).toEqual([
      [100, 1],
      [200, 0],
      [250, 1],
    ]);
  });
  it('of anything else says what was expected', () => {
    expect(readSamples('0 1 2', 50)).toMatchObject({
      outcome: 'faulty',
      message: expect.stringContaining('zeros and ones'),
    });
    expect(readSamples('', 50).outcome).toBe('faulty');
    expect(readSamples('01', 0).outcome).toBe('faulty');
  });
});

it('files are told apart by what is in them', () => {
  expect(traceKindOf(analyser)).toBe('vcd');
  expect(traceKindOf('Time [s],D0\n0,0\n1,1')).toBe('csv');
  expect(traceKindOf('0,0\n12,1\n19,0')).toBe('csv');
  expect(traceKindOf('0101110')).toBe('samples');
  expect(traceKindOf('0 1 0 0 1 1')).toBe('samples');
});

it('no text makes a reader throw', () => {
  const texts = fc.oneof(
    fc.string(),
    fc.string().map((tail) => analyser + tail),
    fc.string().map((tail) => `0,0\n${tail}`),
  );
  fc.assert(
    fc.property(texts, (text) => {
      for (const read of [readVcd(text), readTraceCsv(text), readSamples(text, 10)])
        expect(['read', 'faulty']).toContain(read.outcome);
    }),
    { seed: 43 },
  );
});

import * as fc from 'fast-check';
import { addPartEdit } from '../drawer/index.ts';
import { applyEdit, emptyGadget, type Gadget } from '../gadget/index.ts';
import { partKinds } from '../parts/index.ts';
import { gadgetOf, wired } from '../test/wiringFixtures.ts';
import { boards } from '../wiring/index.ts';
import {
  printBillCsv,
  printBoardJson,
  printPinsCsv,
  printWiringCsv,
  readBillCsv,
  readBoardJson,
  readGadget,
  readPinsCsv,
  type CsvRead,
} from './index.ts';

const value = <T>(read: CsvRead<T>): T => {
  if (read.outcome !== 'read') throw new Error(JSON.stringify(read.faults));
  return read.value;
};
const faults = (read: CsvRead<unknown>) =>
  read.outcome === 'faulty' ? read.faults.map(({ row, column }) => `${row} ${column}`) : read.outcome;

describe('the bill as a table', () => {
  it('comes back as it was, whatever is on it', () => {
    const name = fc
      .string({ minLength: 1, maxLength: 30, unit: 'grapheme' })
      .map((text) => text.replace(/[\u0000-\u001f\u007f\u2028\u2029]/g, '').trim())
      .filter((text) => text.length > 0 && !text.startsWith("'"));
    const rows = fc.uniqueArray(
      fc.record({
        kind: fc.constantFrom(...partKinds.map(({ id }) => id)),
        name,
        quantity: fc.integer({ min: 1, max: 999 }),
        have: fc.integer({ min: 0, max: 999 }),
        priceCents: fc.option(fc.integer({ min: 0, max: 99_999 })),
      }),
      { maxLength: 6, selector: ({ name: one }) => one },
    );
    fc.assert(
      fc.property(rows, (list) => {
        const gadget = list.reduce<Gadget>(
          (so, { kind, ...given }) => applyEdit(so, addPartEdit(so, kind, given)),
          emptyGadget('Any'),
        );
        const back = value(readBillCsv(emptyGadget('Any'), printBillCsv(gadget)));
        // A price that happens to be the usual one is written down as the usual one.
        const usual = (one: Gadget) =>
          one.parts.map(({ priceCents, kind, ...part }) => {
            const typical = partKinds.find(({ id }) => id === kind)!.priceCents;
            return { ...part, kind, priceCents: priceCents === typical ? null : priceCents };
          });
        expect(usual(back.gadget)).toEqual(usual(gadget));
        expect(readGadget(back.gadget).outcome).toBe('opened');
        expect(value(readBillCsv(gadget, printBillCsv(gadget)))).toMatchObject({
          added: 0,
          changed: list.length,
        });
      }),
      { seed: 61, numRuns: 60 },
    );
  });

  it('is read from a spreadsheet of another country, and changes what is there', () => {
    const gadget = applyEdit(emptyGadget('Any'), addPartEdit(emptyGadget('Any'), 'light', { name: 'Lamp' }));
    const text =
      '\uFEFFClass;Name;Each;Quantity;Figures\r\nlight;Lamp;0,35;4;wantUa=5000\r\nkey-matrix;Pad;;;rows=2; columns=2\r\n';
    const read = value(readBillCsv(gadget, text.replace('rows=2; columns=2', '"rows=2; columns=2"')));
    expect(read).toMatchObject({ added: 1, changed: 1 });
    expect(read.gadget.parts).toMatchObject([
      { id: 'p1', kind: 'light', priceCents: 35, quantity: 4, figures: { wantUa: 5_000 } },
      { kind: 'key-matrix', figures: { rows: 2, columns: 2 }, plays: ['b1', 'b2', 'b3', 'b4'] },
    ]);
  });

  it('names every fault by row and column, and changes nothing', () => {
    const gadget = emptyGadget('Any');
    const text = [
      'class,name,quantity,have,each,figures',
      'light,Lamp,0,1,0.10,',
      'lamp-post,Lamp 2,1,1,0.10,',
      'light,,1,x,abc,wings=2',
      'light,Lamp 3,1,0,0.10,wantUa=lots',
    ].join('\n');
    expect(faults(readBillCsv(gadget, text))).toEqual([
      '2 quantity',
      '3 class',
      '4 name',
      '4 have',
      '4 each',
      '4 figures',
      '5 figures',
    ]);
    expect(faults(readBillCsv(gadget, ''))).toEqual(['1 ']);
    expect(faults(readBillCsv(gadget, 'name\nLamp'))).toEqual(['1 class']);
    expect(faults(readBillCsv(gadget, 'class,name\nlight,"Lamp'))).toEqual(['2 ']);
    expect(faults(readBillCsv(gadget, `class,name\n${'light,L\n'.repeat(1_001)}`))).toEqual(['1002 ']);
  });

  it('runs nothing in a spreadsheet', () => {
    const gadget = applyEdit(emptyGadget('Any'), addPartEdit(emptyGadget('Any'), 'light', { name: '=1+1' }));
    expect(printBillCsv(gadget)).toContain("'=1+1");
    expect(value(readBillCsv(gadget, printBillCsv(gadget)))).toMatchObject({ changed: 1, added: 0 });
  });
});

describe('boards as files', () => {
  it.each(boards.map((board) => [board.id, board] as const))('%s comes back from both', (_id, board) => {
    expect(value(readPinsCsv(printPinsCsv(board)))).toEqual(board.pins);
    expect(readBoardJson(printBoardJson(board))).toEqual({ outcome: 'read', board });
  });

  it('name every fault', () => {
    const text = 'edge,port,pin,can\nleft,B,D1,in out\nbehind,B,D2,in\nleft,B,D1,in fly\nleft,B,D 3,in';
    expect(faults(readPinsCsv(text))).toEqual(['3 edge', '4 pin', '4 can', '5 pin']);
    expect(faults(readPinsCsv('pin,can\n'))).toEqual(['2 pin']);
    expect(readBoardJson('{')).toMatchObject({ outcome: 'invalid' });
    const twice = { ...boards[0]!, pins: [boards[0]!.pins[0]!, boards[0]!.pins[0]!] };
    expect(readBoardJson(JSON.stringify(twice))).toMatchObject({
      message: expect.stringContaining('pins.1.name: expected a pin name used once'),
    });
  });
});

describe('the wiring list as a table', () => {
  it('has a row for every wire', () => {
    const gadget = wired(gadgetOf('board-8bit-20', ['push-button'], ['cell'], ['fuse']));
    const rows = printWiringCsv(gadget).trim().split('\r\n');
    expect(rows[0]).toBe('part,terminal,to,soldered');
    expect(rows).toHaveLength(gadget.wiring.wires.length + 1);
    expect(rows).toContain('p3,in,p2 plus,no');
  });

  it('says where each key of a set goes', () => {
    const keys = gadgetOf(
      'board-8bit-20',
      ['push-button'],
      ['push-button'],
      ['push-button'],
      ['push-button'],
    );
    const rows = (scheme: string, params: Record<string, number>) =>
      printWiringCsv(
        applyEdit(keys, {
          name: 'addKeySet',
          args: [{ name: 'Keys', controlIds: ['b1', 'b2', 'b3', 'b4'], scheme, params, chords: [] }],
        }),
      )
        .trim()
        .split('\r\n')
        .slice(-4)
        .map((row) => row.replace(/^b\d,key,"?|"?,$/g, ''));
    expect(rows('matrix-diodes', { rows: 2 })).toEqual([
      'Keys row1 and col1, diode towards the first',
      'Keys row1 and col2, diode towards the first',
      'Keys row2 and col1, diode towards the first',
      'Keys row2 and col2, diode towards the first',
    ]);
    expect(rows('shift-register', {})[3]).toBe('Keys chip 1 input 4, other end to ground');
    expect(rows('direct', {})[1]).toBe('Keys key2, other end to ground');
    const ladder = rows('ladder', {
      pullOhms: 10_000,
      tolerancePerMille: 10,
      series: 24,
      adcBits: 10,
      noiseCounts: 3,
    });
    expect(ladder[0]).toBe('Keys level through 0 ohm, other end to ground');
    expect(new Set(ladder).size).toBe(4);
  });
});

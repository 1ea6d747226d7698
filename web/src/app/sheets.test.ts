import { checkGadget, readGadgetText } from '@hum-lever/core';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { sheetOf, sheets } from './sheets.ts';

const demo = join(__dirname, '../../../demo');

describe('snags lead to a sheet', () => {
  it('that exists, whatever the faulty demos find', () => {
    const ids = new Set(sheets.map(({ id }) => id));
    for (const folder of readdirSync(demo)) {
      const [first] = readdirSync(join(demo, folder))
        .filter((file) => /^1/.test(file))
        .sort();
      const read = readGadgetText(readFileSync(join(demo, folder, first!), 'utf8'));
      if (read.outcome !== 'opened') throw new Error(read.message);
      for (const { rule, place } of checkGadget(read.gadget).snags)
        expect(ids).toContain(sheetOf(rule, place));
    }
  });

  it.each([
    ['F01', 'control', 'feel'],
    ['L03', 'state', 'flow'],
    ['S01', 'rule', 'flow'],
    ['S01', 'page', 'screen'],
    ['S02', 'output', 'screen'],
    ['N06', 'output', 'sound'],
    ['X02', 'output', 'parts'],
    ['W07', 'part', 'wiring'],
    ['N04', 'part', 'parts'],
    ['P07', 'part', 'parts'],
    ['G02', 'part', 'parts'],
    ['G01', 'word', 'brief'],
    ['K01', 'keySet', 'wiring'],
    ['W17', 'board', 'wiring'],
    ['G04', 'board', 'parts'],
    ['G03', 'task', 'brief'],
  ] as const)('%s about a %s to %s', (rule, kind, sheet) => {
    expect(sheetOf(rule, { kind, id: 'x' })).toBe(sheet);
  });
});

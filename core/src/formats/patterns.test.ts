import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Explorer, usualLimits } from '../explore/index.ts';
import { checkGadget } from '../snag/index.ts';
import { runTrial, trialSchema } from '../trial/index.ts';
import { printGadget, readGadgetText } from './index.ts';

const folder = join(__dirname, '../../../patterns');
const text = (file: string) => readFileSync(join(folder, file), 'utf8');
const names = readdirSync(folder)
  .filter((file) => !file.endsWith('.trials.json'))
  .map((file) => file.replace(/\.json$/, ''))
  .sort();

describe('what a gadget can be begun from', () => {
  it('is eleven small gadgets, each with its own name and a purpose', () => {
    expect(names).toHaveLength(11);
    const gadgets = names.map((name) => JSON.parse(text(`${name}.json`)) as { name: string });
    expect(new Set(gadgets.map(({ name }) => name)).size).toBe(11);
  });

  it.each(names)(
    '%s: of this version, nothing wrong with it, every state reached, its trials pass',
    (name) => {
      const read = readGadgetText(text(`${name}.json`));
      if (read.outcome !== 'opened') throw new Error(read.message);
      const { gadget } = read;
      expect(printGadget(gadget)).toBe(text(`${name}.json`));
      expect(gadget.brief.purpose.split('\n')[0]).toMatch(/^[A-Z].{20,160}\.$/);
      expect(checkGadget(gadget)).toEqual({ snags: [], failed: [] });
      const explorer = new Explorer(gadget, { ...usualLimits, states: 30_000, edges: 120_000 });
      explorer.advance(Infinity);
      const { stateIds } = explorer.tables;
      const { states } = gadget.flow;
      const missed = states.filter(
        ({ id }) =>
          !states.some(({ parentId }) => parentId === id) && !explorer.entered[stateIds.indexOf(id)],
      );
      // Every picture of the two lanes is a state of its own: a trial comes to that end.
      expect(missed.map((state) => state.name)).toEqual(name === '7-lane-runner' ? ['Splash'] : []);
      const trials = (JSON.parse(text(`${name}.trials.json`)) as unknown[]).map((raw) =>
        trialSchema.parse(raw),
      );
      expect(trials.length).toBeGreaterThan(0);
      for (const trial of trials) {
        expect(trial.expectations.length).toBeGreaterThan(0);
        expect(runTrial(gadget, trial).result.passed).toBe(true);
      }
    },
  );
});

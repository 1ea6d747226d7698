import { applyEdit, type Gadget } from '../gadget/index.ts';
import { frozen, pressToLight, rule } from '../test/fixtures.ts';
import { compareFlows } from './compare.ts';

const before = frozen(pressToLight());
const changed = (...edits: Parameters<typeof applyEdit>[1][]): Gadget =>
  edits.reduce((gadget, edit) => applyEdit(gadget, edit), before);

describe('two revisions', () => {
  it('do the same where nothing changed, whatever the ids are', () => {
    expect(compareFlows(before, before)).toEqual([]);
    const renumbered = JSON.parse(JSON.stringify(before).replaceAll('"s2"', '"s7"')) as Gadget;
    expect(compareFlows(before, renumbered)).toEqual([]);
  });
  it('differ in cells, in timers, in what is done, and in states', () => {
    const { id: _id, ...timer } = rule('r9', {
      trigger: { kind: 'after', delay: 2_000_000 },
      targetIds: ['s1'],
    });
    const after = changed(
      { name: 'changeRule', args: ['r1', { guard: 'v1 < 5' }] },
      { name: 'addRule', args: ['s2', timer] },
      { name: 'changeState', args: ['s2', { exit: [{ kind: 'silence', outputId: 'o3' }] }] },
      { name: 'addState', args: ['Asleep'] },
    );
    expect(compareFlows(before, after)).toEqual([
      {
        kind: 'cell',
        state: 'Dark',
        event: 'Stir press',
        before: 'do count = count + 1 then Lit',
        after: 'if count < 5 do count = count + 1 then Lit',
      },
      { kind: 'rule', state: 'Lit', before: '', after: 'when after 2 s then Dark' },
      { kind: 'exit', state: 'Lit' },
      { kind: 'added', state: 'Asleep' },
    ]);
    expect(compareFlows(after, before).filter(({ kind }) => kind === 'removed')).toEqual([
      { kind: 'removed', state: 'Asleep' },
    ]);
  });
});

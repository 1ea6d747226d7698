import { addPartEdit } from '../drawer/index.ts';
import { applyEdit, type Edit, type Gadget } from '../gadget/index.ts';
import { frozen, pressToLight, rule } from '../test/fixtures.ts';
import { paged } from '../test/screenCases.ts';
import { cardOf, changesBetween, portraitOf } from './index.ts';

const gadget = frozen(pressToLight());
const after = (edit: Edit): Gadget => applyEdit(gadget, edit);

describe('changes between two documents', () => {
  it('are none where they are alike', () => {
    expect(changesBetween(gadget, structuredClone(gadget))).toEqual([]);
  });
  it('tell a part without what it brings along, both ways', () => {
    const more = after(addPartEdit(gadget, 'push-button', { name: 'Stir' }));
    expect(changesBetween(gadget, more)).toEqual([{ how: 'added', what: 'part', name: 'Stir' }]);
    expect(changesBetween(more, gadget)).toEqual([{ how: 'removed', what: 'part', name: 'Stir' }]);
  });
  it('tell a new rule by its state, and that state, whose order it is in', () => {
    const [first] = gadget.flow.states;
    const more = structuredClone(gadget);
    more.flow.states[0]!.rules.push(rule('r99', { targetIds: [] }));
    expect(changesBetween(gadget, more)).toEqual([
      { how: 'added', what: 'rule', name: first!.name },
      { how: 'changed', what: 'state', name: first!.name },
    ]);
  });
  it('tell whatever else is different, each kind once', () => {
    const more = structuredClone(gadget);
    more.brief.purpose = 'To call the puppeteers';
    more.loop.periodUs += 1;
    more.hands.holdFeltUs += 1;
    more.wiring.radioOn = !more.wiring.radioOn;
    expect(changesBetween(gadget, more).map(({ what }) => what)).toEqual(['purpose', 'pins', 'settings']);
  });
});

describe('the card of a gadget', () => {
  it('has the first line of its purpose, its snags by level and its last changes', () => {
    const lost = structuredClone(gadget);
    lost.brief.purpose = ' A bell for the booth.\nAnd more. ';
    lost.flow.states[0]!.rules = [];
    lost.wiring.radioOn = !lost.wiring.radioOn;
    const card = cardOf(lost, gadget);
    expect(card.purpose).toBe('A bell for the booth.');
    expect(card.snags.likely + card.snags.stop).toBeGreaterThan(0);
    expect(card.changes).toHaveLength(3);
    expect(card.more).toBe(changesBetween(gadget, lost).length - 3);
    expect(cardOf(gadget, null)).toMatchObject({ changes: [], more: 0 });
  });
  it('has a picture as it is switched on, without what it does', () => {
    const { gadget: drawn, outputs } = portraitOf(gadget);
    expect(Object.keys(outputs)).toEqual(gadget.outputs.map(({ id }) => id));
    expect(drawn).toMatchObject({ controls: gadget.controls, parts: gadget.parts });
    expect(drawn.flow.states).toEqual([]);
    expect(JSON.parse(JSON.stringify(outputs))).toEqual(outputs);
  });
  it('has the pictures that its displays draw, and no others', () => {
    const element = { kind: 'drawPicture', outputId: 'o1', onlyIf: '1', blinks: 'steady', ink: '1', group: 0, x: '0', y: '0', frame: '0', how: 'over' } as const; // prettier-ignore
    const drawing: Gadget = {
      ...paged([{ ...element, pictureId: 'f2' }]),
      pictures: [
        { id: 'f1', name: 'Unseen', frames: [['#']] },
        { id: 'f2', name: 'Seen', frames: [['#']] },
      ],
    };
    expect(portraitOf(drawing).gadget.pictures.map(({ name }) => name)).toEqual(['Seen']);
  });
});

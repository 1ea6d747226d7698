import {
  addPartEdit,
  boardOf,
  choicesFor,
  editGadget,
  emptyGadget,
  fitted,
  layWiring,
  netsOf,
  type Gadget,
} from '@hum-lever/core';
import { choiceValue, leadEdit, natural, needOf, placeName, stageOfLead, wireValue } from './leads.ts';

const add = (gadget: Gadget, kind: string) => editGadget(gadget, addPartEdit(gadget, kind));
const parts = ['push-button', 'light', 'settings-memory', 'cell', 'fuse'].reduce(add, emptyGadget('Bench'));
const board = editGadget(parts, { name: 'chooseBoard', args: ['board-8bit-20'] });
const laid = layWiring(board, boardOf(board)!);
if (laid.outcome !== 'laid') throw new Error('expected a wiring');
const gadget = editGadget(board, { name: 'layWires', args: [laid.wires] });

let current = gadget;
const nets = () => netsOf(current);
const end = (id: string, name: string) =>
  nets().leads.find(({ owner, terminal }) => owner.id === id && terminal.name === name)!;
const leadTo = (id: string, name: string, value: string) => {
  current = editGadget(current, leadEdit(end(id, name), value));
};

beforeEach(() => {
  current = gadget;
});

describe('ends of the wiring', () => {
  it('are said in words, with the stage that they belong to', () => {
    expect(needOf(end('p1', 'contact'))).toBe('input');
    expect(needOf(end('p3', 'sda'))).toBe('bus data (SDA)');
    expect(needOf(end('p5', 'in'))).toBe('takes supply');
    const driver = { role: 'driver-transistor', forId: 'p2', terminal: 'anode', value: 1_000, quantity: 1 };
    current = editGadget(current, { name: 'decide', args: [[fitted(driver)]] });
    expect([needOf(end('p2', 'anode')), needOf(end('p2', 'cathode'))]).toEqual([
      'output, by a transistor',
      'ground, through the transistor',
    ]);
    expect([stageOfLead(end('p1', 'contact')), stageOfLead(end('p2', 'anode'))]).toEqual([
      'contact',
      'output',
    ]);
  });

  it('say where they lead: a pin, or an end of another part', () => {
    expect(placeName(nets(), end('p1', 'far'))).toBe('GND1');
    expect(placeName(nets(), end('p5', 'in'))).toBe('Lithium cell plus');
    expect(placeName(nets(), end('p4', 'plus'))).toBe('');
  });

  it('are led to any place of their list, and nowhere', () => {
    for (const id of ['p1 contact', 'p5 in', 'p3 plus']) {
      const [owner, terminal] = id.split(' ') as [string, string];
      for (const choice of choicesFor(nets(), end(owner, terminal)).slice(0, 4)) {
        leadTo(owner, terminal, choiceValue(choice));
        expect(wireValue(end(owner, terminal))).toBe(choiceValue(choice));
      }
      leadTo(owner, terminal, '');
      expect(wireValue(end(owner, terminal))).toBe('');
    }
  });

  it('keep their lock when they are led elsewhere', () => {
    current = editGadget(gadget, { name: 'lockWire', args: ['p1', 'contact', true] });
    leadTo('p1', 'contact', 'pin P12');
    expect(end('p1', 'contact').wire).toMatchObject({ to: { pin: 'P12' }, locked: true });
  });

  it('sort as people count', () => {
    const sorted = ['P10', 'P9', 'A1', 'P1'].sort((a, b) => (natural(a) < natural(b) ? -1 : 1));
    expect(sorted).toEqual(['A1', 'P1', 'P9', 'P10']);
  });
});

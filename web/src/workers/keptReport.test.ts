import { checkGadget, emptyGadget, type Gadget } from '@hum-lever/core';
import fc from 'fast-check';
import { remembering, type Keeper } from './keptReport.ts';

const inMemory = (): Keeper & { kept: Map<string, unknown> } => {
  const kept = new Map<string, unknown>();
  return {
    kept,
    get: (key) => Promise.resolve(kept.get(key)),
    set: (key, value) => Promise.resolve(void kept.set(key, structuredClone(value))),
  };
};
const check = jest.fn(checkGadget);
beforeEach(() => check.mockClear());

const named = (name: string): Gadget => emptyGadget(name);
/** As another page has it: equal, and nowhere the same. */
const again = (gadget: Gadget): Gadget => structuredClone(gadget);

describe('what the checks found', () => {
  it('is found once for one document, and is the same again', async () => {
    const keeper = inMemory();
    const first = await remembering(check, 'one', keeper)(named('Moth'));
    const second = await remembering(check, 'one', keeper)(again(named('Moth')));
    expect(check).toHaveBeenCalledTimes(1);
    expect(second).toEqual(first);
    expect(second).toEqual(checkGadget(named('Moth')));
  });

  it('is found anew by another program', async () => {
    const keeper = inMemory();
    await remembering(check, 'one', keeper)(named('Moth'));
    await remembering(check, 'two', keeper)(named('Moth'));
    await remembering(check, 'one', keeper)(named('Moth'));
    expect(check).toHaveBeenCalledTimes(3);
  });

  it('is that of the very document, whatever fell to the same place before', () =>
    fc.assert(
      fc.asyncProperty(fc.array(fc.nat(60), { maxLength: 80 }), async (order) => {
        const keeper = inMemory();
        const told = remembering(
          (gadget) => ({ snags: [], failed: [], about: gadget.name }) as ReturnType<typeof checkGadget>,
          'one',
          keeper,
        );
        for (const one of order)
          expect(await told(named(`Moth ${one}`))).toMatchObject({ about: `Moth ${one}` });
        expect(keeper.kept.size).toBeLessThanOrEqual(32);
      }),
      { numRuns: 30 },
    ));

  it('is found anew each time where nothing can be kept', async () => {
    const closed: Keeper = {
      get: () => Promise.reject(new Error('no storage here')),
      set: () => Promise.reject(new Error('no storage here')),
    };
    const told = remembering(check, 'one', closed);
    expect(await told(named('Moth'))).toEqual(checkGadget(named('Moth')));
    await told(named('Moth'));
    expect(check).toHaveBeenCalledTimes(2);
  });

  it('is not kept where a rule broke', async () => {
    const keeper = inMemory();
    const broken = jest.fn(() => ({ snags: [], failed: [{ rule: 'F01', message: 'broke' }] }));
    const told = remembering(broken, 'one', keeper);
    await told(named('Moth'));
    await told(named('Moth'));
    expect(broken).toHaveBeenCalledTimes(2);
  });
});

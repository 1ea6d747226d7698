import type { Gadget, OutputAction } from '../gadget/index.ts';
import { button } from '../test/fixtures.ts';
import { numberAt, paged } from '../test/screenCases.ts';
import { outputOf, textAt, toldGadget } from '../test/toldGadget.ts';
import { policiesOf } from './policies.ts';

const withKey = (gadget: Gadget): Gadget => ({ ...gadget, controls: [button({ id: 'b1', name: 'Key' })] });
const told = (gadget: Gadget) =>
  policiesOf(gadget, 'o1')!.all.map(({ sends, update, waitsUs, bytes, keepsUp }) => [
    sends,
    update,
    waitsUs,
    bytes,
    keepsUp,
  ]);

/** At 400 kHz: nine bits a byte, two bytes more for each piece of sixteen, and two bits to begin and end it. */
const us = (bytes: number) => {
  const pieces = Math.ceil(bytes / 16);
  return Math.round(((9 * (bytes + 2 * pieces) + 2 * pieces) * 1e6) / 400_000);
};

describe('ways to send pictures', () => {
  it('are reckoned from what a display’s own pages can change to', () => {
    // Two digits of three change: two tiles of eight bytes, and three bytes to go there, at 400 kHz.
    const { all, best } = policiesOf(paged([textAt('Count'), numberAt('v1', { x: '64' })]), 'o1')!;
    const widest = 24;
    expect(all[1]).toMatchObject({ sends: 'blocking', update: 'changed', changeUs: us(3) + us(widest) });
    expect(all[0]).toMatchObject({
      pageUs: 26_240,
      changeUs: 26_240,
      perSecond: 38,
      perMille: 525,
      bytes: 1_024,
    });
    // No control that could be slept through: the first keeps up.
    expect(best).toBe(all[0]);
  });

  it('keep up where every picture has room, and no short press is slept through', () => {
    // 105 ms a picture; a short press is 60 ms.
    const slow = withKey(paged([numberAt('v1')], { mostHz: 5 }, { busBaud: 100_000 }));
    expect(told(slow)).toEqual([
      ['blocking', 'whole', 104_960, 1_024, false],
      // Another page is all new: the loop waits for it as long as ever, and a little more for going to each row.
      ['blocking', 'changed', expect.any(Number), 1_024 + 256, false],
      ['background', 'whole', 0, 1_024, true],
      ['background', 'changed', 0, 1_024 + 256, true],
    ]);
    expect(policiesOf(slow, 'o1')!.best).toMatchObject({ sends: 'background', update: 'whole' });
    // Nine a second are all that have room whole.
    const often = policiesOf(withKey(paged([numberAt('v1')], { mostHz: 20 }, { busBaud: 100_000 })), 'o1')!;
    expect(often.best).toMatchObject({ sends: 'background', update: 'changed' });
    // With a value all over the display, none keeps up.
    const all = Array.from({ length: 8 }, (_, n) => numberAt('v1', { y: String(8 * n), font: '18x24' }));
    const full = policiesOf(withKey(paged(all, { mostHz: 60 }, { busBaud: 100_000 })), 'o1')!;
    expect(full.best).toBeNull();
  });

  it('count what goes on by itself: a text that runs, what blinks, what is plotted', () => {
    const changes = (element: OutputAction) =>
      policiesOf(paged([element], {}, { busBaud: 400_000 }), 'o1')!.all[1]!.changeUs;
    const at = (kind: string, patch: object) =>
      ({
        kind,
        outputId: 'o1',
        onlyIf: '1',
        blinks: 'steady',
        ink: '1',
        group: 0,
        x: '0',
        y: '0',
        ...patch,
      }) as OutputAction;
    const running = (text: string) => at('drawRunning', { font: '6x8', width: '64', text, stepMs: 50 });
    expect(changes(running('Short'))).toBe(0);
    // Eight tiles side by side: 64 bytes, and three to go there.
    expect(changes(running('#'.repeat(20)))).toBe(us(3) + us(64));
    expect(changes({ ...textAt('#'), blinks: 'slow' } as OutputAction)).toBe(us(3) + us(8));
    const plot = {
      value: 'v1',
      low: '0',
      high: '9',
      width: '16',
      height: '8',
      everyMs: 100,
      how: 'dots',
      unknownIf: '0',
    };
    expect(changes(at('drawPlot', plot))).toBe(us(3) + us(16));
  });

  it('count a second tile where one is sent while the next is made', () => {
    const tiles = paged([numberAt('v1')], {}, { buffer: 1 });
    expect(told(tiles).map(([, , , bytes]) => bytes)).toEqual([264, 264, 272, 272]);
  });

  it('are none where no bus is known, and for what is no display of pages', () => {
    expect(policiesOf({ ...paged([]), parts: [] }, 'o1')).toBeNull();
    expect(policiesOf(toldGadget(outputOf('lights', 'Ring'), []), 'o1')).toBeNull();
  });
});

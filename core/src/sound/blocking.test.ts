import { applyEdit, type Gadget, type Tone } from '../gadget/index.ts';
import { Machine } from '../machine/index.ts';
import { checkGadget } from '../snag/index.ts';
import { button, part } from '../test/fixtures.ts';
import { sounding } from '../test/soundCases.ts';

/* The simplest way to sound: the program waits until it is over, and hears nothing meanwhile. */

const withKey = (told: string, patch: Partial<Tone>): Gadget => {
  const gadget = sounding(told, null, patch);
  return {
    ...gadget,
    controls: [button({ name: 'Key' })],
    parts: [...gadget.parts, part('p9', 'push-button', ['b1'])],
  };
};
function played(told: string, patch: Partial<Tone> = { blocking: true }) {
  const machine = new Machine(withKey(told, patch), 1);
  // Down and up while it sounds.
  machine.stimulate({ atUs: 100_000, controlId: 'b1', what: 'down' });
  machine.stimulate({ atUs: 160_000, controlId: 'b1', what: 'up' });
  machine.advanceTo(1_000_000);
  const trace = machine.takeTrace();
  return {
    tones: trace.flatMap((entry) => (entry.lane === 'tone' ? [[entry.atUs / 1_000, entry.hz]] : [])),
    blocked: trace.flatMap((entry) =>
      entry.lane === 'blocked' ? [[entry.atUs / 1_000, entry.untilUs / 1_000]] : [],
    ),
    heard: trace.filter(({ lane }) => lane === 'gesture').length,
  };
}

describe('a sounder that the program waits for', () => {
  it('sounds one tone behind the other, and hears no key meanwhile', () => {
    expect(played('Piezo tone 440 for 200 ms; Piezo tone 660 for 100 ms')).toEqual({
      tones: [
        [10, 440],
        [210, 0],
        [210, 660],
        [310, 0],
      ],
      blocked: [[10, 310]],
      heard: 0,
    });
    // Beside the loop the second takes its place at once, and the key is heard.
    const beside = played('Piezo tone 440 for 200 ms; Piezo tone 660 for 100 ms', {});
    expect(beside).toMatchObject({ blocked: [], tones: [[10, 440], [10, 660], [110, 0]] }); // prettier-ignore
    expect(beside.heard).toBeGreaterThan(0);
  });
  it('waits for notes one after the other, not for what has no end', () => {
    expect(played('Piezo tune 440 100 ms, 660 50 ms').blocked).toEqual([[10, 160]]);
    expect(played('Piezo tone 440').blocked).toEqual([]);
  });
});

describe('presses that are lost meanwhile', () => {
  const found = (told: string) => {
    const gadget = withKey(told, { blocking: true });
    return { gadget, snags: checkGadget(gadget).snags.filter(({ rule }) => rule === 'F12') };
  };
  it('are told, and come back as it sounds beside the loop', () => {
    const { gadget, snags } = found('Piezo tone 440 for 240 ms');
    // Of four moments in a press of 60 ms three are lost.
    expect(snags).toMatchObject([{ values: { blockedUs: 240_000, pressUs: 60_000, lostPerMille: 750 } }]);
    const mended = applyEdit(gadget, snags[0]!.mend!.edit);
    expect(checkGadget(mended).snags.filter(({ rule }) => rule === 'F12')).toEqual([]);
  });
  it('are told without a mend where that would cut a tone off', () => {
    const { snags } = found('Piezo tone 440 for 200 ms; Piezo tone 660 for 100 ms');
    expect(snags).toMatchObject([{ values: { blockedUs: 300_000 } }]);
    expect(snags[0]!.mend).toBeUndefined();
  });
});

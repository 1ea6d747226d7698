import { throughFault, wireFaults, type WireFault } from './faults.ts';
import { messagesIn, streamAtRest } from './stream.ts';

const notes = Array.from({ length: 9 }, (_, n) => [
  [0x90, 60 + n, 100],
  [0x80, 60 + n, 64],
]).flat();
/** What a reader makes of them; of each kind of message the numbers are counted apart. */
function heard(fault: WireFault) {
  const counts = { on: 0, off: 0 };
  const bytes = notes.flatMap((one) =>
    throughFault(one, fault, one[0] === 0x90 ? counts.on++ : counts.off++),
  );
  return messagesIn(bytes, streamAtRest(), []);
}
const begun = (messages: number[][]) => messages.filter(([status]) => status! >> 4 === 9).length;
const ended = (messages: number[][]) => messages.filter(([status]) => status! >> 4 === 8).length;

describe('between equipment and the gadget', () => {
  it('nothing is changed where nothing is wrong', () => {
    expect(heard('none')).toEqual(notes);
  });
  it('a wrong channel is the next one, and the first behind the last', () => {
    expect(throughFault([0x90, 60, 1], 'wrongChannel', 0)).toEqual([0x91, 60, 1]);
    expect(throughFault([0xbf, 1, 2], 'wrongChannel', 0)).toEqual([0xb0, 1, 2]);
    expect(throughFault([0xf8], 'wrongChannel', 0)).toEqual([0xf8]);
  });
  it('a dropped byte spoils every third message', () => {
    const messages = heard('droppedByte');
    expect([begun(messages), ended(messages)]).toEqual([6, 6]);
  });
  it('a hanging note has no end, every third', () => {
    const messages = heard('hangingNote');
    expect([begun(messages), ended(messages)]).toEqual([9, 6]);
  });
  it('nothing comes through a cable the wrong way round, and of some equipment programs alone', () => {
    expect(heard('reversedCable')).toEqual([]);
    expect(heard('programsOnly')).toEqual(Array.from({ length: 9 }, (_, n) => [0xc0, 60 + n]));
  });
  it('no fault makes a message longer, or bytes of none', () => {
    for (const fault of wireFaults)
      for (const one of [...notes, [0xf8], [0xe0, 1, 2]])
        for (const number of [0, 1, 2]) {
          const through = throughFault(one, fault, number);
          expect(through.length).toBeLessThanOrEqual(one.length);
          expect(through.every((byte) => byte >= 0 && byte < 256)).toBe(true);
        }
  });
});

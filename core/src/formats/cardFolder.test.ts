import { unzipSync } from 'fflate';
import { cardName, printCardFolder } from './cardFolder.ts';

const files = [
  { number: 12, name: 'Crowd, far away', lengthUs: 90_000_000 },
  { number: 1, name: 'Thunder', lengthUs: 1_500_000 },
  { number: 3, name: '雷', lengthUs: 250_000 },
];

describe('the folder of a card', () => {
  it('has each file under its number, in names that every card takes', () => {
    expect(cardName(7, 'Heavy rain')).toBe('007-Heavy-rain.wav');
    expect(cardName(255, '  Été: n° 1 ')).toBe('255-Ete-n-1.wav');
    expect(cardName(3, '雷')).toBe('003.wav');
    expect(cardName(1, 'x'.repeat(60))).toHaveLength(3 + 1 + 24 + 4);
  });
  it('holds a list, and sounds of their lengths up to a length', () => {
    const folder = unzipSync(printCardFolder({ name: 'Storm', files }));
    expect(Object.keys(folder).sort()).toEqual([
      '001-Thunder.wav',
      '003.wav',
      '012-Crowd-far-away.wav',
      'list.txt',
    ]);
    const list = new TextDecoder().decode(folder['list.txt']).split('\r\n');
    expect(list[0]).toContain('Storm');
    expect(list.slice(1, 4)).toEqual([
      '001-Thunder.wav\tThunder\t1.500 s',
      '003.wav\t雷\t0.250 s',
      '012-Crowd-far-away.wav\tCrowd, far away\t90.000 s',
    ]);
    // 44 bytes of head, two for each of 8,000 samples a second.
    expect(folder['001-Thunder.wav']).toHaveLength(44 + 2 * 12_000);
    expect(folder['012-Crowd-far-away.wav']).toHaveLength(44 + 2 * 160_000);
    const view = new DataView(folder['003.wav']!.buffer, folder['003.wav']!.byteOffset);
    expect(view.getUint32(24, true)).toBe(8_000);
    expect(folder['003.wav']!.subarray(1_000, 1_400).some((byte) => byte !== 0)).toBe(true);
  });
  it('is the same each time, and can be empty', () => {
    expect(printCardFolder({ name: 'Storm', files })).toEqual(printCardFolder({ name: 'Storm', files }));
    expect(Object.keys(unzipSync(printCardFolder({ name: 'Storm', files: [] })))).toEqual(['list.txt']);
  });
});

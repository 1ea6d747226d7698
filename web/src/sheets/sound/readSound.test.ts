import { readSound } from './readSound.ts';

describe('a sound file', () => {
  it('is refused at a rate that no browser reads for, and where it is larger than any should be', async () => {
    await expect(readSound(new File(['x'], 'hum.wav'), 977)).rejects.toThrow(
      'Expected at least 3000 samples a second; the pulses here carry 977. Fewer bits carry more.',
    );
    const large = { name: 'storm.wav', size: 65 * 1_048_576 } as File;
    await expect(readSound(large, 8_000)).rejects.toThrow(
      'Expected a sound file of at most 60 s; “storm.wav” is larger than any of those.',
    );
  });
});

import type { OwnClass } from '@hum-lever/core';

const supply = { minMv: 3_000, maxMv: 5_500, typicalUa: 20_000, worstUa: 80_000 };
const none = { doc: '', priceCents: 0, address: null, busBaud: 100_000, busPullOhms: 0 };

/** Modules that makers often bring, as typical sheets have them: a place to begin, to be put right by one's own sheet. */
export const ownStarts: readonly { value: string; label: string; own: OwnClass }[] = [
  {
    value: 'tuner',
    label: 'a radio tuner',
    own: {
      ...none,
      title: 'Radio tuner',
      lines: [
        { name: 'data', need: 'sda', maxUa: 0 },
        { name: 'clock', need: 'scl', maxUa: 0 },
      ],
      plays: [
        { kind: 'setting', name: 'frequency', unit: '× 100 kHz', low: 875, high: 1_080, bytes: 6 },
        { kind: 'setting', name: 'volume', unit: '', low: 0, high: 15, bytes: 4 },
        {
          kind: 'reading',
          name: 'signal',
          unit: 'dBµV',
          low: 0,
          high: 80,
          everyUs: 500_000,
          errorPerMille: 30,
        },
      ],
      supply: { ...supply, maxMv: 3_600 },
      address: { usual: 0x10, choices: [0x10] },
    },
  },
  {
    value: 'player',
    label: 'a sound player',
    own: {
      ...none,
      title: 'Sound player',
      lines: [
        { name: 'to-player', need: 'tx', maxUa: 0 },
        { name: 'from-player', need: 'rx', maxUa: 0 },
      ],
      plays: [
        { kind: 'setting', name: 'track', unit: '', low: 0, high: 255, bytes: 10 },
        { kind: 'setting', name: 'volume', unit: '', low: 0, high: 30, bytes: 10 },
      ],
      supply: { ...supply, worstUa: 200_000 },
      busBaud: 9_600,
    },
  },
  {
    value: 'thermometer',
    label: 'a thermometer',
    own: {
      ...none,
      title: 'Thermometer',
      lines: [{ name: 'data', need: 'both', maxUa: 4_000 }],
      plays: [
        {
          kind: 'reading',
          name: 'temperature',
          unit: '°C',
          low: -40,
          high: 85,
          everyUs: 750_000,
          errorPerMille: 4,
        },
      ],
      supply: { ...supply, typicalUa: 1_000, worstUa: 1_500 },
    },
  },
  {
    value: 'relays',
    label: 'a board of four relays',
    own: {
      ...none,
      title: 'Relay board',
      lines: [1, 2, 3, 4].map((n) => ({ name: `in${n}`, need: 'out', maxUa: 4_000 })),
      plays: ['line', 'line', 'line', 'line'],
      supply: { ...supply, minMv: 4_500, worstUa: 300_000 },
    },
  },
];

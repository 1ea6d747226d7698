import * as z from 'zod';
import { wholeSchema } from '../../gadget/index.ts';
import { exactExp, exactLn } from '../../kernel/index.ts';
import { cHead, defineAlgorithm, within, type DebounceState, type FilterState } from '../algorithm.ts';

interface Rc extends Record<string, number> {
  rOhms: number;
  cNf: number;
  highPerMille: number;
  lowPerMille: number;
}

const usual: Rc = { rOhms: 10_000, cNf: 470, highPerMille: 700, lowPerMille: 300 };

/** Time constant in µs: Ω · nF = 10⁻⁹ s. */
const tauUs = ({ rOhms, cNf }: Rc) => (rOhms * cNf) / 1_000;

/** Beyond so many time constants the rest is below what any threshold in thousandths could tell. */
const settledAfter = 30;

/** Voltage after so long towards what the contact says. */
function charged(v: number, raw: 0 | 1, elapsedUs: number, params: Rc): number {
  const turns = elapsedUs / tauUs(params);
  return turns >= settledAfter ? raw : raw + (v - raw) * exactExp(-turns);
}

/** How long until the pin changes, whole µs rounded up; null: it is there already, or never gets there. */
function crossAfterUs(v: number, raw: 0 | 1, out: 0 | 1, params: Rc): number | null {
  if (raw === out) return null;
  // From reckoning: t = −R·C·ln(1 − V_th/V_dd), from wherever the voltage is now.
  const share = raw === 1 ? (1_000 - params.highPerMille) / 1_000 / (1 - v) : params.lowPerMille / 1_000 / v;
  return share >= 1 ? 0 : Math.ceil(-tauUs(params) * exactLn(share));
}

const whole = (label: string, unit: string, min: number, max: number) =>
  wholeSchema(min, max, unit).meta({ label, unit });

export const rc = defineAlgorithm<Rc, DebounceState>({
  id: 'rc',
  title: 'Resistor, capacitor and Schmitt input (hardware)',
  doc: 'A capacitor smooths the contact before the pin, whose two thresholds keep it from chattering. Works while the chip sleeps and on long wires; two more parts for each key.',
  source: 'reckoning: RC rising to V_th takes −R·C·ln(1 − V_th/V_dd)',
  school: 'hardware',
  params: z.strictObject({
    rOhms: whole('Resistor', 'Ω', 100, 1_000_000),
    cNf: whole('Capacitor', 'nF', 1, 100_000),
    highPerMille: whole('Pressed from', '‰', 510, 990),
    lowPerMille: whole('Let go at', '‰', 10, 490),
  }),
  defaults: usual,
  protecting: (pressUs, releaseUs) => {
    const factor = -exactLn(1 - usual.highPerMille / 1_000);
    return {
      ...usual,
      cNf: within((Math.max(pressUs, releaseUs) * 1_000) / (usual.rOhms * factor), 1, 100_000),
    };
  },
  settled: (level) => ({ level, sample: level }),
  step: (_state, { level }) => ({ level, sample: level }),
  nextUs: () => null,
  sweep({ count, atUs }, _params, out) {
    out.count = count;
    for (let n = 0; n < count; n += 1) out.atUs[n] = atUs[n]!;
  },
  deafUntilUs: () => null,
  filter: {
    onEdge: (state: FilterState, raw, nowUs, params) => ({
      v: charged(state.v, state.raw, nowUs - state.sinceUs, params),
      sinceUs: nowUs,
      raw,
      out: state.out,
    }),
    crossUs({ v, sinceUs, raw, out }, params) {
      const afterUs = crossAfterUs(v, raw, out, params);
      return afterUs === null ? null : sinceUs + afterUs;
    },
    pass(edgeUs, count, params, passed) {
      let v = 0;
      let out: 0 | 1 = 0;
      passed.count = 0;
      for (let n = 0; n < count; n += 1) {
        const raw = (n & 1) === 0 ? 1 : 0;
        const atUs = edgeUs[n]!;
        const nextUs = n + 1 < count ? edgeUs[n + 1]! : Infinity;
        const afterUs = crossAfterUs(v, raw, out, params);
        if (afterUs !== null && atUs + afterUs < nextUs) {
          out = raw;
          passed.atUs[passed.count] = atUs + afterUs;
          passed.count += 1;
        }
        v = charged(v, raw, nextUs - atUs, params);
      }
    },
  },
  neededUs: (params, periodUs) => crossAfterUs(0, 1, 0, params)! + periodUs,
  // A contact that bounces may have charged it part of the way, but not before it moved at all.
  floorUs: (params) => ({ press: crossAfterUs(0, 1, 0, params)!, release: crossAfterUs(1, 0, 1, params)! }),
  cost: () => ({ bytes: 4, operations: 1 }),
  c99: ({ rOhms, cNf }) => `${cHead}
/* Outside the chip: ${rOhms} Ω and ${cNf} nF at each key, read by a pin with a Schmitt input. Nothing is left to do. */
typedef struct { uint32_t level; } debounce_t;

/* Once per turn; a bit per input. Returns the clean levels. */
uint32_t debounce_step(debounce_t *d, uint32_t sample, uint32_t now_us) {
  (void)now_us;
  return d->level = sample;
}
`,
});

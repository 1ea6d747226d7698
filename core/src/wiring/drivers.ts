import type { Board, Gadget, Terminal } from '../gadget/index.ts';
import { standardOhms } from '../scan/index.ts';

/** Role of the small part that switches what is too much for a pin: a transistor with the resistor at its base. */
export const driverRole = 'driver-transistor';

/** Load through the transistor over current into its base: ten keeps any small one fully on; at twenty some are not. */
const forcedGain = 10;

/** Between base and emitter of a transistor that is on, mV. */
const baseMv = 700;

/** What a small transistor commonly stands, µA; more wants one that is chosen by its sheet. */
const mostLoadUa = 500_000;

/**
 * The resistor at the base: (logic − 0.7 V)/(load/10), the next standard value below, so that it is surely on.
 * @returns Ω; null where no line can be driven so: it is not an output, or the pin cannot feed the base either
 * Source: the usual rule of thumb for switching, a forced gain of ten; Ohm's law for the rest.
 */
export function driverOhms(
  { need, maxUa }: Pick<Terminal, 'need' | 'maxUa'>,
  { logicMv, pinMaxUa }: Board,
): number | null {
  if (need !== 'out' && need !== 'pwm' && need !== 'tone') return null;
  if (maxUa <= 0 || maxUa > mostLoadUa || logicMv <= baseMv) return null;
  const most = ((logicMv - baseMv) * 1_000 * forcedGain) / maxUa;
  const ohms = standardOhms(12).findLast((value) => value <= most) ?? null;
  return ohms !== null && basePinUa(ohms, logicMv) <= pinMaxUa ? ohms : null;
}

/** What the base asks of its pin, µA: (logic − 0.7 V)/R. */
const basePinUa = (ohms: number, logicMv: number) =>
  Math.ceil(((logicMv - baseMv) * 1_000) / Math.max(1, ohms));

/** Base resistors by terminal, Ω, of the transistors that are fitted for a part. */
export function driversOf({ companions }: Gadget['wiring'], partId: string): ReadonlyMap<string, number> {
  return new Map(
    companions.flatMap(({ role, fate, forId, terminal, value }) =>
      role === driverRole && fate === 'fitted' && forId === partId ? [[terminal, value] as const] : [],
    ),
  );
}

/** What a line asks of its pin at worst, µA: its own current, or that of the base of its transistor. */
export function asksUa(
  { drivers }: { drivers: ReadonlyMap<string, number> },
  { name, maxUa }: Terminal,
  logicMv: number,
): number {
  const ohms = drivers.get(name);
  return ohms === undefined ? maxUa : basePinUa(ohms, logicMv);
}

/** Narrow no-break space between number and unit. */
const thin = '\u202f';

/** Three significant digits at most, without trailing zeros. */
const short = (value: number, digits: number) => String(Number(value.toFixed(digits)));

/** A duration as people say it: 180 µs, 12 ms, 1.5 s, 2 min 5 s. */
export function showDuration(us: number): string {
  if (us === 0) return '0';
  if (us < 1_000) return `${Math.round(us)}${thin}µs`;
  if (us < 1_000_000) return `${short(us / 1_000, us < 10_000 ? 2 : us < 100_000 ? 1 : 0)}${thin}ms`;
  if (us < 60_000_000) return `${short(us / 1_000_000, us < 10_000_000 ? 2 : 1)}${thin}s`;
  const minutes = Math.floor(us / 60_000_000);
  const seconds = Math.round((us - minutes * 60_000_000) / 1_000_000);
  return `${minutes}${thin}min${seconds > 0 ? ` ${seconds}${thin}s` : ''}`;
}

/** A moment of a scale, with so many places that the next, a step later, reads otherwise. */
export function showOnScale(us: number, stepUs: number): string {
  if (us < 1_000) return showDuration(us);
  const inMs = us < 1_000_000;
  const unitUs = inMs ? 1_000 : 1_000_000;
  const usual = inMs
    ? us < 10_000
      ? 2
      : us < 100_000
        ? 1
        : 0
    : us < 10_000_000
      ? 2
      : us < 60_000_000
        ? 1
        : 0;
  const places = Math.ceil(Math.log10(unitUs / stepUs));
  return places <= usual ? showDuration(us) : `${(us / unitUs).toFixed(places)}${thin}${inMs ? 'ms' : 's'}`;
}

/** A moment on the machine's clock, always with milliseconds, so that columns line up: 12.345 s. */
export function showMoment(us: number): string {
  return `${(us / 1_000_000).toFixed(3)}${thin}s`;
}

export function showHz(hz: number): string {
  return hz === 0 ? 'silent' : `${hz}${thin}Hz`;
}

/** A count with its noun: 1 press, 2 presses. */
export function count(n: number, one: string, many = `${one}s`): string {
  return `${n} ${n === 1 ? one : many}`;
}

/** Date and time as written where the maker is. */
export function showDate(iso: string): string {
  return new Date(iso).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });
}

/** Milliseconds typed by a person as whole microseconds. */
export const msToUs = (ms: number) => Math.round(ms * 1_000);
export const usToMs = (us: number) => us / 1_000;

/** Current from µA: 80 µA, 8 mA, 1.44 A. */
export function showCurrent(ua: number): string {
  if (ua < 1_000) return `${ua}${thin}µA`;
  return ua < 1_000_000
    ? `${short(ua / 1_000, ua < 100_000 ? 1 : 0)}${thin}mA`
    : `${short(ua / 1_000_000, 2)}${thin}A`;
}

/** Voltage from mV: 3.3 V, 600 mV. */
export function showVolts(mv: number): string {
  return mv < 1_000 ? `${mv}${thin}mV` : `${short(mv / 1_000, 2)}${thin}V`;
}

/** Resistance: 390 Ω, 4.7 kΩ, 1 MΩ. */
export function showOhms(ohms: number): string {
  if (ohms < 1_000) return `${ohms}${thin}Ω`;
  return ohms < 1_000_000 ? `${short(ohms / 1_000, 2)}${thin}kΩ` : `${short(ohms / 1_000_000, 2)}${thin}MΩ`;
}

/** Memory: 80 bytes, 2 KiB, 256 MiB. */
export function showBytes(bytes: number): string {
  if (bytes < 1_024) return `${bytes}${thin}bytes`;
  if (bytes < 1_048_576) return `${short(bytes / 1_024, 1)}${thin}KiB`;
  return `${short(bytes / 1_048_576, 1)}${thin}MiB`;
}

/** Money from hundredths, in the currency of the gadget, as it is written where the maker is. */
export function showMoney(cents: number, currency: string): string {
  return new Intl.NumberFormat(undefined, { style: 'currency', currency }).format(cents / 100);
}

/** Bytes as they are written of messages: two digits each, to the base sixteen. */
export const showMessage = (bytes: readonly number[]): string =>
  bytes.map((byte) => byte.toString(16).padStart(2, '0')).join(' ');

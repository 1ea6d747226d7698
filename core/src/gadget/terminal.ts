/** What a terminal asks of the pin that it is led to. */
export type Need =
  | 'in'
  | 'out'
  | 'both'
  | 'analog'
  | 'pwm'
  | 'tone'
  | 'servo'
  | 'edge'
  | 'wake'
  | 'usb'
  | { bus: Bus; line: BusLine; baud: number };

export type Bus = 'i2c' | 'spi' | 'uart' | 'i2s';
export type BusLine = 'sda' | 'scl' | 'mosi' | 'miso' | 'sck' | 'tx' | 'rx' | 'bclk' | 'ws' | 'dout';

/** Which end of a part it is: led to a pin by its need, to a rail, to ground, or along the chain of supply. */
export type TerminalRole = 'signal' | 'supply' | 'ground' | 'feed' | 'fed';

/** One end of a part or key set. Voltages and currents are those of the part as it is set. */
export interface Terminal {
  name: string;
  role: TerminalRole;
  /** Only of signals. */
  need: Need | null;
  /** Current that it takes from or puts into its pin at worst, µA; of a supply: what it draws at worst. */
  maxUa: number;
  /** A contact between the pin and a rail: needs a pull, and must not go to the rail that the pull goes to. */
  contact: boolean;
  /** The least level that it takes for a high, as a share of its own supply in thousandths; 0: it does not listen. */
  highPerMille: number;
  /** It drives the pin up to its own supply. */
  drives: boolean;
  /** Its current flows into the pin: the common end of several. */
  sinks: boolean;
  /** What it can hold the pin at when power comes. */
  atBoot: 'low' | 'high' | null;
}

/** A signal terminal with nothing special about it. */
export function signal(name: string, need: Need, special: Partial<Terminal> = {}): Terminal {
  return {
    name,
    role: 'signal',
    need,
    maxUa: 0,
    contact: false,
    highPerMille: 0,
    drives: false,
    sinks: false,
    atBoot: null,
    ...special,
  };
}

/** An end that is no signal. */
export function powerEnd(name: string, role: Exclude<TerminalRole, 'signal'>, maxUa = 0): Terminal {
  return { ...signal(name, 'in'), need: null, role, maxUa };
}

import { openPins } from './boards.ts';
import { waysOn } from './demands.ts';
import type { Lead, Nets } from './nets.ts';

/** A place that a terminal could be led to. */
export interface PlaceChoice {
  kind: 'pin' | 'terminal';
  /** The pin, or the owner and terminal. */
  pin: string;
  ownerId: string;
  terminal: string;
  /** For people. */
  name: string;
  /** It can do what the terminal needs. */
  able: boolean;
  /** Whose line is on it already; null: nobody's but this one's. */
  takenBy: string | null;
}

/** Everywhere that a terminal could be led, the able and free places first, then in the order in which they lie. */
export function choicesFor(nets: Nets, { owner, terminal }: Pick<Lead, 'owner' | 'terminal'>): PlaceChoice[] {
  const { board, gadget, lines } = nets;
  if (!board) return [];
  const line = lines.find(({ terminals }) =>
    terminals.some((one) => one.owner.id === owner.id && one.terminal.name === terminal.name),
  );
  const onPins = openPins(board).flatMap((pin): PlaceChoice[] => {
    const able = line
      ? waysOn(line, pin, board, gadget.wiring.radioOn).length > 0
      : terminal.role === 'ground'
        ? pin.ground
        : terminal.role === 'feed'
          ? pin.takesMv !== null
          : pin.givesMv !== null;
    const taker = pin.signal
      ? nets.byPin
          .get(pin.name)
          ?.find(
            (lead) =>
              lead.owner.id !== owner.id &&
              !(line?.terminals ?? []).some((one) => one.owner.id === lead.owner.id),
          )
      : undefined;
    const takenBy = taker?.owner.name ?? null;
    return [{ kind: 'pin', pin: pin.name, ownerId: '', terminal: '', name: pin.name, able, takenBy }];
  });
  const power = terminal.role === 'fed' || terminal.role === 'supply';
  const onEnds = power
    ? nets.leads
        .filter((lead) => lead.terminal.role === 'feed' && lead.owner.id !== owner.id)
        .map((lead): PlaceChoice => {
          const name = `${lead.owner.name} ${lead.terminal.name}`;
          return {
            kind: 'terminal',
            pin: '',
            ownerId: lead.owner.id,
            terminal: lead.terminal.name,
            name,
            able: true,
            takenBy: null,
          };
        })
    : [];
  const rank = ({ able, takenBy }: PlaceChoice) => (able ? 0 : 2) + (takenBy === null ? 0 : 1);
  return [...onEnds, ...onPins].sort((a, b) => rank(a) - rank(b));
}

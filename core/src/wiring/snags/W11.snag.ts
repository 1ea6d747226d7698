import type { SnagRule } from '../../gadget/index.ts';
import { wiringProblem } from '../demands.ts';
import { netsIn } from '../nets.ts';
import { explain, solve } from '../solver/index.ts';
import { leadSnag, leadValues, movePin } from './help.ts';

/** Tone, servo and PWM on the pins as they are wired cannot have a timer each. */
export const W11: SnagRule = {
  id: 'W11',
  check(gadget, derived) {
    const nets = netsIn(gadget, derived);
    if (!nets.board) return [];
    const problem = wiringProblem(gadget, nets.board);
    // As wired, and timers only: each line keeps its pin, and what else it claims is other rules' business.
    const demands = problem.demands.flatMap((demand) => {
      const { owner, terminal } = demand.terminals[0]!;
      const lead = nets.leads.find((one) => one.owner.id === owner.id && one.terminal.name === terminal.name);
      const pinName = lead?.pin?.name;
      const candidates = demand.candidates
        .filter(({ place }) => problem.pins[place]!.name === pinName)
        .map(({ claims }, place) => ({
          place,
          cost: 0,
          claims: claims.filter(({ resource }) => resource.startsWith('timer ')),
        }));
      return candidates.some(({ claims }) => claims.length > 0)
        ? [{ ...demand, lead: lead!, candidates }]
        : [];
    });
    // Each its own places: who shares a pin is W01's business.
    let places = 0;
    const apart = demands.map((demand) => {
      const base = places;
      places += demand.candidates.length;
      return { ...demand, candidates: demand.candidates.map((one) => ({ ...one, place: base + one.place })) };
    });
    const timers = { places, demands: apart, capacity: {} };
    if (solve(timers, { anyWillDo: true }).outcome !== 'impossible') return [];
    const rivals = explain(timers).rows.map((row) => apart[row]!);
    const movable = rivals
      .map(({ lead }) => ({ lead, mend: movePin(nets, lead) }))
      .find(({ mend }) => mend.mend);
    const { lead } = movable ?? rivals[0]!;
    const values = {
      ...leadValues(lead, lead.pin!.name),
      rivals: rivals.map((one) => `${one.lead.owner.name} (${String(one.need)})`).join(', '),
    };
    return [leadSnag('W11', 'stop', lead, values, movable?.mend ?? {})];
  },
};

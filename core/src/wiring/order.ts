import type { Gadget } from '../gadget/index.ts';
import { netsOf, type Lead } from './nets.ts';

/** What can be checked with a meter or by eye before going on. */
export type StepCheck =
  | { kind: 'rail'; mv: number }
  | { kind: 'joined' }
  | { kind: 'lights' }
  | { kind: 'reads' }
  | { kind: 'answers' }
  | { kind: 'sounds' };

/** One step of wiring: a few wires that belong together, and what then must be so. */
export interface WiringStep {
  stage: 'supply' | 'grounds' | 'rails' | 'lights' | 'controls' | 'buses' | 'rest';
  ownerId: string | null;
  name: string;
  leads: {
    ownerId: string;
    name: string;
    terminal: string;
    to: string;
    through: 'base' | 'collector' | null;
  }[];
  check: StepCheck;
}

const place = ({ wire }: Lead, names: ReadonlyMap<string, string>): string =>
  wire?.to.kind === 'terminal'
    ? `${names.get(wire.to.ownerId) ?? ''} ${wire.to.terminal}`
    : (wire?.to.pin ?? '');

/** Which end of a transistor stands between: its base at the pin, or its collector on the way to ground. */
export function throughOf({
  owner,
  terminal,
}: Pick<Lead, 'owner' | 'terminal'>): 'base' | 'collector' | null {
  if (owner.drivers.has(terminal.name)) return 'base';
  const below = owner.terminals.some(({ name, sinks }) => owner.drivers.has(name) && !sinks);
  return terminal.role === 'ground' && below ? 'collector' : null;
}

/**
 * Wire it in this order: supply before anything that it feeds, grounds before signals, one light early as a sign of
 * life, then what the hand works, then buses, then the rest; each step ends with something to check.
 */
export function wiringOrder(gadget: Gadget): WiringStep[] {
  const nets = netsOf(gadget);
  const names = new Map(nets.owners.map(({ id, name }) => [id, name]));
  const wired = nets.leads.filter(({ wire }) => wire !== null);
  const said = (leads: readonly Lead[]) =>
    leads.map((lead) => ({
      ownerId: lead.owner.id,
      name: lead.owner.name,
      terminal: lead.terminal.name,
      to: place(lead, names),
      through: throughOf(lead),
    }));
  const steps: WiringStep[] = [];
  const add = (
    stage: WiringStep['stage'],
    owner: Lead['owner'] | null,
    leads: readonly Lead[],
    check: StepCheck,
  ) => {
    if (leads.length > 0)
      steps.push({ stage, ownerId: owner?.id ?? null, name: owner?.name ?? '', leads: said(leads), check });
  };
  const role = (wanted: string) => wired.filter(({ terminal }) => terminal.role === wanted);
  add('supply', null, [...role('fed'), ...role('feed')], { kind: 'rail', mv: nets.logicMv });
  add('grounds', null, role('ground'), { kind: 'joined' });
  add('rails', null, role('supply'), { kind: 'rail', mv: nets.logicMv });
  const stageOf = ({ part, set }: Lead['owner']): [WiringStep['stage'], StepCheck] => {
    if (set) return ['controls', { kind: 'reads' }];
    switch (part!.kind.group) {
      case 'lights':
        return ['lights', { kind: 'lights' }];
      case 'controls':
        return ['controls', { kind: 'reads' }];
      case 'sound':
        return ['rest', { kind: 'sounds' }];
      default:
        return ['buses', { kind: 'answers' }];
    }
  };
  for (const stage of ['lights', 'controls', 'buses', 'rest'] as const)
    for (const owner of nets.owners) {
      const [own, check] = stageOf(owner);
      if (own !== stage) continue;
      add(
        stage,
        owner,
        wired.filter((lead) => lead.owner.id === owner.id && lead.terminal.role === 'signal'),
        check,
      );
    }
  return steps;
}

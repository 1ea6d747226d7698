import type { Button, Gadget, Hands, TraceEntry } from '@hum-lever/core';
import { msToUs, usToMs } from '../../shared/index.ts';
import { firstAt, player } from '../../workers/index.ts';

/** A finger's moves: when it comes and goes, ms from the beginning. */
type Script = readonly { downMs: number; upMs: number }[];

export interface Scenario {
  id: string;
  label: string;
  script(hands: Hands): Script;
  /** How long after the last move everything is at rest, ms. */
  restMs: number;
  /** What the contact suffers meanwhile. */
  contact?: Partial<Button['contact']>;
}

const inBurst = 8;

/** Hands as they are: what makes debouncing fail in the field. */
export const scenarios: readonly Scenario[] = [
  {
    id: 'once',
    label: 'Press it for me',
    script: ({ ordinaryPressUs }) => [{ downMs: 0, upMs: usToMs(ordinaryPressUs) }],
    restMs: 250,
  },
  {
    id: 'burst',
    label: 'A burst',
    script: ({ fastestRepeatUs, shortestPressUs }) =>
      Array.from({ length: inBurst }, (_, n) => ({
        downMs: usToMs(n * fastestRepeatUs),
        upMs: usToMs(n * fastestRepeatUs + shortestPressUs),
      })),
    restMs: 300,
  },
  {
    id: 'double',
    label: 'A nervous double',
    script: ({ shortestPressUs }) => {
      const ms = usToMs(shortestPressUs);
      return [
        { downMs: 0, upMs: ms },
        { downMs: ms * 1.6, upMs: ms * 2.6 },
      ];
    },
    restMs: 300,
  },
  {
    id: 'lean',
    label: 'A long lean',
    script: ({ holdFeltUs }) => [{ downMs: 0, upMs: usToMs(3 * holdFeltUs) }],
    restMs: 300,
  },
  {
    id: 'storm',
    label: 'A storm of spikes',
    script: () => [],
    restMs: 3_000,
    contact: { glitchPerHour: 72_000 },
  },
];

const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** Plays it on the gadget in hand, as fast as time runs there; the document is not touched. */
export async function playScenario(
  gadget: Gadget,
  control: Button,
  scenario: Scenario,
  factor: number,
): Promise<void> {
  const script = scenario.script(gadget.hands);
  if (scenario.contact) player.edit(withContact(gadget, control, scenario.contact));
  player.plan(
    script.flatMap(({ downMs, upMs }) => [
      { afterUs: msToUs(downMs), controlId: control.id, touch: { what: 'down' } as const },
      { afterUs: msToUs(upMs), controlId: control.id, touch: { what: 'up' } as const },
    ]),
  );
  await wait(((script.at(-1)?.upMs ?? 0) + scenario.restMs) / factor);
  if (scenario.contact) player.edit(gadget);
}

function withContact(gadget: Gadget, control: Button, patch: Partial<Button['contact']>): Gadget {
  const controls = gadget.controls.map((one) =>
    one.id === control.id ? { ...control, contact: { ...control.contact, ...patch } } : one,
  );
  return { ...gadget, controls };
}

/** What became of a control since then. */
export interface Outcome {
  presses: number;
  through: number;
  again: number;
  lost: number;
}

export function outcomeSince(trace: readonly TraceEntry[], controlId: string, sinceUs: number): Outcome {
  const outcome: Outcome = { presses: 0, through: 0, again: 0, lost: 0 };
  for (let index = firstAt(trace, sinceUs); index < trace.length; index += 1) {
    const entry = trace[index]!;
    if (!('id' in entry) || entry.id !== controlId) continue;
    if (entry.lane === 'finger' && entry.down) outcome.presses += 1;
    else if (entry.lane === 'swallowed') outcome.lost += 1;
    else if (entry.lane === 'clean' && entry.level === 1) {
      if (entry.extra) outcome.again += 1;
      else outcome.through += 1;
    }
  }
  return outcome;
}

import type { Button, Gadget, Hands, TraceEntry } from '@hum-lever/core';
import { msToUs, usToMs } from '../../shared/index.ts';
import { firstAt, player, usePlayer } from '../../workers/index.ts';

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
/** The machine is asked how far it has come no oftener than this. */
const leastWaitMs = 20;

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

/**
 * Plays it on the gadget in hand, as fast as time runs there; the document is not touched.
 * @param open the document that is open by the end: it can have been edited meanwhile, or left for another; null: none is
 * @returns when it began, in the machine's own time
 */
export async function playScenario(
  gadget: Gadget,
  control: Button,
  scenario: Scenario,
  open: () => Gadget | null,
): Promise<number> {
  const script = scenario.script(gadget.hands);
  const { endUs: sinceUs } = await player.collect();
  if (scenario.contact) player.edit(withContact(gadget, control, scenario.contact));
  player.plan(
    script.flatMap(({ downMs, upMs }) => [
      { afterUs: msToUs(downMs), controlId: control.id, touch: { what: 'down' } as const },
      { afterUs: msToUs(upMs), controlId: control.id, touch: { what: 'up' } as const },
    ]),
  );
  await machineComesTo(sinceUs, sinceUs + msToUs((script.at(-1)?.upMs ?? 0) + scenario.restMs));
  const asItIs = open();
  if (scenario.contact && asItIs) player.edit(asItIs);
  return sinceUs;
}

/**
 * Until the machine itself has come so far: a busy one falls behind the clock on the wall. Ends, too, where it is begun
 * anew, its time stands still, or its past is looked at.
 */
async function machineComesTo(sinceUs: number, untilUs: number): Promise<void> {
  for (;;) {
    const { endUs: nowUs } = await player.collect();
    const { running, pastUs, factor } = usePlayer.getState();
    if (nowUs >= untilUs || nowUs < sinceUs || !running || pastUs !== null) return;
    await wait(Math.max(leastWaitMs, usToMs(untilUs - nowUs) / factor));
  }
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

import { contactOf, pressTrain, type SwitchModel } from '../contact/index.ts';
import { human, type ContactFigures, type Edge } from '../gadget/index.ts';
import { noiseAt } from '../kernel/index.ts';
import type { WireTrace } from './capture.ts';

/** What the practice device is clipped to: the models that a maker meets, a little off their typical figures. */
const onTheBench: readonly SwitchModel[] = ['dome', 'snap', 'leaf', 'membrane', 'worn'];

/** A switch of a class, as it really is: every figure up to a quarter off. */
function realSwitch(model: SwitchModel, seed: number): ContactFigures {
  const contact = contactOf(model);
  const off = (value: number, n: number) =>
    Math.round(value * (0.75 + ((noiseAt(seed, 0xdec, n) % 1_000) / 1_000) * 0.5));
  return {
    ...contact,
    closeMaxUs: off(contact.closeMaxUs, 0),
    openMaxUs: off(contact.openMaxUs, 1),
    againPerMille: Math.min(900, off(contact.againPerMille, 2)),
    gapMedianUs: off(contact.gapMedianUs, 3),
  };
}

/**
 * A simulated capture device: clipped to a switch, it records presses of a hand at a microsecond, pulled up as most
 * are, so that a press pulls the wire down.
 * @param presses at most as many as a capture keeps @param seed another one is another switch of the bench
 */
export function capturePractice(
  presses: number,
  seed: number,
): { model: SwitchModel; contact: ContactFigures; trace: WireTrace } {
  const model = onTheBench[noiseAt(seed, 0xdec, 9) % onTheBench.length]!;
  const contact = realSwitch(model, seed);
  const { edgeUs, upUs } = pressTrain(contact, human, presses, seed);
  const edges = Array.from(edgeUs, (atUs, n): Edge => ({ atUs, level: n % 2 === 0 ? 0 : 1 }));
  return { model, contact, trace: { name: 'switch', first: 1, edges, endUs: upUs.at(-1)! + 300_000 } };
}

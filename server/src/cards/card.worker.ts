import { cardOf, portraitOf, type Card, type Gadget, type Portrait } from '@hum-lever/core';
import { parentPort } from 'node:worker_threads';

export interface CardTask {
  gadget: Gadget;
  /** The revision before it, if one is kept. */
  before: Gadget | null;
}
export interface CardTold {
  card: Card | null;
  portrait: Portrait | null;
}

parentPort!.on('message', ({ gadget, before }: CardTask) => {
  const told: CardTold = { card: null, portrait: null };
  // What one cannot be made of can still have the other.
  try {
    told.portrait = portraitOf(gadget);
    told.card = cardOf(gadget, before);
  } catch (error) {
    process.stderr.write(`card of ${gadget.name}: ${(error as Error).message}\n`);
  }
  parentPort!.postMessage(told);
});

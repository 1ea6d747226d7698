/** The dearest legal documents: what a virtual second of each costs, and what a part of the kernel's work takes. */
import { performance } from 'node:perf_hooks';
import { dearDocuments } from './attackDear.mjs';
const core = await import('../core/dist/index.js');

const kinds = 12;

export async function dearRows() {
  let dearest = { name: '', ms: 0 };
  let slice = { name: '', ms: 0 };
  const ns = [];
  for (let n = 0; n < kinds; n += 1) {
    const { name, document } = dearDocuments(core, { below: (most) => most >> 1 }, n);
    const { gadget } = core.readGadget(document);
    if (!gadget) throw new Error(`${name} is no gadget`);
    const machine = new core.Machine(gadget, 1);
    const began = performance.now();
    for (let come = false; !come;) {
      const from = performance.now();
      come = machine.advance(1_000_000, 1_000_000);
      machine.takeTrace();
      const ms = performance.now() - from;
      if (ms > slice.ms) slice = { name, ms };
    }
    const ms = performance.now() - began;
    if (ms > dearest.ms) dearest = { name, ms };
    if (machine.work > 50_000_000) ns.push((ms * 1_000_000) / machine.work);
  }
  ns.sort((a, b) => a - b);
  return [
    ['the dearest legal document: a virtual second of it', `${dearest.ms.toFixed(0)} ms`, dearest.name],
    ['the longest slice, between two looks at a pause', `${slice.ms.toFixed(0)} ms`, slice.name],
    [
      'a part of the kernel’s work, over dear documents',
      `${ns[ns.length >> 1].toFixed(1)} ns`,
      `${ns[0].toFixed(1)} to ${ns.at(-1).toFixed(1)} ns`,
    ],
  ];
}

import type { Gadget, Laid } from '@hum-lever/core';
import { useEffect, useState } from 'react';
import { edit, useDocument, useGadget } from '../../client/index.ts';
import { count } from '../../shared/index.ts';
import { lab } from '../../workers/index.ts';

export type Impossible = Extract<Laid, { outcome: 'impossible' }>;

/** What there is to say about a wiring that was laid. */
function sentence({ cost, bound, crossings, wires }: Extract<Laid, { outcome: 'laid' }>): string {
  const proven =
    cost === bound
      ? 'no other choice of pins costs less'
      : `at most ${cost - bound} of ${cost} could be saved`;
  return `${count(wires.length, 'wire')} laid: ${proven}; ${count(crossings, 'crossing')}${crossings > 0 ? ', and fewer by no swap of two of them' : ''}. What is soldered stayed.`;
}

/** Lets the solver work in the lab, takes over what it finds, and remembers why it could not. */
export function useLaying() {
  const gadget = useDocument();
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState('');
  const [found, setFound] = useState<{ for: Gadget; impossible: Impossible } | null>(null);
  const lay = async () => {
    setBusy(true);
    const asked = useGadget.getState().document!;
    try {
      const laid = await lab().lay(asked);
      const now = useGadget.getState().document;
      if (now !== asked) setSaid('It was changed meanwhile; lay the wires again.');
      else if (laid?.outcome === 'laid') {
        setSaid(edit({ name: 'layWires', args: [laid.wires] }) ?? sentence(laid));
        setFound(null);
      } else if (laid?.outcome === 'impossible') {
        setSaid('');
        setFound({ for: asked, impossible: laid });
      } else
        setSaid(
          'No wiring was found in the time there is, and none was proven impossible. Solder a few by hand and try again.',
        );
    } catch (error) {
      setSaid((error as Error).message);
    }
    setBusy(false);
  };
  // A change may have made it possible, or impossible for another reason.
  useEffect(() => {
    if (found === null || found.for === gadget) return;
    let current = true;
    void lab()
      .lay(gadget)
      .then(
        (laid) =>
          current && setFound(laid?.outcome === 'impossible' ? { for: gadget, impossible: laid } : null),
      );
    return () => {
      current = false;
    };
  }, [found, gadget]);
  return { busy, said, impossible: found?.impossible ?? null, lay: () => void lay() };
}

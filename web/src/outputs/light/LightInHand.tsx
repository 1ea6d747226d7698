import { safelyShown, type Light } from '@hum-lever/core';
import { useIsLit } from '../../shared/index.ts';
import { useOutput } from '../useOutput.ts';
import { Lamp } from './Lamp.tsx';

export function LightInHand({ output: { id, name, colour } }: { output: Light }) {
  const lit = useOutput('light', id);
  const capped = lit !== undefined && safelyShown(lit) !== lit;
  const pointed = useIsLit(id);
  return (
    <div data-lit={pointed}>
      <Lamp name={name} colour={lit?.colour ?? colour} lit={lit} fast={capped} />
    </div>
  );
}

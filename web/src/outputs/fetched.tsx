import { Suspense, type ComponentType } from 'react';
import { onDemand } from '../shared/index.ts';

/** What is seen of some kinds of output is fetched where a gadget has one: others do not wait for it. */
export function fetched<P extends object>(
  load: () => Promise<ComponentType<P>>,
): (props: P) => React.ReactNode {
  const Fetched = onDemand(() => load().then((component) => ({ default: component })));
  return (props) => (
    <Suspense fallback={null}>
      <Fetched {...props} />
    </Suspense>
  );
}

import { lazy, useState, type ComponentType, type LazyExoticComponent } from 'react';

// Whatever its props are: the same that `lazy` of React takes.
// eslint-disable-next-line @typescript-eslint/no-explicit-any
type AnyComponent = ComponentType<any>;
type Load<C extends AnyComponent> = () => Promise<{ default: C }>;

/**
 * A component that comes when it is first wanted. Where it cannot be fetched, because the server is away just then, its
 * place says so and tries again when asked; everything else goes on.
 */
export const onDemand = <C extends AnyComponent>(load: Load<C>): LazyExoticComponent<C> =>
  lazy(() => load().catch(() => ({ default: ((props) => <Missing load={load} props={props} />) as C })));

/** The same for what the page can do without: in its place there is nothing. */
export const optional = <C extends AnyComponent>(load: Load<C>): LazyExoticComponent<C> =>
  lazy(() => load().catch(() => ({ default: (() => null) as unknown as C })));

function Missing({ load, props }: { load: Load<AnyComponent>; props: object }) {
  const [Found, setFound] = useState<AnyComponent | null>(null);
  const [tries, setTries] = useState(0);
  if (Found) return <Found {...props} />;
  const again = async () => {
    try {
      const { default: found } = await load();
      setFound(() => found);
    } catch {
      // Browsers remember that a module failed: once the server answers, only the page anew gets it.
      const answers = await fetch('/', { method: 'HEAD', cache: 'no-store' }).catch(() => null);
      if (answers?.ok) location.reload();
      else setTries(tries + 1);
    }
  };
  return (
    <div className="missing" role="alert" key={tries}>
      What was to be here could not be fetched: the server does not answer. What you work on stays.{' '}
      <button type="button" onClick={() => void again()}>
        Try again
      </button>
    </div>
  );
}

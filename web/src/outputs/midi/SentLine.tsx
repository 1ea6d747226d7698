import { OutputFigure } from '../Figure.tsx';
import { useOutput } from '../useOutput.ts';

/** What went out over the wire last. */
export function SentLine({
  output: { id, kind, name },
}: {
  output: { id: string; kind: 'midi'; name: string };
}) {
  const last = useOutput(kind, id)?.lines.at(-1);
  return (
    <OutputFigure id={id} name={name}>
      {last ?? 'nothing yet'}
    </OutputFigure>
  );
}

import { OutputFigure } from './Figure.tsx';
import { useOutput } from './useOutput.ts';

/** What went out last, over the wire or as typing. */
export function SentLine({
  output: { id, kind, name },
}: {
  output: { id: string; kind: 'midi' | 'typist'; name: string };
}) {
  const last = useOutput(kind, id)?.lines.at(-1);
  return (
    <OutputFigure id={id} name={name} on={null}>
      {last ?? 'nothing yet'}
    </OutputFigure>
  );
}

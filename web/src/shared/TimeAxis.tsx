import { showDuration } from './units.ts';

/** A round step such that about `wanted` of them fill the span. */
export function tickStep(spanUs: number, wanted: number): number {
  const rough = spanUs / wanted;
  const power = 10 ** Math.floor(Math.log10(rough));
  return [1, 2, 5, 10].map((n) => n * power).find((step) => step >= rough)!;
}

/** Tick marks with their times along the foot of a drawing. */
export function TimeAxis({
  fromUs,
  toUs,
  width,
  y,
  ticks: wanted = 8,
}: {
  fromUs: number;
  toUs: number;
  width: number;
  y: number;
  ticks?: number;
}) {
  const step = tickStep(toUs - fromUs, wanted);
  const moments: number[] = [];
  for (let at = 0; at <= toUs - fromUs; at += step) moments.push(at);
  const x = (at: number) => (at / (toUs - fromUs)) * width;
  return (
    <g stroke="var(--line)" fill="var(--soft)" fontSize={11} fontFamily="var(--number)">
      {moments.map((at) => (
        <g key={at} transform={`translate(${x(at)} ${y})`}>
          <path d="M0 0 V5" />
          <text x={3} y={12} stroke="none">
            {showDuration(at)}
          </text>
        </g>
      ))}
    </g>
  );
}

import { NumberField } from '../shared/index.ts';

/** How near the nearest ear comes to what sounds. */
export function NearestEar({
  output: { name, nearCm },
  change,
}: {
  output: { name: string; nearCm: number };
  change: (patch: { nearCm: number }) => string | null;
}) {
  return (
    <>
      <span>nearest ear</span>
      <NumberField
        label=""
        aria-label={`Nearest ear to ${name}`}
        unit="cm"
        width={94}
        min={1}
        max={1_000}
        value={nearCm}
        commit={(value) => change({ nearCm: value })}
      />
    </>
  );
}

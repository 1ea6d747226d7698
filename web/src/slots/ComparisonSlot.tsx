import { comparisons, type Comparison } from '@hum-lever/core';
import { Choice } from '../shared/index.ts';

export function ComparisonSlot({
  value,
  choose,
}: {
  value: Comparison;
  choose: (comparison: Comparison) => void;
}) {
  return (
    <Choice
      label="Comparison"
      data={[...comparisons]}
      value={value}
      choose={(chosen) => choose(chosen as Comparison)}
    />
  );
}

import { ExpressionSlot } from '../slots/index.ts';

/** “at 40 %”: how loud. */
export const LoudSlot = ({
  value,
  commit,
}: {
  value: string;
  commit: (percent: string) => string | null;
}) => (
  <>
    at
    <ExpressionSlot short label="Loudness, 0 to 100" value={value} commit={commit} />%
  </>
);

import { NumberField } from '../../shared/index.ts';

/** “channel 1”. */
export const ChannelSlot = ({
  value,
  commit,
}: {
  value: number;
  commit: (channel: number) => string | null;
}) => (
  <>
    channel
    <NumberField label="" aria-label="Channel" width={62} min={1} max={16} value={value} commit={commit} />
  </>
);

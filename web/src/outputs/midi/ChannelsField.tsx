import { TextField } from '../../shared/index.ts';

const showChannels = (channels: readonly number[]): string =>
  channels.length === 0 ? 'all' : channels.join(', ');
/** @returns null: these are no channels */
function readChannels(typed: string): number[] | null {
  if (/^\s*(all)?\s*$/i.test(typed)) return [];
  const channels = typed
    .split(/[\s,;]+/)
    .filter(Boolean)
    .map(Number);
  const fits = channels.every((one) => Number.isInteger(one) && one >= 1 && one <= 16);
  return fits ? [...new Set(channels)].sort((a, b) => a - b) : null;
}

/** “all”, or “1, 2, 10”. */
export const ChannelsField = ({
  label,
  channels,
  commit,
}: {
  label: string;
  channels: readonly number[];
  commit: (channels: number[]) => string | null;
}) => (
  <TextField
    size="xs"
    w={110}
    quoted={false}
    classNames={{ input: 'number' }}
    aria-label={label}
    value={showChannels(channels)}
    commit={(typed) => {
      const read = readChannels(typed);
      return read ? commit(read) : 'Expected “all”, or channels from 1 to 16 such as 1, 2, 10.';
    }}
  />
);

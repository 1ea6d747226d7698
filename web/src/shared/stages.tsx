import {
  IconBulb,
  IconHandFinger,
  IconPlugConnected,
  IconRoute,
  IconWaveSquare,
  type Icon,
} from '@tabler/icons-react';
import classes from './stages.module.css';

/** The stages of the path: each with a colour, an icon and a line style, so that colour is never the only sign. */
export const stages = ['contact', 'clean', 'gesture', 'state', 'output'] as const;
export type Stage = (typeof stages)[number];

const icons: Record<Stage, Icon> = {
  contact: IconPlugConnected,
  clean: IconWaveSquare,
  gesture: IconHandFinger,
  state: IconRoute,
  output: IconBulb,
};

export function StageIcon({ stage, size = 16 }: { stage: Stage; size?: number }) {
  const Icon = icons[stage];
  return <Icon className={`stage-${stage} ${classes.icon}`} size={size} stroke={1.8} aria-hidden />;
}

import { fetched } from '../fetched.tsx';
import type { Picture } from '../picture.ts';

const PlayerInHand = fetched(() => import('./PlayerInHand.tsx').then((it) => it.PlayerInHand));

export const player: Picture<'player'> = { Shown: PlayerInHand, wide: false };

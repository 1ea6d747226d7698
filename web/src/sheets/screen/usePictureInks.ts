import { useMemo } from 'react';
import { useDocument } from '../../client/index.ts';
import { pictureInks } from '../../outputs/screen/inks.ts';

/** Inks that pictures are drawn in; the same as long as no display changes. */
export function usePictureInks(): ReturnType<typeof pictureInks> {
  const { outputs } = useDocument();
  return useMemo(() => pictureInks({ outputs }), [outputs]);
}

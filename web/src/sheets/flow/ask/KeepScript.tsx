import { Button } from '@mantine/core';
import type { Script, Trial } from '@hum-lever/core';
import { useState } from 'react';
import { useParams } from 'react-router';
import { api, keys, queryClient } from '../../../client/index.ts';

/** Keeps a way as a trial, to be played and judged on any revision. */
export function KeepScript({ script, name }: { script: Script; name: string }) {
  const { gadgetId } = useParams();
  const [said, setSaid] = useState<string | null>(null);
  const keep = async () => {
    const trial: Trial = {
      name,
      seed: script.seed,
      stimuli: script.stimuli as Trial['stimuli'],
      endUs: script.endUs,
      expectations: [],
    };
    await api.createTrial(gadgetId!, trial);
    void queryClient.invalidateQueries({ queryKey: keys.trials(gadgetId!) });
  };
  return (
    <>
      <Button
        size="compact-sm"
        variant="default"
        onClick={() =>
          keep()
            .then(() => setSaid('Kept: it stands on the Trials sheet.'))
            .catch((error: Error) => setSaid(error.message))
        }
      >
        Keep as a trial
      </Button>
      {said !== null && <span role="status">{said}</span>}
    </>
  );
}

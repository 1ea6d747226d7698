import { useState } from 'react';
import { useNavigate } from 'react-router';
import { keepTrial, nextTrialName, useGadget } from '../client/index.ts';
import { lab, player, traceNow, usePlayer } from '../workers/index.ts';

/** Recording a trial: what hands do from power-up on, until it is kept or forgotten. */
export function useRecording() {
  const recording = usePlayer((state) => state.recording);
  const [failure, setFailure] = useState<string | null>(null);
  const navigate = useNavigate();

  const keep = async () => {
    const id = useGadget.getState().id!;
    const name = await nextTrialName();
    const trial = await lab().recordedTrial(name, await player.collect(), traceNow());
    const stored = await keepTrial(trial);
    usePlayer.setState({ recording: false });
    void navigate(`/g/${id}/trials?trial=${stored.id}`);
  };

  return {
    recording,
    failure,
    start: () => {
      setFailure(null);
      player.record(useGadget.getState().document!);
    },
    keep: () => {
      setFailure(null);
      // Nothing is forgotten where keeping fails: it can be tried again.
      keep().catch((error: Error) => setFailure(error.message));
    },
    forget: () => usePlayer.setState({ recording: false }),
  };
}

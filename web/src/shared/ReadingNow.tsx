import { Button, Loader } from '@mantine/core';
import { useEffect, useState } from 'react';

/** Most files are read before anybody has seen that they are. */
const afterMs = 250;

/** Says that a file is being read, and stops it. */
export function ReadingNow({ reading, stop }: { reading: boolean; stop: () => void }) {
  const [shown, setShown] = useState(false);
  useEffect(() => {
    if (!reading) return;
    const timer = setTimeout(() => setShown(true), afterMs);
    return () => {
      clearTimeout(timer);
      setShown(false);
    };
  }, [reading]);
  if (!reading || !shown) return null;
  return (
    <p role="status">
      <Loader size="xs" mr={8} />
      Reading the file…{' '}
      <Button size="compact-xs" variant="default" onClick={stop}>
        Stop
      </Button>
    </p>
  );
}

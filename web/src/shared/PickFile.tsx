import { FileButton, type FileButtonProps } from '@mantine/core';
import { useRef } from 'react';

/** Takes a file from the disk; the same one again, too, when it has been put right meanwhile. */
export function PickFile({
  accept,
  take,
  children,
}: {
  accept: string;
  take: (file: File) => void;
  children: FileButtonProps['children'];
}) {
  const reset = useRef<() => void>(null);
  return (
    <FileButton
      accept={accept}
      resetRef={reset}
      onChange={(file) => {
        if (file) take(file);
        // The browser tells of no change where the name is the one that it holds.
        reset.current?.();
      }}
    >
      {children}
    </FileButton>
  );
}

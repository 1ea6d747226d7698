import { ActionIcon } from '@mantine/core';
import type { ReactNode } from 'react';

/** Something to do with what stands on a page, as a sign. */
export function Tool({
  label,
  disabled = false,
  onClick,
  children,
}: {
  label: string;
  disabled?: boolean;
  onClick: () => void;
  children: ReactNode;
}) {
  return (
    <ActionIcon
      size="sm"
      variant="subtle"
      aria-label={label}
      title={label}
      disabled={disabled}
      onClick={onClick}
    >
      {children}
    </ActionIcon>
  );
}

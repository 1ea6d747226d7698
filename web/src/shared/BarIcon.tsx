import { ActionIcon, Tooltip, useComputedColorScheme, useMantineColorScheme } from '@mantine/core';
import { IconMoon, IconSun, type Icon } from '@tabler/icons-react';

export function BarIcon({
  label,
  icon: Icon,
  onClick,
  disabled = false,
}: {
  label: string;
  icon: Icon;
  onClick: () => void;
  disabled?: boolean;
}) {
  return (
    <Tooltip label={label}>
      <ActionIcon variant="subtle" size="lg" aria-label={label} onClick={onClick} disabled={disabled}>
        <Icon size={19} stroke={1.7} />
      </ActionIcon>
    </Tooltip>
  );
}

export function ThemeButton() {
  const { setColorScheme } = useMantineColorScheme();
  const scheme = useComputedColorScheme('light');
  const dark = scheme === 'dark';
  return (
    <BarIcon
      label={dark ? 'Daylight colours' : 'Night market colours'}
      icon={dark ? IconSun : IconMoon}
      onClick={() => setColorScheme(dark ? 'light' : 'dark')}
    />
  );
}

import { ActionIcon, Menu } from '@mantine/core';
import { IconDots } from '@tabler/icons-react';
import type { State } from '@hum-lever/core';
import { Suspense } from 'react';
import { onDemand } from '../../shared/index.ts';

const StateItems = onDemand(() => import('./StateItems.tsx'));

/** What can be done with a whole state, as a menu whose entries come when it is first opened. */
export function StateMenu(props: { state: State; first: boolean }) {
  return (
    <Menu position="bottom-end">
      <Menu.Target>
        <ActionIcon variant="subtle" aria-label={`More for ${props.state.name}`}>
          <IconDots size={18} />
        </ActionIcon>
      </Menu.Target>
      <Menu.Dropdown mah={420} style={{ overflow: 'auto' }}>
        <Suspense>
          <StateItems {...props} />
        </Suspense>
      </Menu.Dropdown>
    </Menu>
  );
}

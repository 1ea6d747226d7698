import {
  IconCircuitPushbutton,
  IconFlag,
  IconHandFinger,
  IconNotebook,
  IconRoute,
  type Icon,
} from '@tabler/icons-react';
import type { Place } from '@hum-lever/core';
import { lazy, type ComponentType, type LazyExoticComponent } from 'react';

export interface Sheet {
  id: string;
  title: string;
  group: 'Plan' | 'Shape' | 'Prove';
  icon: Icon;
  page: LazyExoticComponent<ComponentType>;
}

/** The sheets in the order of the work: the one list that routes, spine and commands are made from. */
export const sheets: readonly Sheet[] = [
  {
    id: 'brief',
    title: 'Brief',
    group: 'Plan',
    icon: IconNotebook,
    page: lazy(() => import('../sheets/brief/index.ts')),
  },
  {
    id: 'parts',
    title: 'Parts',
    group: 'Plan',
    icon: IconCircuitPushbutton,
    page: lazy(() => import('../sheets/parts/index.ts')),
  },
  {
    id: 'feel',
    title: 'Feel',
    group: 'Shape',
    icon: IconHandFinger,
    page: lazy(() => import('../sheets/feel/index.ts')),
  },
  {
    id: 'flow',
    title: 'Flow',
    group: 'Shape',
    icon: IconRoute,
    page: lazy(() => import('../sheets/flow/index.ts')),
  },
  {
    id: 'trials',
    title: 'Trials',
    group: 'Prove',
    icon: IconFlag,
    page: lazy(() => import('../sheets/trials/index.ts')),
  },
];

/** The sheet on which a snag's place is found. */
export function sheetOf(rule: string, place: Place): string {
  if (place.kind === 'control') return rule.startsWith('F') ? 'feel' : 'parts';
  return place.kind === 'output' ? 'parts' : 'flow';
}

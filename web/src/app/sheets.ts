import {
  IconAspectRatio,
  IconCircuitPushbutton,
  IconFlag,
  IconHandFinger,
  IconMusic,
  IconNotebook,
  IconPlug,
  IconRoute,
  type Icon,
} from '@tabler/icons-react';
import type { Place } from '@hum-lever/core';
import { type ComponentType, type LazyExoticComponent } from 'react';
import type { SheetId } from './doable.ts';
import { onDemand } from '../shared/onDemand.tsx';
import { sheetPages } from './sheetPages.ts';

export interface Sheet {
  id: SheetId;
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
    page: onDemand(sheetPages.brief),
  },
  {
    id: 'parts',
    title: 'Parts',
    group: 'Plan',
    icon: IconCircuitPushbutton,
    page: onDemand(sheetPages.parts),
  },
  {
    id: 'wiring',
    title: 'Wiring',
    group: 'Plan',
    icon: IconPlug,
    page: onDemand(sheetPages.wiring),
  },
  {
    id: 'feel',
    title: 'Feel',
    group: 'Shape',
    icon: IconHandFinger,
    page: onDemand(sheetPages.feel),
  },
  {
    id: 'flow',
    title: 'Flow',
    group: 'Shape',
    icon: IconRoute,
    page: onDemand(sheetPages.flow),
  },
  {
    id: 'screen',
    title: 'Screen',
    group: 'Shape',
    icon: IconAspectRatio,
    page: onDemand(sheetPages.screen),
  },
  {
    id: 'sound',
    title: 'Sound',
    group: 'Shape',
    icon: IconMusic,
    page: onDemand(sheetPages.sound),
  },
  {
    id: 'trials',
    title: 'Trials',
    group: 'Prove',
    icon: IconFlag,
    page: onDemand(sheetPages.trials),
  },
];

/** Rules whose snags are about what a part is, not about where it leads. */
const aboutParts = /^(G|N|P|S)/;

/** The sheet on which a snag's place is found. */
export function sheetOf(rule: string, place: Place): string {
  switch (place.kind) {
    case 'control':
      return rule.startsWith('F') ? 'feel' : 'parts';
    case 'output':
      if (rule.startsWith('S')) return 'screen';
      return rule.startsWith('N') ? 'sound' : 'parts';
    case 'page':
    case 'picture':
    case 'font':
    case 'menu':
      return 'screen';
    case 'tune':
    case 'effect':
      return 'sound';
    case 'word':
    case 'task':
      return 'brief';
    case 'part':
      return aboutParts.test(rule) ? 'parts' : 'wiring';
    case 'keySet':
    case 'board':
      return rule.startsWith('G') ? 'parts' : 'wiring';
    default:
      return 'flow';
  }
}

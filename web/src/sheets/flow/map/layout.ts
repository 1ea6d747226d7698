import {
  isHistory,
  nestingOf,
  showTrigger,
  stateLabels,
  type Gadget,
  type Nesting,
  type Rule,
  type State,
} from '@hum-lever/core';
import type { ElkEdgeSection, ElkExtendedEdge, ElkNode } from 'elkjs/lib/elk-api.js';

/** A box of the map. Places in px of the drawing. */
export interface Box {
  id: string;
  name: string;
  kind: State['kind'] | 'begin';
  x: number;
  y: number;
  width: number;
  height: number;
  holds: boolean;
}
/** An arrow of the map: a rule, or where something begins (ruleId null). */
export interface Arrow {
  id: string;
  ruleId: string | null;
  fromId: string;
  points: { x: number; y: number }[];
  label: { text: string; x: number; y: number } | null;
}
export interface MapDrawing {
  width: number;
  height: number;
  boxes: Box[];
  arrows: Arrow[];
}

export type Direction = 'DOWN' | 'RIGHT';

const charPx = 7.1;
const rowPx = 20;
const longestLabel = 26;

const widthOf = (text: string, perChar = charPx) => Math.ceil([...text].length * perChar) + 18;
const shortened = (text: string) =>
  text.length > longestLabel ? `${text.slice(0, longestLabel - 1)}…` : text;

/** What stands at an arrow: what the rule waits for, and a sign where it has a condition. */
export const arrowText = (rule: Rule, gadget: Gadget): string =>
  shortened(showTrigger(rule.trigger, gadget) + (rule.guard === null ? '' : ' ?'));

const layered = {
  'elk.algorithm': 'layered',
  'elk.hierarchyHandling': 'INCLUDE_CHILDREN',
  'elk.json.shapeCoords': 'ROOT',
  'elk.json.edgeCoords': 'ROOT',
  'elk.edgeRouting': 'ORTHOGONAL',
  'elk.layered.spacing.nodeNodeBetweenLayers': '34',
  'elk.spacing.nodeNode': '26',
  'elk.spacing.edgeNode': '14',
  'elk.spacing.edgeEdge': '10',
  'elk.layered.considerModelOrder.strategy': 'NODES_AND_EDGES',
  'elk.layered.cycleBreaking.strategy': 'MODEL_ORDER',
};

function nodeOf(state: State, nesting: Nesting): ElkNode {
  const inner = nesting.childrenOf(state.id);
  const begins = inner.length > 0 && state.kind === 'plain';
  if (inner.length === 0) {
    const small = isHistory(state) || state.kind === 'final';
    return {
      id: state.id,
      width: small ? Math.max(34, widthOf(state.name)) : Math.max(64, widthOf(state.name)),
      height: 34,
    };
  }
  return {
    id: state.id,
    children: [...(begins ? [beginOf(state.id)] : []), ...inner.map((one) => nodeOf(one, nesting))],
    layoutOptions: {
      'elk.padding': `[top=${rowPx + 14},left=14,bottom=14,right=14]`,
      'elk.nodeSize.constraints': 'MINIMUM_SIZE',
      'elk.nodeSize.minimum': `(${Math.max(90, widthOf(state.name, 8))}, 60)`,
    },
  };
}
const beginId = (id: string | null) => `begin ${id ?? 'all'}`;
const beginOf = (id: string | null): ElkNode => ({
  id: beginId(id),
  width: 12,
  height: 12,
  layoutOptions: { 'elk.layered.layering.layerConstraint': 'FIRST' },
});

/** The flow as the layout library wants it. */
export function graphOf(gadget: Gadget, direction: Direction): ElkNode {
  const { flow } = gadget;
  const nesting = nestingOf(flow);
  const edges: ElkExtendedEdge[] = [];
  const lead = (id: string, from: string, to: string, text: string) =>
    edges.push({
      id,
      sources: [from],
      targets: [to],
      ...(text !== '' && { labels: [{ text, width: widthOf(text, 6.2), height: 16 }] }),
    });
  if (flow.initialId !== null) lead('begin all', beginId(null), flow.initialId, '');
  for (const state of nesting.ordered) {
    const inner = nesting.childrenOf(state.id).filter((one) => !isHistory(one));
    const first = state.initial?.targetIds ?? inner.slice(0, 1).map(({ id }) => id);
    if (inner.length > 0 && state.kind === 'plain')
      first.forEach((id) => lead(`begin ${state.id} ${id}`, beginId(state.id), id, ''));
    for (const rule of state.rules)
      for (const target of rule.targetIds)
        lead(`${rule.id} ${target}`, state.id, target, arrowText(rule, gadget));
  }
  return {
    id: 'all',
    layoutOptions: { ...layered, 'elk.direction': direction },
    children: [beginOf(null), ...nesting.childrenOf(null).map((one) => nodeOf(one, nesting))],
    edges,
  };
}

/** What the layout library made of it. */
export function drawingOf(gadget: Gadget, laid: ElkNode): MapDrawing {
  const labels = stateLabels(gadget);
  const states = new Map(gadget.flow.states.map((state) => [state.id, state]));
  const boxes: Box[] = [];
  const visit = ({ id, x = 0, y = 0, width = 0, height = 0, children = [] }: ElkNode) => {
    const state = states.get(id);
    boxes.push({
      id,
      name: state ? state.name : (labels.get(id) ?? ''),
      kind: state?.kind ?? 'begin',
      holds: children.length > 0,
      x,
      y,
      width,
      height,
    });
    children.forEach(visit);
  };
  (laid.children ?? []).forEach(visit);
  const arrows = (laid.edges ?? []).map((edge): Arrow => {
    const [first] = edge.id.split(' ');
    const label = edge.labels?.[0];
    return {
      id: edge.id,
      ruleId: first === 'begin' ? null : first!,
      fromId: edge.sources[0]!,
      points: (edge.sections ?? []).flatMap(pointsOf),
      label: label ? { text: label.text ?? '', x: label.x ?? 0, y: label.y ?? 0 } : null,
    };
  });
  return { width: laid.width ?? 0, height: laid.height ?? 0, boxes, arrows };
}

const pointsOf = ({ startPoint, bendPoints = [], endPoint }: ElkEdgeSection) => [
  startPoint,
  ...bendPoints,
  endPoint,
];

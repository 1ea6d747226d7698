import {
  isHistory,
  nestingOf,
  showExpression,
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
  /** A tag stands for a state that lies far back: an arrow to it would cross all that lies between. */
  kind: State['kind'] | 'begin' | 'tag';
  x: number;
  y: number;
  width: number;
  height: number;
  holds: boolean;
  /** The state that a click opens; of a tag the one that it stands for. */
  stateId: string;
}
/** What one rule says at its arrow. */
export interface Saying {
  ruleId: string;
  lines: readonly string[];
}
/** An arrow of the map: all rules that lead from one state to another, or where something begins (no rule). */
export interface Arrow {
  id: string;
  fromId: string;
  toId: string;
  sayings: readonly Saying[];
  points: { x: number; y: number }[];
  /** Where what they say stands. */
  label: { x: number; y: number } | null;
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
/** A line of what stands at an arrow. */
export const linePx = 15;
const longestLine = 24;
const mostLines = 3;

const widthOf = (text: string, perChar = charPx) => Math.ceil([...text].length * perChar) + 18;

/** In lines, broken between words; what is too much for them is left out behind a word, and said so. */
export function linesOf(text: string): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + 1 + word.length <= longestLine)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  if (lines.length <= mostLines) return lines;
  return [...lines.slice(0, mostLines - 1), `${lines[mostLines - 1]!} …`];
}

/** What a rule waits for, and under what condition; its number where another of its state waits for the same. */
export function sayingOf(rule: Rule, state: State, gadget: Gadget): Saying {
  const asked = (one: Rule) => showTrigger(one.trigger, gadget);
  const alike = state.rules.filter((one) => asked(one) === asked(rule)).length > 1;
  const number = alike ? `${state.rules.indexOf(rule) + 1}. ` : '';
  const guard = rule.guard === null ? '' : `if ${showExpression(rule.guard, gadget)}`;
  // As soon as something holds: what, is all there is to say.
  const said = rule.trigger.kind === 'always' && guard !== '' ? guard : `${asked(rule)} ${guard}`.trim();
  return { ruleId: rule.id, lines: linesOf(number + said) };
}

const layered = {
  'elk.algorithm': 'layered',
  'elk.hierarchyHandling': 'INCLUDE_CHILDREN',
  'elk.json.shapeCoords': 'ROOT',
  'elk.json.edgeCoords': 'ROOT',
  'elk.edgeRouting': 'ORTHOGONAL',
  'elk.layered.spacing.nodeNodeBetweenLayers': '24',
  'elk.spacing.nodeNode': '20',
  'elk.spacing.edgeNode': '14',
  'elk.spacing.edgeEdge': '10',
  'elk.layered.considerModelOrder.strategy': 'NODES_AND_EDGES',
  'elk.layered.cycleBreaking.strategy': 'MODEL_ORDER',
};

/** Tags by the state beside which they stand, innermost place. */
type Tags = ReadonlyMap<string | null, readonly ElkNode[]>;

function nodeOf(state: State, nesting: Nesting, tags: Tags): ElkNode {
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
    children: [
      ...(begins ? [beginOf(state.id)] : []),
      ...inner.map((one) => nodeOf(one, nesting, tags)),
      ...(tags.get(state.id) ?? []),
    ],
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

const tagId = (from: string, to: string) => `tag ${from} ${to}`;

/** Whether an arrow from one state to another would go far back: past a state that stands between, or out of its place. */
function isFarBack(from: State, to: State, { ordered, childrenOf, isInside }: Nesting): boolean {
  if (ordered.indexOf(to) >= ordered.indexOf(from)) return false;
  if (to.parentId !== from.parentId) return !isInside(from.id, to.id);
  const beside = childrenOf(from.parentId);
  return beside.indexOf(from) - beside.indexOf(to) > 1;
}
/** Rules that lead from one state to another, as one arrow: those in document order. */
function waysOf(gadget: Gadget, nesting: Nesting) {
  const ways = new Map<string, { id: string; from: State; to: State; tag: boolean; sayings: Saying[] }>();
  for (const from of nesting.ordered)
    for (const rule of from.rules)
      for (const target of rule.targetIds) {
        const to = nesting.byId.get(target);
        if (!to) continue;
        const id = `way ${from.id} ${to.id}`;
        const way = ways.get(id) ?? { id, from, to, tag: isFarBack(from, to, nesting), sayings: [] };
        way.sayings.push(sayingOf(rule, from, gadget));
        ways.set(id, way);
      }
  return [...ways.values()];
}

/** The flow as the layout library wants it. */
export function graphOf(gadget: Gadget, direction: Direction): ElkNode {
  const { flow } = gadget;
  const nesting = nestingOf(flow);
  const labels = stateLabels(gadget);
  const edges: ElkExtendedEdge[] = [];
  const tags = new Map<string | null, ElkNode[]>();
  const lead = (id: string, from: string, to: string, lines: readonly string[]) =>
    edges.push({
      id,
      sources: [from],
      targets: [to],
      ...(lines.length > 0 && {
        labels: [
          {
            text: lines.join('\n'),
            width: Math.max(...lines.map((line) => widthOf(line, 6.6) - 8)),
            height: lines.length * linePx + 2,
          },
        ],
      }),
    });
  if (flow.initialId !== null) lead('begin all', beginId(null), flow.initialId, []);
  for (const state of nesting.ordered) {
    const inner = nesting.childrenOf(state.id).filter((one) => !isHistory(one));
    const first = state.initial?.targetIds ?? inner.slice(0, 1).map(({ id }) => id);
    if (inner.length > 0 && state.kind === 'plain')
      first.forEach((id) => lead(`begin ${state.id} ${id}`, beginId(state.id), id, []));
  }
  for (const { id, from, to, tag, sayings } of waysOf(gadget, nesting)) {
    const lines = sayings.flatMap((one) => one.lines);
    lead(id, from.id, tag ? tagId(from.id, to.id) : to.id, lines);
    if (!tag) continue;
    const name = labels.get(to.id) ?? to.name;
    const node = { id: tagId(from.id, to.id), width: widthOf(`→ ${name}`), height: 24 };
    tags.set(from.parentId, [...(tags.get(from.parentId) ?? []), node]);
  }
  return {
    id: 'all',
    layoutOptions: { ...layered, 'elk.direction': direction },
    children: [
      beginOf(null),
      ...nesting.childrenOf(null).map((one) => nodeOf(one, nesting, tags)),
      ...(tags.get(null) ?? []),
    ],
    edges,
  };
}

/** What the layout library made of it. */
export function drawingOf(gadget: Gadget, laid: ElkNode): MapDrawing {
  const labels = stateLabels(gadget);
  const states = new Map(gadget.flow.states.map((state) => [state.id, state]));
  const ways = new Map(waysOf(gadget, nestingOf(gadget.flow)).map((way) => [way.id, way]));
  const boxes: Box[] = [];
  const visit = ({ id, x = 0, y = 0, width = 0, height = 0, children = [] }: ElkNode) => {
    const state = states.get(id);
    const meant = id.startsWith('tag ') ? id.split(' ').at(-1)! : id;
    boxes.push({
      id,
      stateId: meant,
      name: state ? state.name : (labels.get(meant) ?? ''),
      kind: state?.kind ?? (meant === id ? 'begin' : 'tag'),
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
    const label = edge.labels?.[0];
    return {
      id: edge.id,
      fromId: edge.sources[0]!,
      toId: edge.targets[0]!,
      sayings: ways.get(edge.id)?.sayings ?? [],
      points: (edge.sections ?? []).flatMap(pointsOf),
      label: label ? { x: label.x ?? 0, y: label.y ?? 0 } : null,
    };
  });
  return { width: laid.width ?? 0, height: laid.height ?? 0, boxes, arrows };
}

const pointsOf = ({ startPoint, bendPoints = [], endPoint }: ElkEdgeSection) => [
  startPoint,
  ...bendPoints,
  endPoint,
];

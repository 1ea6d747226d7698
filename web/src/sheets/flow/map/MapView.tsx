import { ActionIcon, Tooltip } from '@mantine/core';
import { IconFocusCentered, IconMinus, IconPlus } from '@tabler/icons-react';
import { statesReached } from '@hum-lever/core';
import { useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { useSearchParams } from 'react-router';
import { useDocument } from '../../../client/index.ts';
import { goTo, saveFile } from '../../../shared/index.ts';
import { MapOverview } from './MapOverview.tsx';
import { useActive, useLastRule } from '../lastRule.ts';
import { linePx, type Arrow, type Box, type MapDrawing } from './layout.ts';
import { ScxmlButtons } from './ScxmlButtons.tsx';
import { standalone } from './standalone.ts';
import { useDrawing } from './useDrawing.ts';
import { useFrame } from './useFrame.ts';
import { useLook } from './useLook.ts';
import classes from './Map.module.css';

const corner = 6;

/** The flow, drawn by itself: states as boxes in one another, rules as arrows. It follows what the cards say. */
export function MapView() {
  const gadget = useDocument();
  const { drawing, failure } = useDrawing(gadget);
  if (failure !== null) return <p role="alert">The map cannot be drawn: {failure}</p>;
  if (!drawing) return <p role="status">Drawing…</p>;
  return <Drawn drawing={drawing} />;
}

/** The middle of a state's box. */
function middleOf({ boxes }: MapDrawing, id: string | undefined): { x: number; y: number } | null {
  const box = boxes.find((one) => one.id === id);
  return box ? { x: box.x + box.width / 2, y: box.y + box.height / 2 } : null;
}

function Drawn({ drawing }: { drawing: MapDrawing }) {
  const gadget = useDocument();
  const active = useActive();
  const lastRuleId = useLastRule();
  const [, setParams] = useSearchParams();
  const svg = useRef<SVGSVGElement>(null);
  // Where it stood when the map was opened: it must not jump about while the gadget is played.
  const [around] = useState(() => middleOf(drawing, active.at(-1)));
  const { frame, size } = useFrame();
  const look = useLook(drawing, around, size, frame);
  const reached = useMemo(() => statesReached(gadget), [gadget]);
  const open = (kind: 'state' | 'rule', id: string) => {
    setParams({}, { replace: false });
    goTo({ kind, id });
  };
  const isLast = ({ sayings }: Arrow) => sayings.some(({ ruleId }) => ruleId === lastRuleId);
  const ordered = [...drawing.arrows].sort((a, b) => Number(isLast(a)) - Number(isLast(b)));
  const onKeyDown = (event: KeyboardEvent) => {
    const moves: Record<string, () => void> = {
      ArrowLeft: () => look.pan(-60, 0),
      ArrowRight: () => look.pan(60, 0),
      ArrowUp: () => look.pan(0, -60),
      ArrowDown: () => look.pan(0, 60),
      '+': () => look.zoom(1.25),
      '-': () => look.zoom(0.8),
      '0': look.fit,
    };
    const move = moves[event.key];
    if (!move || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    move();
  };
  return (
    <>
      <div className={classes.tools}>
        <p>Blue: in hand. Thick: the last rule. Pale: nothing leads there. A click opens the card.</p>
        <Tooltip label="Closer (+)">
          <ActionIcon variant="default" aria-label="Closer" onClick={() => look.zoom(1.25)}>
            <IconPlus size={16} />
          </ActionIcon>
        </Tooltip>
        <Tooltip label="Farther (−)">
          <ActionIcon variant="default" aria-label="Farther" onClick={() => look.zoom(0.8)}>
            <IconMinus size={16} />
          </ActionIcon>
        </Tooltip>
        <Tooltip label="All of it (0)">
          <ActionIcon variant="default" aria-label="All of it" onClick={look.fit}>
            <IconFocusCentered size={16} />
          </ActionIcon>
        </Tooltip>
        <ScxmlButtons
          saveSvg={() =>
            svg.current &&
            saveFile(`${gadget.name} map.svg`, 'image/svg+xml', standalone(svg.current, drawing))
          }
        />
      </div>
      <div
        ref={frame}
        className={classes.frame}
        style={{ height: size.height }}
        tabIndex={0}
        role="group"
        aria-label="Map of the states; arrow keys move it, + and − zoom, 0 shows all of it"
        onKeyDown={onKeyDown}
        {...look.drag}
      >
        <svg ref={svg} className={classes.map} viewBox={look.viewBox} aria-label="Map">
          {[...drawing.boxes]
            .filter(({ kind }) => kind !== 'begin')
            .map((box) => (
              <StateBox
                key={box.id}
                box={box}
                active={active.includes(box.id)}
                pale={!reached.has(box.stateId) && !box.kind.endsWith('istory')}
                open={() => open('state', box.stateId)}
              />
            ))}
          {drawing.boxes
            .filter(({ kind }) => kind === 'begin')
            .map(({ id, x, y }) => (
              <circle key={id} cx={x + 6} cy={y + 6} r={4} fill="var(--ink)" />
            ))}
          {ordered.map((arrow) => (
            <RuleArrow
              key={arrow.id}
              arrow={arrow}
              lastRuleId={lastRuleId}
              pale={arrow.sayings.length > 0 && !reached.has(arrow.fromId)}
              open={(ruleId) => open('rule', ruleId)}
            />
          ))}
        </svg>
        {!look.isWhole && <MapOverview drawing={drawing} active={active} look={look} />}
      </div>
    </>
  );
}

const signs = { tag: '→', history: '↺', deepHistory: '↺↺', final: '◉' } as const;

function StateBox({
  box,
  active,
  pale,
  open,
}: {
  box: Box;
  active: boolean;
  pale: boolean;
  open: () => void;
}) {
  const { x, y, width, height, name, kind, holds } = box;
  const sign = kind in signs ? `${signs[kind as keyof typeof signs]} ` : '';
  return (
    <g className={classes.box} opacity={pale ? 0.45 : 1} onClick={open}>
      <title>{name}</title>
      <rect
        x={x}
        y={y}
        width={width}
        height={height}
        rx={kind === 'tag' ? height / 2 : corner}
        fill={holds ? 'var(--paper)' : 'var(--sheet)'}
        stroke={active ? 'var(--stage-state)' : 'var(--soft)'}
        strokeWidth={active ? 3 : 1}
        strokeDasharray={kind === 'parallel' ? '7 4' : kind === 'tag' ? '2 3' : undefined}
      />
      <text
        x={holds ? x + 12 : x + width / 2}
        y={holds ? y + 21 : y + height / 2 + 5}
        textAnchor={holds ? 'start' : 'middle'}
        fontSize={holds ? 15 : 14}
        fontWeight={holds || active ? 650 : 400}
        fontFamily="Atkinson Hyperlegible Next Variable, sans-serif"
        fill="var(--ink)"
      >
        {sign}
        {name}
      </text>
    </g>
  );
}

/** Three points of a small head at the end of a line. */
function headOf(points: Arrow['points']): string {
  const [tip, before] = [points.at(-1), points.at(-2)];
  if (!tip || !before) return '';
  const length = Math.hypot(tip.x - before.x, tip.y - before.y) || 1;
  const [dx, dy] = [(tip.x - before.x) / length, (tip.y - before.y) / length];
  const at = (back: number, aside: number) =>
    `${tip.x - dx * back - dy * aside},${tip.y - dy * back + dx * aside}`;
  return `${tip.x},${tip.y} ${at(9, 4)} ${at(9, -4)}`;
}

function RuleArrow({
  arrow: { points, label, sayings },
  lastRuleId,
  pale,
  open,
}: {
  arrow: Arrow;
  lastRuleId: string | null;
  pale: boolean;
  open: (ruleId: string) => void;
}) {
  const last = sayings.some(({ ruleId }) => ruleId === lastRuleId);
  const colour = last ? 'var(--stage-state)' : 'var(--soft)';
  const [only] = sayings;
  // Where several rules lead the same way, each is opened by its own words.
  const lines = sayings.flatMap(({ ruleId, lines }) => lines.map((line) => ({ ruleId, line })));
  return (
    <g
      className={only === undefined ? undefined : classes.arrow}
      opacity={pale ? 0.45 : 1}
      onClick={() => only && open(only.ruleId)}
    >
      <polyline
        points={points.map(({ x, y }) => `${x},${y}`).join(' ')}
        fill="none"
        stroke={colour}
        strokeWidth={last ? 3 : 1.2}
        strokeLinejoin="round"
      />
      <polygon points={headOf(points)} fill={colour} />
      {label &&
        lines.map(({ ruleId, line }, n) => (
          <text
            key={n}
            x={label.x + 4}
            y={label.y + 12 + n * linePx}
            fontSize={12}
            fontFamily="Atkinson Hyperlegible Next Variable, sans-serif"
            fill={ruleId === lastRuleId ? 'var(--stage-state)' : 'var(--ink)'}
            fontWeight={ruleId === lastRuleId ? 650 : 400}
            // What lies beneath a label is not drawn through it.
            stroke="var(--paper)"
            strokeWidth={3}
            paintOrder="stroke"
            onClick={(event) => {
              event.stopPropagation();
              open(ruleId);
            }}
          >
            {line}
          </text>
        ))}
    </g>
  );
}

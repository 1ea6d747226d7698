import { tickStep, showOnScale, type Stage } from '../shared/index.ts';
import type { Mark, Span } from './lanes.ts';
import { heightOf, type StripRow } from './rows.ts';

export const axisHeight = 18;
export const labelWidth = 104;

export interface Picture {
  rows: StripRow[];
  marks: Mark[];
  window: Span;
  width: number;
  selected: number | null;
  /** The stretch that is marked. */
  marked: Span | null;
}

/** Lines tell the stages apart without colour: solid, dashed, dotted. */
const dashes: Record<Stage, number[]> = {
  contact: [],
  clean: [5, 2],
  gesture: [2, 2],
  state: [],
  output: [6, 2, 2, 2],
};

/** Draws the strip. Colours come from the page, so that both themes are followed. */
export function paint(
  context: CanvasRenderingContext2D,
  { rows, marks, window, width, selected, marked }: Picture,
): void {
  const style = getComputedStyle(context.canvas);
  const colour = (name: string) => style.getPropertyValue(name).trim();
  const [ink, soft, line, wash, stop] = ['--ink', '--soft', '--line', '--wash', '--stop'].map(colour) as [
    string,
    string,
    string,
    string,
    string,
  ];
  const height = heightOf(rows) + axisHeight;
  const x = (us: number) =>
    labelWidth + ((us - window.fromUs) / (window.toUs - window.fromUs)) * (width - labelWidth);
  const laneOf = new Map(rows.flatMap(({ lanes }) => lanes.map((lane) => [lane.key, lane])));
  context.clearRect(0, 0, width, height);
  context.textBaseline = 'middle';

  for (const mark of marks) {
    if (mark.kind !== 'shade' && mark.kind !== 'thin') continue;
    context.fillStyle = wash;
    if (mark.kind === 'thin') hatch(x(mark.span.fromUs), x(mark.span.toUs));
    if (mark.kind === 'thin') continue;
    context.fillRect(
      x(mark.span.fromUs),
      0,
      Math.max(1, x(mark.span.toUs) - x(mark.span.fromUs)),
      height - axisHeight,
    );
  }
  axis();
  rows.forEach(({ top, height: high }) => {
    context.strokeStyle = line;
    context.setLineDash([]);
    context.lineWidth = 1;
    rule(0, top + high - 0.5, width);
  });
  context.save();
  context.beginPath();
  context.rect(labelWidth, 0, width - labelWidth, height);
  context.clip();
  const written = new Map<string, number>();
  marks.forEach(drawMark);
  if (marked) {
    const [from, to] = [x(marked.fromUs), x(marked.toUs)];
    context.globalAlpha = 0.14;
    context.fillStyle = ink;
    context.fillRect(from, 0, to - from, height - axisHeight);
    context.globalAlpha = 1;
    context.fillRect(from - 0.5, 0, 1, height - axisHeight);
    context.fillRect(to - 0.5, 0, 1, height - axisHeight);
  }
  context.restore();

  function axis(): void {
    const span = window.toUs - window.fromUs;
    const step = tickStep(span, 8);
    context.font = `11px ${colour('--number')}`;
    for (let at = Math.ceil(window.fromUs / step) * step; at <= window.toUs; at += step) {
      context.strokeStyle = line;
      context.lineWidth = 1;
      context.beginPath();
      context.moveTo(Math.round(x(at)) + 0.5, 0);
      context.lineTo(Math.round(x(at)) + 0.5, height - axisHeight + 4);
      context.stroke();
      context.fillStyle = soft;
      if (at >= 0 && x(at) < width - 50)
        context.fillText(showOnScale(at, step), x(at) + 3, height - axisHeight / 2);
    }
  }
  /** Along the upper edge, so that what is kept can still be read. */
  function hatch(from: number, to: number): void {
    context.strokeStyle = soft;
    context.lineWidth = 1;
    context.setLineDash([]);
    context.beginPath();
    for (let at = Math.max(labelWidth, from); at < to; at += 5) {
      context.moveTo(at, 4);
      context.lineTo(at + 3, 0);
    }
    context.stroke();
  }
  function rule(from: number, y: number, to: number): void {
    context.beginPath();
    context.moveTo(from, y);
    context.lineTo(to, y);
    context.stroke();
  }
  function drawMark(mark: Mark): void {
    if (mark.kind === 'shade' || mark.kind === 'thin') return;
    const lane = laneOf.get(mark.lane);
    if (!lane) return;
    const { stage, top: y, height: high } = lane;
    const stroke = colour(`--stage-${stage}`);
    const chosen = mark.entry === selected;
    context.strokeStyle = stroke;
    context.lineWidth = chosen ? 3 : 1.5;
    if (mark.kind === 'level') {
      const [from, to] = [x(mark.span.fromUs), x(mark.span.toUs)];
      const top = y + (mark.level === 1 ? 2 : high - 1.5);
      context.setLineDash(mark.level === 1 ? dashes[stage] : []);
      rule(from, top, to);
      context.setLineDash([]);
      if (mark.span.fromUs === window.fromUs) return;
      context.beginPath();
      context.moveTo(from, y + 2);
      context.lineTo(from, y + high - 1.5);
      context.stroke();
    } else if (mark.kind === 'tick') {
      const at = x(mark.atUs);
      context.strokeStyle = context.fillStyle = mark.bad ? stop : stroke;
      context.beginPath();
      context.moveTo(at, y + 2);
      context.lineTo(at, y + high - 2);
      context.stroke();
      if (mark.text === '') return;
      context.font = `${chosen ? 'bold ' : ''}12px ${style.fontFamily}`;
      // A word that would run into the one before it gives way; it comes when the picture is magnified.
      if (at + 4 < (written.get(mark.lane) ?? 0) && !chosen) return;
      context.fillText(mark.text, at + 4, y + high / 2);
      written.set(mark.lane, at + 10 + context.measureText(mark.text).width);
    } else {
      const from = x(mark.span.fromUs);
      const wide = Math.max(1, x(mark.span.toUs) - from);
      context.setLineDash([]);
      context.globalAlpha = 0.14;
      context.fillStyle = stroke;
      if (!mark.dim) context.fillRect(from, y + 1.5, wide, high - 3.5);
      context.globalAlpha = 1;
      context.beginPath();
      context.moveTo(from, y + 1.5);
      context.lineTo(from, y + high - 2);
      context.stroke();
      if (chosen) context.strokeRect(from, y + 1.5, wide, high - 3.5);
      if (wide < 26) return;
      context.save();
      context.beginPath();
      context.rect(from, y, wide, high);
      context.clip();
      context.font = `12px ${style.fontFamily}`;
      context.fillStyle = mark.dim ? soft : ink;
      context.fillText(mark.text, from + 5, y + high / 2);
      context.restore();
    }
  }
}

/** The entry nearest to a point, within reach of a finger; null: none. */
export function entryAt({ rows, marks, window, width }: Picture, px: number, py: number): number | null {
  const lane = rows.flatMap(({ lanes }) => lanes).find(({ top, height }) => py >= top && py < top + height);
  const us = window.fromUs + ((px - labelWidth) / (width - labelWidth)) * (window.toUs - window.fromUs);
  const reachUs = ((window.toUs - window.fromUs) / (width - labelWidth)) * 9;
  let best: { entry: number; distance: number } | null = null;
  const consider = (entry: number, distance: number) => {
    if (best === null || distance < best.distance) best = { entry, distance };
  };
  for (const mark of marks) {
    if (mark.kind === 'tick' && mark.lane === lane?.key && Math.abs(mark.atUs - us) <= reachUs)
      // A moment is harder to hit than what lasts, so it goes first.
      consider(mark.entry, Math.abs(mark.atUs - us) / (2 * reachUs) - 1);
    else if (
      (mark.kind === 'level' || mark.kind === 'band') &&
      mark.lane === lane?.key &&
      mark.span.fromUs - reachUs <= us &&
      us <= mark.span.toUs
    )
      consider(mark.entry, Math.abs(mark.span.fromUs - us) / (window.toUs - window.fromUs));
    else if (mark.kind === 'shade' && mark.span.fromUs <= us && us <= mark.span.toUs) consider(mark.entry, 2);
  }
  return (best as { entry: number } | null)?.entry ?? null;
}

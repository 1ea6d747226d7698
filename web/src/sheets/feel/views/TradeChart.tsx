import type { DebounceSetting, SweepRow } from '@hum-lever/core';
import { algorithms, protectionOf, sameSetting, wrongAtMost, wrongCounted } from '@hum-lever/core';
import { useMantineColorScheme } from '@mantine/core';
import { LineChart, ScatterChart } from 'echarts/charts';
import { GridComponent, LegendComponent, TooltipComponent } from 'echarts/components';
import { init, use as register, type ECharts } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useRef } from 'react';
import { showDuration } from '../../../shared/index.ts';
import { methodName, settingWords } from '../../../words/index.ts';
import classes from '../Feel.module.css';

register([LineChart, ScatterChart, GridComponent, LegendComponent, TooltipComponent, SVGRenderer]);

interface Trade {
  rows: readonly SweepRow[];
  settings: readonly DebounceSetting[];
  frontier: readonly SweepRow[];
  current: DebounceSetting;
  recommended: DebounceSetting | null;
}

/** A shape for each method, so that colour is not needed to tell them apart. */
const shapes = [
  'circle',
  'rect',
  'triangle',
  'diamond',
  'pin',
  'arrow',
  'roundRect',
  'path://M-1.2 -4 H1.2 V-1.2 H4 V1.2 H1.2 V4 H-1.2 V1.2 H-4 V-1.2 H-1.2 Z',
  'path://M-4 -3 L-3 -4 L0 -1 L3 -4 L4 -3 L1 0 L4 3 L3 4 L0 1 L-3 4 L-4 3 L-1 0 Z',
];
/** None counted is drawn where it may truly be: at its bound. */
const wrongOf = (row: SweepRow) => (wrongCounted(row) > 0 ? wrongCounted(row) : wrongAtMost(row));
const pointOf = (row: SweepRow) => [row.press!.medianUs / 1_000, wrongOf(row)];

function optionsOf({ rows, settings, frontier, current, recommended }: Trade, style: CSSStyleDeclaration) {
  const ink = style.getPropertyValue('--ink');
  const soft = style.getPropertyValue('--soft');
  const line = style.getPropertyValue('--line');
  const clean = style.getPropertyValue('--stage-clean');
  const state = style.getPropertyValue('--stage-state');
  const answering = rows.filter(({ press }) => press !== null);
  const tell = (row: SweepRow) =>
    `${settingWords(settings[row.setting]!)}<br/>half within ${showDuration(row.press!.medianUs)}<br/>${
      wrongCounted(row) > 0 ? wrongCounted(row).toFixed(2) : `below ${wrongAtMost(row).toFixed(2)}`
    } wrong in 1000`;
  const marked = (name: string, found: SweepRow | undefined, colour: string, size: number) => ({
    name,
    type: 'scatter' as const,
    symbol: 'circle',
    symbolSize: size,
    itemStyle: { color: 'transparent', borderColor: colour, borderWidth: 2.5 },
    data: found ? [{ value: pointOf(found), row: found }] : [],
    z: 5,
  });
  const setting = (row: SweepRow) => settings[row.setting]!;
  return {
    animation: false,
    textStyle: { fontFamily: 'Atkinson Hyperlegible Next Variable', color: ink },
    grid: { left: 64, right: 20, top: 76, bottom: 46 },
    legend: { top: 0, textStyle: { color: ink, fontSize: 12 }, itemHeight: 10, itemWidth: 14 },
    tooltip: {
      renderMode: 'richText' as const,
      formatter: ({ data }: { data: { row?: SweepRow } }) =>
        data.row ? tell(data.row).replaceAll('<br/>', '\n') : '',
    },
    xAxis: {
      type: 'log' as const,
      name: 'Half of the presses known within, ms',
      nameLocation: 'middle' as const,
      nameGap: 28,
      nameTextStyle: { color: soft },
      axisLabel: { color: soft },
      axisLine: { lineStyle: { color: line } },
      splitLine: { lineStyle: { color: line } },
    },
    yAxis: {
      type: 'log' as const,
      name: 'False or missed in 1000',
      nameLocation: 'middle' as const,
      nameGap: 48,
      nameTextStyle: { color: soft },
      axisLabel: { color: soft },
      axisLine: { lineStyle: { color: line } },
      splitLine: { lineStyle: { color: line } },
    },
    series: [
      ...algorithms.flatMap(({ id }, n) => {
        const mine = answering.filter((row) => setting(row).algorithm === id);
        if (mine.length === 0) return [];
        return [
          {
            name: methodName(id),
            type: 'scatter' as const,
            symbol: shapes[n],
            symbolSize: 8,
            itemStyle: { color: palette[n]!, opacity: 0.85 },
            data: mine.map((row) => ({ value: pointOf(row), row })),
          },
        ];
      }),
      {
        name: 'Nothing beats these',
        type: 'line' as const,
        symbol: 'none',
        step: 'end' as const,
        lineStyle: { color: ink, width: 1.5, type: 'dashed' as const },
        itemStyle: { color: ink },
        data: frontier.map(pointOf),
      },
      marked(
        'In hand',
        answering.find((row) => sameSetting(setting(row), current)),
        state,
        20,
      ),
      marked('Recommended', nearest(answering, settings, recommended), clean, 27),
    ],
  };
}

const palette = [
  '#7d8790',
  '#c4582b',
  '#a07a10',
  '#2f8f7d',
  '#8a4fa0',
  '#3a70c0',
  '#5d8f2f',
  '#b04a78',
  '#5a5fb8',
];

/** The recommended setting itself where it was tried, else the one of its method that protects most like it. */
function nearest(
  rows: readonly SweepRow[],
  settings: readonly DebounceSetting[],
  wanted: DebounceSetting | null,
): SweepRow | undefined {
  if (wanted === null) return undefined;
  const aim = protectionOf(wanted);
  return rows
    .filter((row) => settings[row.setting]!.algorithm === wanted.algorithm)
    .sort(
      (a, b) =>
        Math.abs(protectionOf(settings[a.setting]!) - aim) -
        Math.abs(protectionOf(settings[b.setting]!) - aim),
    )[0];
}

/** False or missed against latency, every setting a point. The table beside it says the same in numbers. */
export default function TradeChart(trade: Trade) {
  const place = useRef<HTMLDivElement>(null);
  const chart = useRef<ECharts | null>(null);
  const { colorScheme } = useMantineColorScheme();
  useEffect(() => {
    const made = init(place.current!, null, { renderer: 'svg' });
    chart.current = made;
    const watch = new ResizeObserver(() => made.resize());
    watch.observe(place.current!);
    return () => {
      watch.disconnect();
      made.dispose();
    };
  }, []);
  useEffect(() => {
    chart.current?.setOption(optionsOf(trade, getComputedStyle(document.documentElement)), {
      notMerge: true,
    });
  }, [trade, colorScheme]);
  return (
    <div
      ref={place}
      className={`card ${classes.chart}`}
      role="img"
      aria-label="False or missed presses against latency"
    />
  );
}

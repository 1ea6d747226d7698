import { medianInterval } from '@hum-lever/core';
import { useMantineColorScheme } from '@mantine/core';
import { BarChart } from 'echarts/charts';
import { GridComponent, TooltipComponent } from 'echarts/components';
import { init, use as register } from 'echarts/core';
import { SVGRenderer } from 'echarts/renderers';
import { useEffect, useMemo, useRef } from 'react';
import { binsOf } from './bins.ts';
import classes from './Players.module.css';

register([BarChart, GridComponent, TooltipComponent, SVGRenderer]);

/** How often each value came, in bins of equal width. */
export default function Histogram({
  title,
  values,
  unit,
}: {
  title: string;
  values: readonly number[];
  unit: string;
}) {
  const place = useRef<HTMLDivElement>(null);
  const { colorScheme } = useMantineColorScheme();
  const { bins, median } = useMemo(() => binsOf(values), [values]);
  useEffect(() => {
    const element = place.current!;
    const style = getComputedStyle(element);
    const [ink, line, state] = ['--ink', '--line', '--stage-state'].map((name) =>
      style.getPropertyValue(name),
    );
    const chart = init(element, null, { renderer: 'svg' });
    chart.setOption({
      animation: false,
      grid: { left: 44, right: 8, top: 8, bottom: 26 },
      tooltip: { trigger: 'axis' },
      xAxis: {
        type: 'category',
        data: bins.map(({ label }) => label),
        axisLabel: { color: ink },
        axisLine: { lineStyle: { color: line } },
      },
      yAxis: {
        type: 'value',
        minInterval: 1,
        axisLabel: { color: ink },
        splitLine: { lineStyle: { color: line } },
      },
      series: [
        {
          type: 'bar',
          data: bins.map(({ count }) => count),
          itemStyle: { color: state },
          barCategoryGap: '12%',
        },
      ],
    });
    return () => chart.dispose();
  }, [bins, colorScheme]);
  const shown = (value: number) => `${Number(value.toFixed(1))}${unit && `\u202f${unit}`}`;
  const between = useMemo(() => {
    const [low, high] = medianInterval([...values].sort((a, b) => a - b));
    return `${Number(low.toFixed(1))} to ${Number(high.toFixed(1))}`;
  }, [values]);
  return (
    <figure className={classes.histogram}>
      <figcaption>
        {title}: half of them up to <span className="number">{shown(median)}</span>
        {values.length > 1 && (
          <>
            {' '}
            (<span className="number">{between}</span>)
          </>
        )}
      </figcaption>
      <div
        ref={place}
        className={classes.chart}
        role="img"
        aria-label={`${title}: ${bins.map(({ label, count }) => `${label}: ${count}`).join(', ')}`}
      />
    </figure>
  );
}

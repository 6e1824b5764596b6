'use client';

import { figured } from '@/core/colour/signed';
import { useMemo } from 'react';
import { labToCss } from '@/core/colour/lab';
import { labOnScale } from '@/core/colour/plasticScale';
import type { Forecast } from '@/core/fade/fade';
import { Chart } from '@/ui/Chart';
import { DataTable } from '@/ui/DataTable';
import { Fold } from '@/ui/Fold';

/** The fade of a piece for its chart. */
export interface FadeView {
  curve: readonly { dose: number; b: Forecast['doseToGo'] }[];
  /** What was measured, the start first. */
  measured: { dose: number; b: number }[];
  targetB: number;
  unit: string;
}

/** b* over dose: what was measured, and the band in which it should go on to fade. */
export function FadePart({ curve, measured, targetB, unit }: FadeView) {
  const option = useMemo(
    () => (colour: (token: string) => string) => {
      const line = (name: string, data: (readonly number[] | { value: readonly number[] })[], rest: object) => ({
        name,
        type: 'line' as const,
        showSymbol: false,
        data,
        ...rest,
      });
      const bare = { lineStyle: { opacity: 0 }, stack: 'band', silent: true, tooltip: { show: false } };
      return {
        animation: false,
        grid: { left: 40, right: 16, top: 26, bottom: 44 },
        tooltip: { trigger: 'axis' as const, valueFormatter: (v: unknown) => Number(v).toFixed(1) },
        xAxis: {
          type: 'value' as const,
          min: 0,
          max: curve[curve.length - 1]?.dose,
          name: `dose, ${unit}`,
          nameLocation: 'middle' as const,
          nameGap: 26,
          nameTextStyle: { color: colour('soft') },
          axisLabel: { color: colour('soft'), showMaxLabel: false, formatter: (v: number) => v.toFixed(0) },
          splitLine: { show: false },
        },
        yAxis: {
          type: 'value' as const,
          name: 'b*',
          nameTextStyle: { color: colour('soft') },
          axisLabel: { color: colour('soft') },
          splitLine: { lineStyle: { color: colour('line') } },
        },
        series: [
          line(
            'low',
            curve.map(({ dose, b }) => [dose, b.low]),
            bare,
          ),
          line(
            'width',
            curve.map(({ dose, b }) => [dose, b.high - b.low]),
            { ...bare, areaStyle: { color: colour('sun'), opacity: 0.3 } },
          ),
          line(
            'expected b*',
            curve.map(({ dose, b }) => [dose, b.median]),
            {
              lineStyle: { color: colour('sun'), width: 3 },
              itemStyle: { color: colour('sun') },
              markLine: {
                symbol: 'none',
                silent: true,
                lineStyle: { color: colour('work'), width: 2, type: 'dashed' as const },
                label: { formatter: 'hidden patch', position: 'insideStartTop' as const, color: colour('ink') },
                data: [{ yAxis: targetB }],
              },
            },
          ),
          line(
            'measured b*',
            measured.map(({ dose, b }) => ({ value: [dose, b], itemStyle: { color: labToCss(labOnScale(b)) } })),
            {
              showSymbol: true,
              symbol: 'rect',
              symbolSize: 16,
              lineStyle: { opacity: 0 },
              itemStyle: { borderColor: colour('ink'), borderWidth: 2 },
            },
          ),
        ],
      };
    },
    [curve, measured, targetB, unit],
  );
  const last = measured[measured.length - 1];
  return (
    <>
      <Chart
        option={option}
        height={280}
        label={`b* over dose: from ${measured[0]?.b.toFixed(1)} at the start to ${last?.b.toFixed(1)} after ${last?.dose.toFixed(1)} ${unit}, the hidden patch at ${targetB.toFixed(1)}. The table below holds the figures.`}
      />
      <Fold summary="The fade in figures" quiet>
        <DataTable
          caption={`Where b* should be, 5 % to 95 %, by dose in ${unit}`}
          rows={curve.filter((_, i) => i % 5 === 0)}
          rowKey={({ dose }) => String(dose)}
          columns={[
            { title: `Dose, ${unit}`, figure: true, cell: ({ dose }) => dose.toFixed(1) },
            { title: 'Expected b*', figure: true, cell: ({ b }) => b.median.toFixed(1) },
            { title: 'Low', figure: true, cell: ({ b }) => figured(b.low) },
            { title: 'High', figure: true, cell: ({ b }) => figured(b.high) },
          ]}
        />
      </Fold>
    </>
  );
}

'use client';

import { Box } from '@chakra-ui/react';
import { useMemo } from 'react';
import { showTime } from '@/core/runsheet/time';
import type { SunSample } from '@/core/sun/day';
import { Chart } from './Chart';
import { DataTable } from './DataTable';
import { Fold } from './Fold';

interface DayBar {
  label: string;
  from: string;
  to: string;
}

interface Props {
  samples: readonly SunSample[];
  timeZone: string;
  /** What runs or is planned, drawn as a band over the day. */
  bars?: readonly DayBar[];
  now?: string | null;
  /** The hours worth putting plastic out. */
  worth?: { from: string; to: string } | null;
  height?: number;
}

/** Less that cloud takes of the UV index is not drawn. */
const SEEN_UVI = 0.1;

/** The day as a strip: the UV index over the hours of the workshop's clock, dashed were it clear, what runs in it, and now. */
export function DaySun({ samples, timeZone, bars = [], now = null, worth = null, height = 220 }: Props) {
  const clouded = samples.some(({ uvIndex, uvIndexClear }) => uvIndexClear - uvIndex > SEEN_UVI);
  const option = useMemo(
    () => (colour: (token: string) => string) => ({
      animation: false,
      grid: { left: 34, right: 12, top: 22, bottom: 26 },
      tooltip: { trigger: 'axis' as const, valueFormatter: (v: unknown) => Number(v).toFixed(1) },
      xAxis: {
        type: 'time' as const,
        min: samples[0]?.time,
        max: samples[samples.length - 1]?.time,
        axisLabel: {
          color: colour('soft'),
          formatter: (value: number) => showTime(new Date(value).toISOString(), timeZone, 'HH:mm'),
          hideOverlap: true,
        },
        axisLine: { lineStyle: { color: colour('line-strong') || colour('soft') } },
        splitLine: { show: false },
      },
      yAxis: {
        type: 'value' as const,
        min: 0,
        name: 'UV index',
        nameTextStyle: { color: colour('soft'), align: 'left' as const },
        axisLabel: { color: colour('soft') },
        splitLine: { lineStyle: { color: colour('line') } },
      },
      series: [
        ...(clouded
          ? [
              {
                name: 'clear sky',
                type: 'line' as const,
                showSymbol: false,
                data: samples.map(({ time, uvIndexClear }) => [time, uvIndexClear]),
                lineStyle: { color: colour('soft'), width: 1.5, type: 'dashed' as const },
              },
            ]
          : []),
        {
          name: 'UV index',
          type: 'line' as const,
          showSymbol: false,
          data: samples.map(({ time, uvIndex }) => [time, uvIndex]),
          lineStyle: { color: colour('sun'), width: 3 },
          areaStyle: { color: colour('sun'), opacity: 0.18 },
          markArea: {
            itemStyle: { color: colour('work'), opacity: 0.22 },
            label: { color: colour('ink'), position: 'insideBottom' as const, distance: 22, fontSize: 13 },
            data: [
              ...(worth
                ? [
                    [
                      {
                        name: 'worth it',
                        xAxis: worth.from,
                        itemStyle: { color: colour('sun'), opacity: 0.3 },
                        label: { position: 'insideTop' as const, distance: 4 },
                      },
                      { xAxis: worth.to },
                    ],
                  ]
                : []),
              ...bars.map(({ label, from, to }) => [{ name: label, xAxis: from }, { xAxis: to }]),
            ],
          },
          ...(now && {
            markLine: {
              symbol: 'none',
              silent: true,
              lineStyle: { color: colour('ink'), width: 2, type: 'solid' as const },
              label: { formatter: 'now', color: colour('ink') },
              data: [{ xAxis: now }],
            },
          }),
        },
      ],
    }),
    [samples, timeZone, bars, now, worth, clouded],
  );
  const highest = samples.reduce((best, s) => (s.uvIndex > best.uvIndex ? s : best), samples[0]!);
  const hours = samples.filter((_, i) => i % 6 === 0);
  return (
    <Box>
      <Chart
        option={option}
        height={height}
        label={`UV index over the day, highest ${highest.uvIndex.toFixed(1)} at ${showTime(highest.time, timeZone, 'HH:mm')}. The table below holds the figures.`}
      />
      <Fold summary="The day in figures" quiet>
        <DataTable
          caption="Sun height and UV index, hour by hour"
          rows={hours}
          rowKey={({ time }) => time}
          columns={[
            { title: 'Time', cell: ({ time }) => showTime(time, timeZone, 'HH:mm') },
            { title: 'Height, °', figure: true, cell: ({ elevationDeg }) => elevationDeg.toFixed(1) },
            { title: 'Direction, °', figure: true, cell: ({ azimuthDeg }) => azimuthDeg.toFixed(0) },
            { title: 'UV index', figure: true, cell: ({ uvIndex }) => uvIndex.toFixed(2) },
            { title: 'Clear sky', figure: true, cell: ({ uvIndexClear }) => uvIndexClear.toFixed(2) },
          ]}
        />
      </Fold>
    </Box>
  );
}

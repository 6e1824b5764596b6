'use client';

import { showTime } from '@/core/runsheet/time';
import type { Measurement } from '@/data/rows';
import { DataTable } from '@/ui/DataTable';
import { Swatch } from '@/ui/PlasticScale';
import { TakeThingBack } from '@/undo/TakeThingBack';

/** Without a card its colour is that of the camera; what it says rests on less. */
const NO_CARD = 'no card';

/** The measurements of a piece, oldest first. */
export function MeasurementTable({
  measurements,
  timeZone,
}: {
  measurements: readonly Measurement[];
  timeZone: string;
}) {
  const figure = (value: number | null | undefined) => value?.toFixed(1) ?? '–';
  return (
    <DataTable
      caption="Each against its hidden patch"
      rows={measurements}
      rowKey={({ id }) => id}
      columns={[
        {
          title: 'Colour',
          cell: ({ lab, measuredAt }) =>
            lab && <Swatch lab={lab} label={`Colour on ${showTime(measuredAt, timeZone)}`} size={32} />,
        },
        { title: 'Measured', cell: ({ measuredAt }) => showTime(measuredAt, timeZone) },
        { title: 'L*', figure: true, cell: ({ lab }) => figure(lab?.[0]) },
        { title: 'a*', figure: true, cell: ({ lab }) => figure(lab?.[1]) },
        { title: 'b*', figure: true, cell: ({ lab }) => figure(lab?.[2]) },
        { title: 'YI', figure: true, cell: ({ yellownessIndex }) => figure(yellownessIndex) },
        { title: 'ΔE00', figure: true, cell: ({ deltaE00 }) => figure(deltaE00) },
        {
          title: 'Verdict',
          cell: ({ verdict, basis }) =>
            [verdict ?? 'no hidden patch', basis === 'card' ? '' : NO_CARD].filter(Boolean).join(', '),
        },
        {
          title: 'Wrong?',
          cell: ({ id, measuredAt }) => (
            <TakeThingBack what="measurement" id={id} name={showTime(measuredAt, timeZone)} />
          ),
        },
      ]}
    />
  );
}

'use client';

import type { Assumption } from '@/core/assumptions/assumptions';
import { DataTable } from '@/ui/DataTable';

type Row = Assumption & { name: string };

/** Assumptions of one standing. */
export function AssumptionTable({ title, rows }: { title: string; rows: readonly Row[] }) {
  return (
    <DataTable
      caption={title}
      rows={rows}
      rowKey={({ name }) => name}
      columns={[
        { title: 'What it decides', cell: ({ what }) => what },
        { title: 'Value', figure: true, cell: ({ value }) => value },
        { title: 'Of what', cell: ({ unit }) => unit },
        { title: 'From', cell: ({ source }) => source },
      ]}
    />
  );
}

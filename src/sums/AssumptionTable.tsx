'use client';

import type { Assumption } from '@/core/assumptions/assumptions';
import { DataTable } from '@/ui/DataTable';
import { Part } from '@/ui/layout';

type Row = Assumption & { name: string };

/** Assumptions of one standing. */
export function AssumptionTable({ title, rows }: { title: string; rows: readonly Row[] }) {
  return (
    <Part title={title}>
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
    </Part>
  );
}

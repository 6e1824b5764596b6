'use client';

import { peroxideStrength } from '@/core/peroxide/strength';
import type { StockItem } from '@/data/rows';
import { DataTable } from '@/ui/DataTable';
import { strengthWords } from './strengthChoices';

/** The shelf: each label as it is, and what it means by weight. */
export function StockTable({ stock, prices }: { stock: readonly StockItem[]; prices: Record<string, string> }) {
  return (
    <DataTable
      caption="Newest first"
      rows={stock}
      rowKey={({ id }) => id}
      columns={[
        { title: 'Label', cell: ({ name, words }) => (words ? `${name} (${words})` : name) },
        { title: 'Kind', cell: ({ kind }) => kind },
        {
          title: 'Strength',
          cell: ({ strengthValue, strengthUnit }) =>
            strengthValue === null || strengthUnit === null ? '–' : strengthWords(strengthValue, strengthUnit),
        },
        {
          title: '% by weight',
          figure: true,
          cell: ({ strengthValue, strengthUnit }) =>
            strengthValue === null || strengthUnit === null ? '–' : peroxideStrength(strengthValue, strengthUnit).percentWW.toFixed(1),
        },
        { title: 'Content, mL', figure: true, cell: ({ sizeMl }) => sizeMl ?? '–' },
        { title: 'Price', figure: true, cell: ({ id }) => prices[id] ?? '' },
      ]}
    />
  );
}

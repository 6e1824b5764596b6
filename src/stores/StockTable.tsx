'use client';

import { peroxideStrength } from '@/core/peroxide/strength';
import { unitOf } from '@/core/ledger/left';
import type { Shelved } from '@/data/stock';
import { DataTable } from '@/ui/DataTable';
import { useAmount } from '@/ui/units';
import { LeftBar } from './LeftBar';
import { strengthWords } from './strengthChoices';

/** The shelf: each label as it is, and what it means by weight. */
export function StockTable({ stock, prices }: { stock: readonly Shelved[]; prices: Record<string, string> }) {
  const amount = useAmount();
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
        { title: 'Full', figure: true, cell: ({ sizeMl, kind }) => (sizeMl === null ? '–' : amount(sizeMl, unitOf(kind))) },
        {
          title: 'Left',
          figure: true,
          cell: ({ left, sizeMl, kind }) => (
            <LeftBar left={left} size={sizeMl} words={left === 0 ? 'empty' : left === null ? '' : amount(left, unitOf(kind))} />
          ),
        },
        { title: 'Price', figure: true, cell: ({ id }) => prices[id] ?? '' },
      ]}
    />
  );
}

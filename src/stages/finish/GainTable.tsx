'use client';

import type { Kept, LastCoatGain } from '@/core/finish/lastCoat';
import { DataTable } from '@/ui/DataTable';

const span = ({ low, median, high }: { low: number; median: number; high: number }) =>
  `${median.toFixed(1)} (${low.toFixed(1)} to ${high.toFixed(1)})`;

/** Yellow that comes back in a year, with and without a last coat. */
export const GainTable = ({ gains }: { gains: readonly { kept: Kept; gain: LastCoatGain }[] }) => (
  <DataTable
    caption="Yellow that comes back, b* a year, 5 to 95 %"
    rows={gains}
    rowKey={({ kept }) => kept}
    columns={[
      { title: 'Kept', cell: ({ kept }) => (kept === 'light' ? 'near a window' : 'in the dark') },
      { title: 'Without', cell: ({ gain }) => span(gain.without), figure: true },
      { title: 'With it', cell: ({ gain }) => span(gain.coated), figure: true },
      { title: 'Held back', cell: ({ gain }) => span(gain.saved), figure: true },
    ]}
  />
);

'use client';

import { shareWords, type OriginFact } from '@/core/finish/originality';
import { DataTable } from '@/ui/DataTable';

/** Parts and surfaces that are no longer as the maker made them. */
export const OriginTable = ({ facts }: { facts: readonly { piece: string; fact: OriginFact }[] }) => (
  <DataTable
    caption="Parts and surfaces that are not original"
    rows={facts}
    rowKey={(_, i) => i}
    columns={[
      { title: 'Piece', cell: ({ piece }) => piece },
      { title: 'Part', cell: ({ fact }) => fact.what || 'all of it' },
      { title: 'Is', cell: ({ fact }) => fact.state },
      {
        title: 'Of the piece',
        cell: ({ fact }) => (fact.share === null || fact.what === '' ? '' : shareWords(fact.share)),
        figure: true,
      },
      { title: 'How', cell: ({ fact }) => `${fact.words}${fact.by === 'told' ? ' (as somebody said)' : ''}` },
    ]}
  />
);

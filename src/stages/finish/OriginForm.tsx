'use client';

import { ORIGINS } from '@/core/finish/originality';
import { AnswerForm, options, type FieldDef } from '@/ui/AnswerForm';
import { keepOrigin } from './actions';

/** How original a part of a piece is, where the record does not know. */
export function OriginForm({
  restorationId,
  pieces,
}: {
  restorationId: string;
  pieces: readonly { value: string; label: string }[];
}) {
  const fields: FieldDef[] = [
    { name: 'pieceId', label: 'Piece', kind: 'choice', options: pieces, half: true },
    { name: 'what', label: 'Which part', hint: 'empty: all of it', optional: true, half: true },
    { name: 'state', label: 'It is', kind: 'choice', options: options(ORIGINS), half: true },
    { name: 'percent', label: 'Share of the piece', kind: 'number', unit: '%', optional: true, half: true },
    { name: 'words', label: 'From where, why, and when it is swapped back', optional: true },
  ];
  return (
    <AnswerForm<string>
      draftKey={`origin:${restorationId}`}
      fields={fields}
      initial={{
        ...Object.fromEntries(fields.map(({ name }) => [name, ''])),
        ...{ pieceId: pieces[0]?.value ?? '', state: 'original' },
      }}
      submit="Into the record"
      bench
      send={(given) => keepOrigin({ ...given, restorationId })}
    />
  );
}

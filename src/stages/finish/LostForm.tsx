'use client';

import { Text } from '@chakra-ui/react';
import { LOST_KINDS } from '@/core/finish/lostMarks';
import { AnswerForm, options, type FieldDef } from '@/ui/AnswerForm';
import { keepLostMark } from './actions';

interface Props {
  restorationId: string;
  pieces: readonly { value: string; label: string }[];
  photos: readonly { value: string; label: string }[];
  /** Lengths that were measured on photographs. */
  sizes: readonly string[];
}

/** What is worn off, how much of it is left, and its sizes. */
export function LostForm({ restorationId, pieces, photos, sizes }: Props) {
  const mm = (name: string, label: string, hint?: string): FieldDef => ({
    ...{ name, label, kind: 'number', unit: 'mm', third: true, optional: true },
    ...(hint && { hint }),
  });
  const fields: FieldDef[] = [
    { name: 'kind', label: 'What it is', kind: 'chips', options: options(LOST_KINDS) },
    { name: 'name', label: 'Which one', half: true },
    {
      name: 'pieceId',
      label: 'Piece',
      kind: 'choice',
      options: [{ value: '', label: 'none named' }, ...pieces],
      half: true,
    },
    {
      ...{ name: 'left', label: 'Left of it', kind: 'chips', half: true },
      options: [
        { value: 'true', label: 'enough to measure' },
        { value: 'false', label: 'nothing' },
      ],
    },
    {
      ...{ name: 'raised', label: 'It lies', kind: 'chips', half: true },
      options: [
        { value: 'false', label: 'flat' },
        { value: 'true', label: 'on a raised edge' },
      ],
    },
    mm('widthMm', 'Width'),
    mm('lengthMm', 'Length'),
    mm('fromEdgeMm', 'From the edge', 'empty: no edge near'),
    {
      ...{ name: 'photoId', label: 'What is left of it, photographed', kind: 'choice', optional: true },
      options: [{ value: '', label: 'no photograph' }, ...photos],
    },
  ];
  return (
    <>
      {sizes.length > 0 && (
        <Text color="soft" mb="2">
          Measured so far: {sizes.join('; ')}.
        </Text>
      )}
      <AnswerForm<string>
        draftKey={`lost:${restorationId}`}
        fields={fields}
        initial={{
          ...Object.fromEntries(fields.map(({ name }) => [name, ''])),
          ...{ kind: 'stripe', left: 'true', raised: 'false' },
        }}
        submit="Note it"
        bench
        send={(given) => keepLostMark({ ...given, restorationId, words: '' })}
      />
    </>
  );
}

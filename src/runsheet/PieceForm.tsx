'use client';

import { Grid, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { AIMS } from '@/core/intake/aim';
import { FINISHES, PLASTICS } from '@/core/runsheet/stages';
import type { Piece } from '@/data/rows';
import { AnswerForm, options, type FieldDef } from '@/ui/AnswerForm';
import { Check } from '@/ui/Check';
import { Fold } from '@/ui/Fold';
import { correctPiece, tagPiece } from './actions';

const FIELDS: readonly FieldDef[] = [
  { name: 'tag', label: 'Tag', half: true, hint: 'What you write on the masking tape' },
  { name: 'name', label: 'Which piece', half: true },
  { name: 'plastic', label: 'Plastic', kind: 'choice', half: true, options: options(PLASTICS) },
  { name: 'finish', label: 'Finish', kind: 'choice', half: true, options: options(FINISHES) },
  { name: 'lengthMm', label: 'Length', kind: 'number', unit: 'mm', half: true, optional: true },
  { name: 'widthMm', label: 'Width', kind: 'number', unit: 'mm', half: true, optional: true },
  { name: 'heightMm', label: 'Height', kind: 'number', unit: 'mm', half: true, optional: true },
  { name: 'labels', label: 'Labels to protect', half: true, optional: true, hint: 'Peroxide and water destroy paper labels' },
  { name: 'metalInside', label: 'Metal still inside', optional: true, hint: 'It comes out before any bath' },
  { name: 'aim', label: 'How far to go', kind: 'choice', half: true, options: [{ value: '', label: 'as the machine' }, ...options(AIMS)] },
  { name: 'worthKeeping', label: 'Worth keeping', half: true, optional: true },
];

interface Props {
  restorationId: string;
  nextTag: string;
  piece?: Piece;
  /** Surfaces to choose from. */
  surfaces: readonly { value: string; label: string }[];
}

/** Adds a piece, or with `piece` corrects one. */
export function PieceForm({ restorationId, nextTag, piece, surfaces: known }: Props) {
  const router = useRouter();
  const [surfaces, setSurfaces] = useState<readonly string[]>(piece?.surfaces ?? []);
  const [hollow, setHollow] = useState(piece?.hollow ?? false);
  const text = (value: number | null | undefined) => (value == null ? '' : String(value));
  const initial = {
    tag: piece?.tag ?? nextTag,
    name: piece?.name ?? '',
    plastic: piece?.plastic ?? PLASTICS[0],
    finish: piece?.finish ?? FINISHES[0],
    lengthMm: text(piece?.lengthMm),
    widthMm: text(piece?.widthMm),
    heightMm: text(piece?.heightMm),
    labels: piece?.labels ?? '',
    metalInside: piece?.metalInside ?? '',
    aim: piece?.aim ?? '',
    worthKeeping: piece?.worthKeeping ?? '',
  };
  return (
    <AnswerForm<string | void>
      fields={FIELDS}
      initial={initial}
      submit={piece ? 'Save piece' : 'Tag this piece'}
      send={(values) => {
        const given = { ...values, surfaces, hollow };
        return piece ? correctPiece({ ...given, pieceId: piece.id }) : tagPiece({ ...given, restorationId });
      }}
      done={piece ? 'Piece saved.' : 'Piece tagged.'}
      keeps={piece !== undefined}
      draftKey={piece ? `piece-${piece.id}` : `new-piece-${restorationId}-${nextTag}`}
      onDone={(id) => (piece ? router.refresh() : router.push(`/restorations/${restorationId}/pieces/${id}`))}
    >
      {() => (
        <Fold summary={surfaces.length > 0 ? `Surfaces named: ${surfaces.length}` : 'Print, paint, badge or window on it?'} quiet>
          <Text color="soft">
            Name every surface that a wash would touch; each step must be borne by all of them. None named: what plastic and finish say.
          </Text>
          <Grid role="group" aria-label="Surfaces" templateColumns={{ base: '1fr', md: '1fr 1fr' }} columnGap="5">
            {known.map(({ value, label }) => (
              <Check
                key={value}
                checked={surfaces.includes(value)}
                onChange={(checked) => setSurfaces(checked ? [...surfaces, value] : surfaces.filter((other) => other !== value))}
              >
                {label}
              </Check>
            ))}
          </Grid>
          <Check checked={hollow} onChange={setHollow}>
            It is hollow and holds water inside
          </Check>
        </Fold>
      )}
    </AnswerForm>
  );
}

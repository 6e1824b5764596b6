'use client';

import { Box, Grid, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { AIMS } from '@/core/intake/aim';
import { SEVERITY_WORDS } from '@/core/intake/findings';
import { FINISHES, MATERIALS, METAL, YES_NO } from '@/core/runsheet/stages';
import type { Finding, Piece } from '@/data/rows';
import { AnswerForm, options, type FieldDef } from '@/ui/AnswerForm';
import { Check } from '@/ui/Check';
import { Fold } from '@/ui/Fold';
import { correctPiece, tagPiece } from './actions';
import { pieceDrawn } from './drawn';

const FIELDS: readonly FieldDef[] = [
  { name: 'tag', label: 'Tag', half: true, hint: 'What you write on the masking tape' },
  { name: 'name', label: 'Which piece', half: true },
  { name: 'plastic', label: 'Material', kind: 'choice', half: true, options: options(MATERIALS) },
  { name: 'finish', label: 'Finish', kind: 'choice', half: true, options: options(FINISHES) },
  { name: 'lengthMm', label: 'Length', kind: 'number', unit: 'mm', half: true, optional: true },
  { name: 'widthMm', label: 'Width', kind: 'number', unit: 'mm', half: true, optional: true },
  { name: 'heightMm', label: 'Height', kind: 'number', unit: 'mm', half: true, optional: true },
  { name: 'parts', label: 'How many parts', kind: 'number', half: true, hint: 'A set of caps counts its caps' },
  {
    name: 'label',
    label: 'A label on it?',
    kind: 'choice',
    half: true,
    options: options(YES_NO),
    hint: 'Peroxide and water destroy paper labels',
  },
  { name: 'labels', label: 'Which label, and where', half: true, optional: true },
  {
    name: 'metal',
    label: 'Metal inside?',
    kind: 'choice',
    half: true,
    options: options(METAL),
    hint: 'It comes out before any bath',
  },
  { name: 'metalInside', label: 'Which metal', half: true, optional: true },
  {
    name: 'aim',
    label: 'How far to go',
    kind: 'choice',
    half: true,
    options: [{ value: '', label: 'as the machine' }, ...options(AIMS)],
  },
  { name: 'worthKeeping', label: 'Worth keeping', half: true, optional: true },
];

/** What is known of a piece that nobody has described. */
const EMPTY = {
  ...{
    tag: '',
    name: '',
    plastic: MATERIALS[0],
    finish: FINISHES[0],
    lengthMm: '',
    widthMm: '',
    heightMm: '',
    parts: '1',
  },
  ...{ label: 'no', labels: '', metal: 'no', metalInside: '', aim: '', worthKeeping: '' },
};

interface Props {
  restorationId: string;
  nextTag: string;
  piece?: Piece;
  /** Surfaces to choose from. */
  surfaces: readonly { value: string; label: string }[];
  /** Findings of the machine that nobody has put on a piece yet. */
  loose?: readonly Finding[];
}

/** Adds a piece, or with `piece` corrects one. */
export function PieceForm({ restorationId, nextTag, piece, surfaces: known, loose = [] }: Props) {
  const router = useRouter();
  // Chosen on this page, and what stood there then; until somebody chooses, it is what stands there now.
  const [chosen, choose] = useState<{
    surfaces?: readonly string[];
    hollow?: boolean;
    drawn?: { surfaces: readonly string[]; hollow: boolean };
  }>({});
  const stands = { surfaces: piece?.surfaces ?? [], hollow: piece?.hollow ?? false };
  const { surfaces, hollow } = { ...stands, ...chosen };
  const change = (what: { surfaces: readonly string[] } | { hollow: boolean }) =>
    choose({ drawn: stands, ...chosen, ...what });
  const [onIt, setOnIt] = useState<readonly string[]>([]);
  const initial = piece ? pieceDrawn(piece) : { ...EMPTY, tag: nextTag };
  return (
    <AnswerForm<string | void>
      fields={FIELDS}
      initial={initial}
      submit={piece ? 'Save piece' : 'Tag this piece'}
      send={(values) => {
        const given = { ...values, surfaces, hollow };
        return piece
          ? correctPiece({ ...given, pieceId: piece.id })
          : tagPiece({ ...given, restorationId, findingIds: onIt });
      }}
      done={piece ? 'Piece saved.' : 'Piece tagged.'}
      keeps={piece !== undefined}
      beside={{ surfaces, hollow, onIt }}
      draftKey={piece ? `piece-${piece.id}` : `new-piece-${restorationId}-${nextTag}`}
      {...(piece && { drawnWith: chosen.drawn ?? stands })}
      onDone={(id) => {
        choose({});
        if (!piece) router.push(`/restorations/${restorationId}/pieces/${id}`);
      }}
    >
      {() => (
        <>
          {loose.length > 0 && (
            <Box role="group" aria-label="Which of these are on it?" mb="4">
              <Text fontWeight="650">Which of these are on it?</Text>
              {loose.map(({ id, kind, severity, words }) => (
                <Check
                  key={id}
                  checked={onIt.includes(id)}
                  onChange={(on) => setOnIt(on ? [...onIt, id] : onIt.filter((other) => other !== id))}
                >
                  {kind}, {SEVERITY_WORDS[severity]}
                  {words && `: ${words}`}
                </Check>
              ))}
            </Box>
          )}
          <Fold
            summary={
              surfaces.length > 0 ? `Surfaces named: ${surfaces.length}` : 'Print, paint, badge or window on it?'
            }
            quiet
          >
            <Text color="soft">
              Name every surface that a wash would touch; each step must be borne by all of them. None named: what
              plastic and finish say.
            </Text>
            <Grid role="group" aria-label="Surfaces" templateColumns={{ base: '1fr', md: '1fr 1fr' }} columnGap="5">
              {known.map(({ value, label }) => (
                <Check
                  key={value}
                  checked={surfaces.includes(value)}
                  onChange={(checked) =>
                    change({ surfaces: checked ? [...surfaces, value] : surfaces.filter((other) => other !== value) })
                  }
                >
                  {label}
                </Check>
              ))}
            </Grid>
            <Check checked={hollow} onChange={(on) => change({ hollow: on })}>
              It is hollow and holds water inside
            </Check>
          </Fold>
        </>
      )}
    </AnswerForm>
  );
}

'use client';

import { useRouter } from 'next/navigation';
import { COAT_WAYS } from '@/core/finish/coat';
import { USUAL_COVERAGE, type CoatKind } from '@/core/finish/coatKinds';
import { lastSheet, LAST_COAT, type LastCoat } from '@/core/finish/lastCoat';
import { viewHref } from '@/core/runsheet/views';
import { AnswerForm, options, type FieldDef } from '@/ui/AnswerForm';
import { keepCoating } from './actions';
import { SHEET_FIELDS, sheetOfTyped } from './sheetFields';

/** Coats as they are mostly laid, by what is under them. */
const ROWS = {
  'metal, seen': ['primer', 'filler', 'filler', 'top coat', 'top coat', 'top coat'],
  'metal that conducts': ['zinc-rich primer', 'zinc-rich primer'],
  'sound paint': ['top coat', 'top coat'],
  'wax alone': ['wax', 'wax'],
  protectant: ['protectant'],
} as const satisfies Record<string, readonly CoatKind[]>;
type RowName = keyof typeof ROWS;
const LAST_ROWS: Partial<Record<RowName, LastCoat>> = { 'wax alone': 'wax', protectant: 'protectant' };

/** What is coated, and what the sheet of the paint asks. */
export function CoatForm({
  restorationId,
  pieces,
  last = null,
}: {
  restorationId: string;
  pieces: readonly { value: string; label: string }[];
  /** The last coat that it is for, if it is for one. */
  last?: LastCoat | null;
}) {
  const router = useRouter();
  const fields: FieldDef[] = [
    { name: 'name', label: 'What is coated', half: true },
    {
      name: 'pieceId',
      label: 'Piece',
      kind: 'choice',
      options: [{ value: '', label: 'none named' }, ...pieces],
      half: true,
    },
    { name: 'row', label: 'Coats for', kind: 'chips', options: options(Object.keys(ROWS)) },
    { name: 'way', label: 'How', kind: 'chips', options: options(COAT_WAYS), half: true },
    {
      ...{ name: 'inside', label: 'Where', kind: 'chips', half: true },
      options: [
        { value: 'false', label: 'outdoors' },
        { value: 'true', label: 'in a room' },
      ],
    },
    { name: 'areaCm2', label: 'Area', kind: 'number', unit: 'cm²', half: true },
    {
      name: 'coverageM2PerL',
      label: 'One coat covers, m² per litre',
      kind: 'number',
      half: true,
      optional: true,
      hint: `else ${USUAL_COVERAGE}`,
    },
    { name: 'masks', label: 'Covered before: badge, label, contact lands', optional: true },
    ...SHEET_FIELDS,
  ];
  return (
    <AnswerForm<string>
      draftKey={`coating:${restorationId}${last ? `:${last}` : ''}`}
      fields={fields}
      initial={{
        ...Object.fromEntries(fields.map(({ name }) => [name, ''])),
        ...(last
          ? { row: last === 'wax' ? 'wax alone' : last, way: 'brushed', inside: 'true' }
          : { row: 'metal, seen', way: 'sprayed', inside: 'false' }),
      }}
      submit="Plan the coats"
      bench
      send={async ({ row, coverageM2PerL, ...typed }) => {
        const name = (row ?? 'metal, seen') as RowName;
        const guess = LAST_ROWS[name];
        const answered = await keepCoating({
          ...Object.fromEntries(
            Object.entries(typed).filter(([field]) => !SHEET_FIELDS.some((one) => one.name === field)),
          ),
          ...{ restorationId, kinds: ROWS[name] },
          coverageM2PerL: coverageM2PerL || (guess ? 1000 / LAST_COAT[guess].mlPerM2 : USUAL_COVERAGE),
          sheet: sheetOfTyped(typed, guess && lastSheet(guess)),
        });
        if (answered.ok) return answered;
        return {
          ok: false,
          errors: answered.errors.map((error) => ({ ...error, field: error.field.replace(/^sheet\./, '') })),
        };
      }}
      onDone={(jobId) => router.push(`${viewHref(restorationId, 'finish', 'coats')}?job=${jobId}`)}
    />
  );
}

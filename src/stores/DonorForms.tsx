'use client';

import { DONOR_SIZES } from '@/core/mending/donorMatch';
import { AnswerForm, type FieldDef } from '@/ui/AnswerForm';
import { keepDonor, keepDonorPart } from './actions';
import { SIZE_WORDS } from './donorWords';

const REMARKS: FieldDef = { name: 'words', label: 'Remarks', optional: true };

/** A machine that gives its parts. */
export function DonorForm() {
  return (
    <AnswerForm
      fields={[{ name: 'name', label: 'Which machine' }, REMARKS]}
      initial={{ name: '', words: '' }}
      submit="Put the donor into stores"
      done="In the stores."
      send={keepDonor}
      draftKey="donor"
    />
  );
}

const PART_FIELDS: readonly FieldDef[] = [
  { name: 'what', label: 'What it is' },
  ...DONOR_SIZES.map((name): FieldDef => ({
    ...{ name, label: SIZE_WORDS[name], kind: 'number', unit: 'mm', fixedUnit: true, half: true, optional: true },
  })),
  { name: 'labL', label: 'Its colour, L*', kind: 'number', third: true, optional: true },
  { name: 'labA', label: 'a*', kind: 'number', third: true, optional: true },
  { name: 'labB', label: 'b*', kind: 'number', third: true, optional: true },
  REMARKS,
];
const EMPTY = Object.fromEntries(PART_FIELDS.map(({ name }) => [name, '']));

/** A part that sits on a donor, as far as it was measured. */
export function DonorPartForm({ donorId }: { donorId: string }) {
  return (
    <AnswerForm
      fields={PART_FIELDS}
      initial={EMPTY}
      submit="Note this part"
      done="Noted."
      send={(values) => keepDonorPart({ ...values, donorId })}
      draftKey={`donor-part-${donorId}`}
      beside={{ donorId }}
    />
  );
}

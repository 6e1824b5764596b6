'use client';

import type { PaintSheet } from '@/core/finish/coat';
import { AnswerForm } from '@/ui/AnswerForm';
import { keepCoatSheet } from './actions';
import { SHEET_FIELDS, sheetOfTyped } from './sheetFields';

/** What the product of one coat asks, where it is another than the rest of the coating. */
export function SheetForm({ coatId, sheet }: { coatId: string; sheet: PaintSheet }) {
  return (
    <AnswerForm<void>
      draftKey={`coat-sheet:${coatId}`}
      fields={SHEET_FIELDS}
      initial={Object.fromEntries(SHEET_FIELDS.map(({ name }) => [name, String(sheet[name as 'touchH'] ?? '')]))}
      submit="This is its sheet"
      send={async (typed) => {
        const answered = await keepCoatSheet({ coatId, sheet: sheetOfTyped(typed) });
        return answered.ok
          ? answered
          : {
              ok: false,
              errors: answered.errors.map((error) => ({ ...error, field: error.field.replace(/^sheet\./, '') })),
            };
      }}
    />
  );
}

'use client';

import { WEEKDAYS } from '@/core/runsheet/hours';
import { AnswerForm, type FieldDef, type Values } from '@/ui/AnswerForm';
import { saveHours } from './actions';

const FIELDS: readonly FieldDef[] = [
  ...WEEKDAYS.map((day, i): FieldDef => ({
    name: day,
    label: `There on ${day}`,
    third: true,
    ...(i === 0 && { hint: 'To turn pieces and hear a bell, like 17:30 to 21:00; empty on a day off' }),
  })),
  {
    name: 'hourlyRate',
    label: 'Own hourly rate',
    kind: 'number',
    half: true,
    hint: 'What an hour of your own work counts for; 0 if it does not',
  },
  {
    name: 'lampMwPerCm2',
    label: 'Lamp, UV-A at the piece',
    kind: 'number',
    unit: 'mW/cm²',
    half: true,
    hint: '0 without a lamp',
  },
];

/** When somebody is there, what an hour counts for, and the lamp. */
export function HoursForm({ initial }: { initial: Values }) {
  return (
    <AnswerForm
      fields={FIELDS}
      initial={initial}
      submit="Save hours"
      send={saveHours}
      done="Saved."
      draftKey="hours"
      keeps
      drawnWith={{}}
      bench
    />
  );
}

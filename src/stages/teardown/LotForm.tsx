'use client';

import { DRIVES, FATES, HEADS, SHANKS } from '@/core/teardown/lots';
import type { LotRow } from '@/data/rows';
import { AnswerForm, options } from '@/ui/AnswerForm';
import { putIntoTray } from './actions';

/** Fasteners of one kind; it begins with what the last lot was, since most machines use few kinds. */
export function LotForm({ stepId, like }: { stepId: string; like: LotRow | null }) {
  return (
    <AnswerForm
      draftKey={`lot:${stepId}`}
      fields={[
        { name: 'count', label: 'How many', kind: 'number', half: true },
        { name: 'lengthMm', label: 'Length under the head', kind: 'number', unit: 'mm', fixedUnit: true, half: true },
        { name: 'diameterMm', label: 'Diameter', kind: 'number', unit: 'mm', fixedUnit: true, half: true },
        { name: 'drive', label: 'Drive', kind: 'choice', options: options(DRIVES), half: true },
        { name: 'head', label: 'Head', kind: 'choice', options: options(HEADS), half: true },
        { name: 'shank', label: 'Shank', kind: 'choice', options: options(SHANKS), half: true },
        { name: 'fate', label: 'They will be', kind: 'choice', options: options(FATES), half: true },
        {
          name: 'deepestMm',
          label: 'Deepest the hole allows',
          kind: 'number',
          unit: 'mm',
          fixedUnit: true,
          optional: true,
          half: true,
          hint: 'Unless measured: no deeper than these',
        },
      ]}
      initial={{
        count: '1',
        lengthMm: like ? String(like.lengthMm) : '',
        diameterMm: like ? String(like.diameterMm) : '3',
        drive: like?.drive ?? 'cross',
        head: like?.head ?? 'pan',
        shank: like?.shank ?? 'tapered',
        fate: 'kept',
        deepestMm: '',
      }}
      submit="Into the tray"
      done="In the tray."
      bench
      send={(values) => putIntoTray({ stepId, ...values })}
    />
  );
}

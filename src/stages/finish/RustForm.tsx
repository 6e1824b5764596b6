'use client';

import { useRouter } from 'next/navigation';
import { METAL_TASKS, METALS, RUST_KINDS, TOUCHES, type RustPatch } from '@/core/finish/rust';
import { viewHref } from '@/core/runsheet/views';
import { AnswerForm, options, type FieldDef } from '@/ui/AnswerForm';
import { keepRust } from './actions';

const KIND_WORDS: Record<(typeof RUST_KINDS)[number], string> = {
  bloom: 'Bloom: comes off on a finger',
  scale: 'Scale: stands up, flakes',
  pits: 'Pits: holes in the metal',
  through: 'Through: light is seen',
};

const FIELDS: readonly FieldDef[] = [
  { name: 'name', label: 'Which place', half: true },
  { name: 'metal', label: 'Metal', kind: 'choice', options: options(METALS), half: true },
  {
    ...{ name: 'kind', label: 'What it looks like', kind: 'chips' },
    options: RUST_KINDS.map((value) => ({ value, label: KIND_WORDS[value] })),
  },
  { name: 'task', label: 'What the part must do', kind: 'chips', options: options(METAL_TASKS) },
  { name: 'touches', label: 'What stays on it or beside it', kind: 'choice', options: options(TOUCHES), half: true },
  {
    ...{ name: 'comesOff', label: 'It can lie in a bath by itself', kind: 'chips', half: true },
    options: [
      { value: 'true', label: 'Yes' },
      { value: 'false', label: 'No' },
    ],
  },
  { name: 'areaCm2', label: 'Rusted area', kind: 'number', unit: 'cm²', third: true },
  { name: 'thickMm', label: 'Thickness of the metal', kind: 'number', unit: 'mm', third: true },
  { name: 'pitMm', label: 'Deepest pit', kind: 'number', unit: 'mm', third: true, hint: '0 where a nail feels none' },
];

/** What a rusted place is like: what decides its ladder, asked once. */
export function RustForm({
  restorationId,
  findingId,
  name,
  patch,
}: {
  restorationId: string;
  findingId: string;
  name: string;
  patch: RustPatch | null;
}) {
  const router = useRouter();
  return (
    <AnswerForm<string>
      draftKey={`rust:${findingId}`}
      fields={FIELDS}
      initial={{
        ...{ name, metal: patch?.metal ?? 'steel', kind: patch?.kind ?? 'bloom', task: patch?.task ?? 'nothing' },
        ...{ touches: patch?.touches ?? 'nothing', comesOff: String(patch?.comesOff ?? true) },
        ...{ areaCm2: text(patch?.areaCm2), thickMm: text(patch?.thickMm), pitMm: String(patch?.pitMm ?? 0) },
      }}
      submit="Work out the ladder"
      bench
      keeps
      send={async ({ name: called, once, ...given }) => {
        const answered = await keepRust({ restorationId, findingId, name: called, once, patch: given });
        if (answered.ok) return answered;
        return {
          ok: false,
          errors: answered.errors.map((error) => ({ ...error, field: error.field.replace(/^patch\./, '') })),
        };
      }}
      onDone={() => router.push(`${viewHref(restorationId, 'finish', 'rust')}?finding=${findingId}`)}
    />
  );
}

const text = (value: number | undefined): string => (value === undefined ? '' : String(value));

'use client';

import { Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import {
  BREAKS,
  LOADS,
  mayWearOut,
  PULLS,
  REACHES,
  sizesFor,
  USUAL_SIZES,
  usualPull,
  WINDOW_GLUES,
  type Break,
  type Damage,
  type Load,
  type Size,
} from '@/core/mending/repair/damage';
import { viewHref } from '@/core/runsheet/views';
import { AnswerForm, options, type FieldDef } from '@/ui/AnswerForm';
import { Select } from '@/ui/Select';
import { keepBreak } from './actions';
import { Chips } from '@/ui/Chips';

interface Props {
  restorationId: string;
  findingId: string;
  name: string;
  kind: Break;
  load: Load;
  plastic: string;
  plastics: readonly string[];
  /** As it was measured; `null` before that. */
  damage: Damage | null;
}

const LOAD_WORDS: Record<Load, string> = {
  nothing: 'Nothing',
  'held by hand': 'It is held by hand',
  snaps: 'It snaps in',
  'carries the lid': 'It carries the lid',
  hinge: 'It is a hinge',
  screw: 'A screw goes in',
};

const SIZE_FIELDS: Record<Size, { label: string; hint?: string; optional?: boolean }> = {
  lengthMm: { label: 'Length of the break' },
  wallMm: { label: 'Thickness of the wall' },
  behindMm: { label: 'Room behind, each side', hint: '0 where nothing fits' },
  armMm: { label: 'It pulls so far off', hint: 'From the break to where it is pushed' },
  stubMm: { label: 'Thickness of the stub', optional: true },
  deepMm: { label: 'It can be drilled', optional: true, hint: 'Deep, before it comes out' },
  bossMm: { label: 'Boss, over all', optional: true },
  holeMm: { label: 'Its hole', optional: true },
  screwMm: { label: 'Screw, over its thread', optional: true },
  engagedMm: { label: 'Thread in the boss', optional: true, hint: 'How long' },
};

const PULL_WORDS = { along: 'Along the joint', pried: 'Pries it open' } as const;
const REACH_WORDS = { front: 'In front only', behind: 'Behind only', both: 'Both sides' } as const;

/** What decides a repair, asked once: only what its kind and its load make count. */
export function BreakForm({ restorationId, findingId, name, kind: first, load: at, plastic, plastics, damage }: Props) {
  const [kind, setKind] = useState(first);
  const [load, setLoad] = useState(at);
  const router = useRouter();
  const asked = sizesFor(kind, load);
  const fields: FieldDef[] = [
    { name: 'name', label: 'Which place', half: true },
    { name: 'plastic', label: 'Plastic', kind: 'choice', options: options(plastics), half: true },
    ...asked.map((size): FieldDef => ({ name: size, kind: 'number', unit: 'mm', third: true, ...SIZE_FIELDS[size] })),
    {
      ...{ name: 'loadN', label: 'What pulls at it', kind: 'number', unit: 'N', fixedUnit: true, optional: true },
      ...{ third: true, hint: '1 kg weighs 10 N; else what is usual' },
    } as FieldDef,
    ...(load === 'screw' || asked.length === 0
      ? []
      : ([
          { name: 'pull', label: 'How it pulls', kind: 'chips', options: wordsOf(PULLS, PULL_WORDS), half: true },
          { name: 'reach', label: 'Reached from', kind: 'chips', options: wordsOf(REACHES, REACH_WORDS), half: true },
        ] as FieldDef[])),
    ...(kind === 'window to come out'
      ? [
          {
            ...{ name: 'windowGlue', label: 'What holds it, by its edge', kind: 'chips', half: true },
            options: options(WINDOW_GLUES),
          } as FieldDef,
        ]
      : []),
    ...(mayWearOut(kind, load)
      ? [
          {
            ...{
              name: 'wearsOut',
              label: 'Too thin from the start, or a kind that wears out',
              kind: 'chips',
              half: true,
            },
            options: [
              { value: 'true', label: 'Yes' },
              { value: 'false', label: 'No' },
            ],
          } as FieldDef,
        ]
      : []),
    {
      ...{ name: 'seen', label: 'Is it seen when all is closed', kind: 'chips', half: true },
      options: [
        { value: 'true', label: 'Seen' },
        { value: 'false', label: 'Out of sight' },
      ],
    },
  ];
  const initial: Record<string, string> = {
    ...{ name, plastic, loadN: text(damage?.loadN), pull: damage?.pull ?? usualPull(load) },
    ...{ reach: damage?.reach ?? 'both', seen: String(damage?.seen ?? true) },
    ...{ windowGlue: damage?.windowGlue ?? 'not known', wearsOut: String(damage?.wearsOut ?? false) },
    ...Object.fromEntries(asked.map((size) => [size, text(damage?.[size])])),
  };
  return (
    <>
      <label>
        <Text fontSize="15px">What is wrong</Text>
        <Select value={kind} onChange={(event) => setKind(event.target.value as Break)} options={options(BREAKS)} />
      </label>
      <Text fontSize="15px" mt="3">
        What the place does
      </Text>
      <Chips label="What the place does" of={LOADS} words={LOAD_WORDS} chosen={load} onChoose={setLoad} bench />
      <AnswerForm<string>
        key={`${kind}${load}`}
        draftKey={`break:${findingId}:${kind}:${load}`}
        fields={fields}
        initial={initial}
        submit="Work out the ways"
        bench
        keeps
        send={async ({ name: called, once, ...typed }) => {
          const answered = await keepBreak({
            ...{ restorationId, findingId, name: called, once },
            damage: { ...USUAL_SIZES, reach: 'both', pull: 'along', ...typed, kind, load },
          });
          if (answered.ok) return answered;
          // Its fields stand in the form by their own names.
          return {
            ok: false,
            errors: answered.errors.map((error) => ({ ...error, field: error.field.replace(/^damage\./, '') })),
          };
        }}
        onDone={() => router.push(`${viewHref(restorationId, 'mend', 'choose')}?finding=${findingId}`)}
      />
    </>
  );
}

const text = (value: number | null | undefined): string => (value === null || value === undefined ? '' : String(value));
const wordsOf = <T extends string>(of: readonly T[], words: Readonly<Record<T, string>>) =>
  of.map((value) => ({ value, label: words[value] }));

'use client';

import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { DRIVES, FATES, hasBore, HEADS, SHANKS, THINGS, type Head, type Shank, type Thing } from '@/core/teardown/lots';
import type { LotRow } from '@/data/rows';
import { AnswerForm, options, type FieldDef } from '@/ui/AnswerForm';
import { DriveMark } from '@/ui/DriveMark';
import { FieldWatch } from '@/ui/FieldWatch';
import { Screw } from '@/ui/Screw';
import { putIntoTray } from './actions';

/** A short screw from the side, to choose head and shank by their look. */
function Side({ head, shank }: { head: Head; shank: Shank }) {
  return (
    <Box as="span" display="block" width="30px" height="30px" aria-hidden>
      <Screw
        screw={{ thing: 'screw', diameterMm: 3, lengthMm: 6, shank, head }}
        boxMm={{ width: 9, height: 9 }}
        title=""
      />
    </Box>
  );
}

const THING: FieldDef = { name: 'thing', label: 'What', kind: 'choice', options: options(THINGS), half: true };
const COUNT: FieldDef = { name: 'count', label: 'How many', kind: 'number', half: true };
const BORE: FieldDef = {
  name: 'diameterMm',
  label: 'Diameter',
  kind: 'number',
  unit: 'mm',
  fixedUnit: true,
  half: true,
};
const FATE: FieldDef = { name: 'fate', label: 'They will be', kind: 'choice', options: options(FATES), half: true };
const SCREW: readonly FieldDef[] = [
  { name: 'lengthMm', label: 'Length under the head', kind: 'number', unit: 'mm', fixedUnit: true, half: true },
  BORE,
  {
    name: 'drive',
    label: 'Drive',
    kind: 'chips',
    options: DRIVES.map((value) => ({ value, label: value, picture: <DriveMark drive={value} /> })),
  },
  {
    name: 'head',
    label: 'Head',
    kind: 'chips',
    options: HEADS.map((value) => ({ value, label: value, picture: <Side head={value} shank="straight" /> })),
  },
  {
    name: 'shank',
    label: 'Shank',
    kind: 'chips',
    options: SHANKS.map((value) => ({ value, label: value, picture: <Side head="pan" shank={value} /> })),
  },
  FATE,
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
];

/** What is asked of a lot: a screw has its whole size, a nut its bore, a clip only its number. */
const fieldsOf = (thing: Thing): FieldDef[] => [
  THING,
  COUNT,
  ...(thing === 'screw' ? SCREW : [...(hasBore(thing) ? [BORE] : []), FATE]),
];

/** Fasteners of one kind; it begins with what the last lot was, since most machines use few kinds. */
export function LotForm({ stepId, like }: { stepId: string; like: LotRow | null }) {
  const [thing, setThing] = useState<Thing>('screw');
  const screw = like?.thing === 'screw' ? like : null;
  return (
    <AnswerForm
      draftKey={`lot:${stepId}`}
      fields={fieldsOf(thing)}
      initial={{
        thing: 'screw',
        count: '1',
        lengthMm: screw ? String(screw.lengthMm) : '',
        diameterMm: screw ? String(screw.diameterMm) : '3',
        drive: screw?.drive ?? 'cross',
        head: screw?.head ?? 'pan',
        shank: screw?.shank ?? 'tapered',
        fate: 'kept',
        deepestMm: '',
      }}
      submit="Into the tray"
      done="In the tray."
      bench
      send={(values) => putIntoTray({ stepId, ...values })}
    >
      {(form) => <FieldWatch form={form} name="thing" onChange={(chosen) => setThing(chosen as Thing)} />}
    </AnswerForm>
  );
}

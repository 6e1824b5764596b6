import type { FieldDef } from '@/ui/AnswerForm';

/** What is asked of a machine that comes in, and can be corrected later. */
export const PROVENANCE: readonly FieldDef[] = [
  { name: 'title', label: 'Name you will know it by', hint: 'Goes on every page of its record' },
  { name: 'machine', label: 'What it is', optional: true, hint: 'Make, model, year, serial number' },
  { name: 'source', label: 'Where it came from', optional: true, half: true },
  {
    name: 'claim',
    label: 'What was claimed',
    optional: true,
    half: true,
    hint: 'Untested, faulty, worked when stored',
  },
  {
    name: 'packing',
    label: 'How it was packed',
    optional: true,
    half: true,
    hint: 'Well, loose in a box, a corner pressed in',
  },
];

export const CONDITION: FieldDef = {
  name: 'condition',
  label: 'Condition in words',
  kind: 'long',
  optional: true,
  hint: 'Smell, dirt, rust, leaks, what is broken or missing',
};

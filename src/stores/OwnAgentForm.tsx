'use client';

import { Grid, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { AnswerForm, options, type FieldDef } from '@/ui/AnswerForm';
import { Check } from '@/ui/Check';
import { addAgent } from './actions';
import { TAKES } from './takes';

interface Choice {
  value: string;
  label: string;
}

interface Props {
  families: readonly Choice[];
  soils: readonly Choice[];
  meanings: readonly string[];
}

const FIELDS = (meanings: readonly string[]): readonly FieldDef[] => [
  { name: 'title', label: 'Name', half: true, hint: 'By its kind, not its maker' },
  { name: 'does', label: 'What it does', half: true, optional: true },
  {
    name: 'roughness',
    label: 'Roughness',
    kind: 'choice',
    options: meanings.map((words, i) => ({ value: String(i), label: `${i}: ${words}` })),
  },
  { name: 'wet', label: 'How wet', kind: 'choice', third: true, options: options(['dry', 'damp', 'bath']) },
  {
    name: 'leaves',
    label: 'What dries last',
    kind: 'choice',
    third: true,
    options: options(['nothing', 'water', 'alcohol', 'vinegar', 'oil']),
  },
  { name: 'dwellMin', label: 'Left to work', kind: 'number', unit: 'min', third: true },
  { name: 'handsMin', label: 'Hands', kind: 'number', unit: 'min', third: true },
  {
    name: 'litre',
    label: 'In a litre of bath',
    kind: 'number',
    unit: 'mL',
    fixedUnit: true,
    third: true,
    optional: true,
  },
  { name: 'bathC', label: 'Bath', kind: 'number', unit: '°C', third: true, optional: true },
  { name: 'rinse', label: 'Rinse', half: true, optional: true },
  { name: 'protection', label: 'Protection', half: true, hint: 'As its sheet says' },
  { name: 'often', label: 'One pass takes it off', kind: 'choice', half: true, options: options(Object.keys(TAKES)) },
];

/** An agent that the data set does not know: what it is made of decides what it may touch and meet. */
export function OwnAgentForm({ families, soils, meanings }: Props) {
  const [made, setMade] = useState<readonly string[]>([]);
  const [takes, setTakes] = useState<readonly string[]>([]);
  const ticks = (
    label: string,
    choices: readonly Choice[],
    ticked: readonly string[],
    set: (now: readonly string[]) => void,
  ) => (
    <>
      <Text fontWeight="650" mt="4">
        {label}
      </Text>
      <Grid role="group" aria-label={label} templateColumns={{ base: '1fr', md: '1fr 1fr' }} columnGap="5">
        {choices.map(({ value, label: words }) => (
          <Check
            key={value}
            checked={ticked.includes(value)}
            onChange={(checked) => set(checked ? [...ticked, value] : ticked.filter((other) => other !== value))}
          >
            {words}
          </Check>
        ))}
      </Grid>
    </>
  );
  return (
    <AnswerForm
      draftKey="own-agent"
      beside={{ made, takes }}
      fields={FIELDS(meanings)}
      initial={{
        title: '',
        does: '',
        roughness: '4',
        wet: 'damp',
        leaves: 'water',
        dwellMin: '5',
        handsMin: '5',
        litre: '',
        bathC: '',
        rinse: 'wipe with a damp cloth, then dry',
        protection: '',
        often: 'half the time',
      }}
      submit="Add this agent"
      done="Added. It stands on the ladders where it may."
      send={(values) => addAgent({ ...values, families: made, soils: takes })}
      onDone={() => {
        setMade([]);
        setTakes([]);
      }}
    >
      {() => (
        <>
          {ticks('Made of, or does', families, made, setMade)}
          {ticks('Takes off', soils, takes, setTakes)}
        </>
      )}
    </AnswerForm>
  );
}

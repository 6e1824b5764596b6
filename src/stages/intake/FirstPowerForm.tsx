'use client';

import { Box, Text } from '@chakra-ui/react';
import { firstPower, LAST_RUNS, POLARITIES, SUPPLY_KINDS, type PowerFacts } from '@/core/intake/firstPower';
import { AnswerForm, options, type FieldDef, type Values } from '@/ui/AnswerForm';
import { Cautions } from '@/ui/Cautions';
import { decidePower } from './actions';
import { factsTyped, typedFacts } from './powerTyped';

const YES_NO = options(['no', 'yes']);
const yesNo = (name: string, label: string, hint?: string): FieldDef => ({
  name,
  label,
  kind: 'choice',
  options: YES_NO,
  half: true,
  ...(hint && { hint }),
});

const SEVERAL = 'Several on one plug: 1: 5; 2: 12; 3: −12';

const FIELDS: FieldDef[] = [
  yesNo('burntSmell', 'Does it smell burnt?'),
  yesNo('leaked', 'Has something leaked?', 'Crusts, brown spots, a fishy smell'),
  yesNo('batteryLeaked', 'Has a battery leaked?'),
  yesNo('longStored', 'Was it stored for long?', 'Years without power'),
  {
    name: 'lastRun',
    label: 'When it was last switched on it …',
    kind: 'choice',
    options: options(LAST_RUNS),
    half: true,
  },
  yesNo('tubeInside', 'Picture tube or mains part inside?'),
  { name: 'supply', label: 'Supply', kind: 'choice', options: options(SUPPLY_KINDS), half: true },
  yesNo('supplyChecked', 'Was the supply checked by somebody competent?'),
  { name: 'labelVolts', label: 'Volts that the label asks for', optional: true, half: true, hint: SEVERAL },
  { name: 'atHandVolts', label: 'Volts of the supply at hand', optional: true, half: true, hint: SEVERAL },
  { name: 'labelPolarity', label: 'Polarity on the label', kind: 'choice', options: options(POLARITIES), half: true },
  {
    name: 'atHandPolarity',
    label: 'Polarity of the supply at hand',
    kind: 'choice',
    options: options(POLARITIES),
    half: true,
  },
];

const UNKNOWN: Values = {
  burntSmell: 'no',
  leaked: 'no',
  batteryLeaked: 'no',
  longStored: 'yes',
  lastRun: 'not known',
  tubeInside: 'no',
  supply: 'not known',
  supplyChecked: 'no',
  labelVolts: '',
  atHandVolts: '',
  labelPolarity: 'not on the label',
  atHandPolarity: 'not on the label',
};

/** Switch on or not, from what is known; the reason and the caution stand there before anything is saved. */
export function FirstPowerForm({ restorationId, facts }: { restorationId: string; facts: PowerFacts | null }) {
  return (
    <AnswerForm
      draftKey={`power:${restorationId}`}
      fields={FIELDS}
      initial={facts ? typedFacts(facts) : UNKNOWN}
      submit="Write this decision down"
      done="Decision written down."
      keeps
      send={(values) => decidePower({ restorationId, ...values })}
    >
      {(form) => <Decision values={form.watch()} />}
    </AnswerForm>
  );
}

function Decision({ values }: { values: Values }) {
  const facts = factsTyped(values);
  if (!facts) return <Text color="soft">Fill in what is wrong above, and the decision stands here.</Text>;
  const { decision, reasons, caution } = firstPower(facts);
  return (
    <Box aria-live="polite">
      <Box borderLeftWidth="8px" borderColor={decision === 'brief test' ? 'work' : 'hazard'} bg="sheet" p="4" mb="4">
        <Text fontFamily="heading" fontWeight="650" fontSize="22px">
          {decision[0]!.toUpperCase() + decision.slice(1)}
        </Text>
        {reasons.map((reason) => (
          <Text key={reason}>{reason}</Text>
        ))}
      </Box>
      <Cautions cautions={[caution]} />
    </Box>
  );
}

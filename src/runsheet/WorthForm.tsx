'use client';

import { assumedLine } from '@/core/assumptions/assumptions';
import { Box, Text } from '@chakra-ui/react';
import { roughMoney } from '@/core/ledger/money';
import { verdictLine } from '@/core/ledger/verdict';
import { worth, type Range, type WorthEstimate } from '@/core/ledger/worth';
import { withPoint } from '@/core/units';
import { AnswerForm, type FieldDef, type Values } from '@/ui/AnswerForm';
import { Estimate } from '@/ui/figures';
import { setWorthEstimate } from './actions';
import { ENDS, worthDrawn } from './drawn';
import type { Known } from './worth';

interface Props {
  restorationId: string;
  known: Known;
  estimate: WorthEstimate | null;
  currency: string;
}

const ASKED = [
  { name: 'parts', label: 'Parts and material still to come', unit: null },
  { name: 'hours', label: 'Own hours still to come', unit: 'h' },
  { name: 'goodOne', label: 'A good one costs', unit: null },
] as const;
/** Three guesses with their spread, and the verdict while one types. */
export function WorthForm({ restorationId, known, estimate, currency }: Props) {
  const fields: FieldDef[] = ASKED.flatMap(({ name, label, unit }) =>
    ENDS.map(({ end, words }) => ({
      name: `${name}${end}`,
      label: `${label}, ${words}`,
      kind: 'number' as const,
      unit: unit ?? currency,
      third: true,
    })),
  );
  return (
    <AnswerForm
      draftKey={`worth:${restorationId}`}
      fields={fields}
      initial={worthDrawn(estimate)}
      submit="Keep this estimate"
      done="Estimate kept."
      keeps
      drawnWith={{}}
      send={(values) => setWorthEstimate({ restorationId, ...values })}
    >
      {(form) => <Verdict values={form.watch()} known={known} currency={currency} />}
    </AnswerForm>
  );
}

/** The guesses as far as they are typed; `null` while one is missing or stands in no order. */
function typed(values: Values): WorthEstimate | null {
  const number = (name: string) => ((values[name] ?? '').trim() === '' ? NaN : Number(withPoint(values[name]!)));
  const range = (name: string): Range => ({
    low: number(`${name}Low`),
    likely: number(`${name}Likely`),
    high: number(`${name}High`),
  });
  const estimate = { parts: range('parts'), hours: range('hours'), goodOne: range('goodOne') };
  const sound = Object.values(estimate).every(({ low, likely, high }) => 0 <= low && low <= likely && likely <= high);
  return sound ? estimate : null;
}

function Verdict({ values, known, currency }: { values: Values; known: Known; currency: string }) {
  const estimate = typed(values);
  if (!estimate)
    return (
      <Text color="soft">
        Guess all three, each with its spread, and the verdict stands here. The least stands first.
      </Text>
    );
  const found = worth({ ...known, ...estimate });
  const between = ({ low, likely, high }: Range) =>
    `about ${roughMoney(likely, currency)}, between ${roughMoney(low, currency)} and ${roughMoney(high, currency)}`;
  return (
    <Box
      aria-live="polite"
      bg="sheet"
      borderLeftWidth="8px"
      borderColor={found.verdict === 'not for the money' ? 'amber' : 'work'}
      p="4"
    >
      <Text fontWeight="650" mb="2">
        {verdictLine(found, currency)}.
      </Text>
      <Estimate
        median={found.cost.likely}
        low={found.cost.low}
        high={found.cost.high}
        unit={currency}
        digits={0}
        label="It will have cost, own hours counted"
        from={`From your own guesses. ${assumedLine(['likely worth it']).how}.`}
      />
      <Text mt="3">A good one less that: {between(found.gain)}.</Text>
      <Text>In money alone: {between(found.cashGain)}.</Text>
      {found.perHour !== null && <Text>An own hour earns about {roughMoney(found.perHour, currency)}.</Text>}
    </Box>
  );
}

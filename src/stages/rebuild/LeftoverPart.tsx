'use client';

import { Box, Grid, Text } from '@chakra-ui/react';
import { TextBox } from '@/ui/Typed';
import { useState } from 'react';
import { originsOf, type LotOfStep } from '@/core/teardown/leftovers';
import { DRIVES, HEADS, lotWords, outstanding, SHANKS, type Drive, type Head, type Shank } from '@/core/teardown/lots';
import { withPoint } from '@/core/units';
import type { LotRow } from '@/data/rows';
import { Fold } from '@/ui/Fold';
import { Part } from '@/ui/layout';
import { Select } from '@/ui/Select';

const HOW = {
  same: 'one of this kind is still out',
  'looks alike': 'looks alike, only the length differs',
  swapped: 'all back, perhaps with another in its place',
} as const;

/** What is still out, and where a screw left on the bench can have come from. */
export function LeftoverPart({ lots, names }: { lots: readonly LotRow[]; names: Readonly<Record<string, string>> }) {
  const nameOf = (stepId: string) => names[stepId] ?? '';
  const [found, setFound] = useState({
    drive: 'cross' as Drive,
    head: 'pan' as Head,
    shank: 'tapered' as Shank,
    diameterMm: '3',
    lengthMm: '',
  });
  if (lots.length === 0) return null;
  const states: LotOfStep[] = lots.map((lot) => ({
    lotId: lot.id,
    stepId: lot.stepId,
    lot,
    returned: lot.returned,
    missing: lot.missing,
  }));
  const out = states.filter((state) => outstanding(state) > 0);
  const number = (typed: string) => Number(withPoint(typed));
  const lengthMm = number(found.lengthMm);
  const origins = lengthMm > 0 ? originsOf({ ...found, lengthMm, diameterMm: number(found.diameterMm) }, states) : [];
  const choice = <K extends 'drive' | 'head' | 'shank'>(key: K, label: string, values: readonly string[]) => (
    <label>
      {label}
      <Select
        value={found[key]}
        onChange={(event) => setFound({ ...found, [key]: event.target.value })}
        options={values.map((value) => ({ value, label: value }))}
      />
    </label>
  );
  const size = (key: 'diameterMm' | 'lengthMm', label: string) => (
    <label>
      {label}
      <TextBox
        inputMode="decimal"
        figures
        value={found[key]}
        onChange={(event) => setFound({ ...found, [key]: event.target.value })}
      />
    </label>
  );
  return (
    <Part title={`Still out, ${out.reduce((sum, state) => sum + outstanding(state), 0)}`}>
      {out.map((state) => (
        <Text key={state.lotId} borderTopWidth="1px" borderColor="line" py="2">
          {lotWords({ ...state.lot, count: outstanding(state) })}, from {nameOf(state.stepId)}
        </Text>
      ))}
      <Fold summary="A screw is left over: where from?">
        <Grid templateColumns="repeat(auto-fill, minmax(140px, 1fr))" gap="3" mb="3">
          {size('lengthMm', 'Length, mm')}
          {size('diameterMm', 'Diameter, mm')}
          {choice('drive', 'Drive', DRIVES)}
          {choice('head', 'Head', HEADS)}
          {choice('shank', 'Shank', SHANKS)}
        </Grid>
        <Box aria-live="polite">
          {lengthMm > 0 && origins.length === 0 && (
            <Text>No lot on record looks like it. It may come from another machine.</Text>
          )}
          {origins.map(({ lotId, stepId, how }) => (
            <Text key={lotId}>
              <b>{nameOf(stepId)}</b>: {HOW[how]}
            </Text>
          ))}
        </Box>
      </Fold>
    </Part>
  );
}

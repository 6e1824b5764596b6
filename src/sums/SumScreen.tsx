'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useEffect, useState } from 'react';
import { FormProvider, useForm, useWatch, type FieldValues } from 'react-hook-form';
import { figured } from '@/core/colour/signed';
import type { FieldError } from '@/core/sums/fieldErrors';
import type { SumField } from '@/core/sums/fields';
import type { Figure as FigureOf } from '@/core/sums/sum';
import { shownUnit, toShown, type UnitSystem } from '@/core/units';
import { Estimate, Figure } from '@/ui/figures';
import { Part } from '@/ui/layout';
import { FieldsOf } from './FieldsOf';
import { nameAt, sentOf, typedOf } from './typed';

interface Props {
  name: string;
  fields: readonly SumField[];
  example: Record<string, unknown>;
  source: string;
  estimate: string | null;
  system: UnitSystem;
}

interface Explained {
  output: unknown;
  figures: FigureOf[];
  working: string[];
}

const PAUSE_MS = 180;

/** A sum's page: its inputs, its figures as one types, the working and the source. All of it from the catalogue. */
export function SumScreen({ name, fields, example, source, estimate, system: usual }: Props) {
  const form = useForm<FieldValues>({ defaultValues: typedOf(fields, example) });
  const [system, setSystem] = useState(usual);
  const [shown, setShown] = useState<Explained | null>(null);
  const [wrong, setWrong] = useState<FieldError[]>([]);
  const { control, setError, clearErrors } = form;
  const sent = JSON.stringify(sentOf(fields, useWatch({ control })));
  useEffect(() => {
    const controller = new AbortController();
    const timer = setTimeout(() => {
      fetch(`/api/sums/${name}?explain=1`, {
        method: 'POST',
        body: sent,
        headers: { 'Content-Type': 'application/json' },
        signal: controller.signal,
      })
        .then(async (response) => {
          const answered: unknown = await response.json();
          clearErrors();
          if (response.ok) {
            setShown(answered as Explained);
            setWrong([]);
          } else {
            const { errors } = answered as { errors: FieldError[] };
            setWrong(errors);
            for (const { field, message } of errors) if (field !== '') setError(nameAt(field), { message });
          }
        })
        .catch((failure: unknown) => {
          if (!controller.signal.aborted)
            setWrong([
              { field: '', message: `Kvell did not answer (${(failure as Error).message}). Check that it still runs.` },
            ]);
        });
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      controller.abort();
    };
  }, [sent, name, setError, clearErrors]);
  const general = wrong.filter(({ field }) => field === '');
  return (
    <Grid templateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(320px, 1fr) minmax(0, 1.3fr)' }} gap="8">
      <Box>
        <Flex justify="end" mb="3">
          <Button onClick={() => setSystem(system === 'us' ? 'metric' : 'us')}>
            {system === 'us' ? 'Show metric units' : 'Show US units'}
          </Button>
        </Flex>
        <FormProvider {...form}>
          <FieldsOf fields={fields} within="" system={system} />
        </FormProvider>
      </Box>
      <Box aria-live="polite">
        {general.map(({ field, message }) => (
          <Text key={field + message} role="alert" borderLeftWidth="8px" borderColor="hazard" pl="3" mb="3">
            {message}
          </Text>
        ))}
        {shown && (
          <Box opacity={wrong.length > 0 ? 0.4 : 1}>
            <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="5" mb="6">
              {shown.figures.map(({ label, value: v, unit = '', digits = 2, range }) => {
                if (typeof v === 'string') return <Figure key={label} value={v} label={label} />;
                const of = (n: number) => toShown(n, unit, system);
                if (range)
                  return (
                    <Estimate
                      key={label}
                      median={of(v)}
                      low={of(range[0])}
                      high={of(range[1])}
                      unit={shownUnit(unit, system)}
                      label={label}
                      from={estimate ?? ''}
                      digits={digits}
                    />
                  );
                return (
                  <Figure key={label} value={figured(of(v), digits)} unit={shownUnit(unit, system)} label={label} />
                );
              })}
            </Grid>
            <Part title="Working">
              {shown.working.map((line) => (
                <Text key={line} fontFamily="mono" fontSize="16px" mb="1">
                  {line}
                </Text>
              ))}
            </Part>
            <Part title="Source">
              <Text>{source}</Text>
              {estimate && <Text mt="2">Estimate. {estimate}</Text>}
              <Text mt="2" color="soft">
                The same by command:{' '}
                <code style={{ overflowWrap: 'anywhere' }}>{`npm run -s sum -- ${name} '${sent}'`}</code>
              </Text>
            </Part>
          </Box>
        )}
      </Box>
    </Grid>
  );
}

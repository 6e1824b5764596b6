'use client';

import { Box, Grid, Text } from '@chakra-ui/react';
import { useEffect, useMemo, useState } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import { SCHOOL, type SchoolId } from '@/core/exposure/schools';
import type { FieldError } from '@/core/sums/fieldErrors';
import { SKY_WORDS, type SkyKnown } from '@/core/sun/skyKnown';
import { poured } from '@/core/units';
import type { Values } from '@/ui/AnswerForm';
import { DaySun } from '@/ui/DaySun';
import { Estimate, Figure } from '@/ui/figures';
import { AmountFigure, useAmount } from '@/ui/units';
import { Worked } from '@/ui/Worked';
import { plan } from './actions';
import type { PlanView } from './plan';
import { WarmthWords } from './WarmthWords';
import { planWorking } from './workings';

const FROM = 'From the usual rate of this way and this piece’s own sessions.';

/** The cloud that a plan begins with, and what is known of it: what somebody types instead is theirs. */
interface SkyOfPlan {
  known: SkyKnown;
  percent: number;
}

const PAUSE_MS = 350;

/** The plan as its form stands, worked out a moment after the last key; what comes after it sees it too. */
export function PlanPreview({
  form,
  pieceId,
  withIds,
  timeZone,
  sky,
  children,
}: {
  form: UseFormReturn<Values>;
  pieceId: string;
  withIds: readonly string[];
  timeZone: string;
  sky: SkyOfPlan | null;
  children: (view: PlanView) => React.ReactNode;
}) {
  const values = form.watch();
  const typed = JSON.stringify({ ...values, pieceId, withIds });
  const [view, setView] = useState<PlanView | null>(null);
  const [errors, setErrors] = useState<FieldError[]>([]);
  useEffect(() => {
    let stale = false;
    const timer = setTimeout(() => {
      void plan(JSON.parse(typed) as Values).then((answered) => {
        if (stale) return;
        if (answered.ok) setView(answered.value);
        setErrors(answered.ok ? [] : answered.errors);
      });
    }, PAUSE_MS);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [typed]);
  if (errors.length > 0)
    return (
      <Box role="status" borderLeftWidth="8px" borderColor="amber" pl="3" mb="4">
        {errors.map(({ field, message }) => (
          <Text key={field + message}>{message}</Text>
        ))}
      </Box>
    );
  if (!view) return <Text role="status">Working it out.</Text>;
  return (
    <Box aria-live="polite">
      <PlanFigures view={view} timeZone={timeZone} values={values} sky={sky} />
      {children(view)}
    </Box>
  );
}

function PlanFigures({ view, timeZone, values, sky }: { view: PlanView; timeZone: string; values: Values; sky: SkyOfPlan | null }) {
  const { plan: p, bath, day, windowStart } = view;
  const amount = useAmount();
  const minutes = Number(values.durationMin);
  const stands = values.stands === 'true';
  const bars = useMemo(
    () => [{ label: 'this exposure', from: windowStart, to: new Date(Date.parse(windowStart) + minutes * 60_000).toISOString() }],
    [windowStart, minutes],
  );
  return (
    <Box borderTopWidth="3px" borderColor="ink" pt="4" mb="5">
      <Grid templateColumns={{ base: '1fr 1fr', md: 'repeat(4, 1fr)' }} gap="4" mb="5">
        {p.dilution && !stands && (
          <>
            <AmountFigure {...poured(p.dilution.stockVolumeL)} label="from the bottle" />
            <AmountFigure {...poured(p.dilution.waterVolumeL)} label="of water, poured in first" />
          </>
        )}
        {bath && (
          <AmountFigure
            amount={bath.fillHeightMm}
            unit="mm"
            label={`deep in the ${SCHOOL[values.school as SchoolId].solution === 'pool' ? 'box' : 'tub'}: ${amount(bath.solutionL, 'L', 1)}`}
          />
        )}
        {bath && bath.weightToHoldDownG > 0 && <AmountFigure amount={Math.ceil(bath.weightToHoldDownG)} unit="g" label="on it, or it floats up" />}
        {p.powderG !== null && !bath && <AmountFigure amount={p.solutionL!} unit="L" digits={1} label="of warm water" />}
        {p.powderG !== null && !stands && <AmountFigure amount={p.powderG} unit="g" label="of powder, stirred in slowly" />}
        {p.creamMl !== null && <AmountFigure amount={p.creamMl} unit="mL" label="of cream, one coat" />}
        <AmountFigure amount={p.oxygenL} unit="L" label="of oxygen if it all decomposes: never seal it" tone="hazard" />
        <Figure value={p.dose.toFixed(1)} unit={p.doseUnit} label="dose of this window" />
      </Grid>
      {day && (
        <>
          <Text mb="1">
            {day.kind === 'polar night' && 'Polar night: the sun does not rise here that day. '}
            {day.kind === 'midnight sun' && 'Midnight sun: it does not set here that day. '}
            Highest {day.highestElevationDeg.toFixed(0)}°, UV index up to {day.highestUvIndex.toFixed(1)}.
            {sky && Number(values.cloudPercent) === sky.percent && ` ${SKY_WORDS[sky.known]}`}
          </Text>
          <DaySun samples={day.samples} timeZone={timeZone} bars={bars} height={190} />
        </>
      )}
      {view.warmth && <WarmthWords warmth={view.warmth} timeZone={timeZone} />}
      {p.forecast && p.afterB && (
        <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="6" mt="5">
          <Estimate {...p.afterB} unit="b*" label="after this exposure" from={FROM} />
          {p.hoursToGo && <Estimate {...p.hoursToGo} unit="h" label="of hours like these until it matches" from={FROM} />}
        </Grid>
      )}
      {view.others.map(({ tag, name, afterB }) => (
        <Text key={tag + name} mt="2">
          <b>
            {tag} {name}
          </b>{' '}
          {afterB
            ? `should stand at b* ${afterB.median.toFixed(1)} after it (${afterB.low.toFixed(1)} to ${afterB.high.toFixed(1)}).`
            : 'is not measured yet: it gets the same dose.'}
        </Text>
      ))}
      {p.forecast?.doubt && (
        <Box borderLeftWidth="8px" borderColor="amber" pl="3" mt="3">
          {p.forecast.doubt}
        </Box>
      )}
      {p.notes.map((note) => (
        <Box key={note} borderLeftWidth="8px" borderColor="amber" pl="3" mt="3">
          {note}
        </Box>
      ))}
      <Worked
        lines={planWorking(
          p,
          SCHOOL[values.school as SchoolId],
          {
            hours: minutes / 60,
            cloudFraction: Number(values.cloudPercent) / 100,
            lampMwPerCm2: Number(values.lampMwPerCm2),
            temperatureC: Number(values.temperatureC),
          },
          bath,
        )}
        source="Mass balance with handbook densities; UV index after Madronich (2007), cloud after Kasten and Czeplak (1980)."
        sum={p.dilution ? { name: 'peroxide-dilution', title: 'dilution' } : { name: 'sun-dose', title: 'sun dose' }}
      />
    </Box>
  );
}

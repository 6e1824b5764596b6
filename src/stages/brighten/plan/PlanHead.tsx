'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { useEffect } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import { labOnScale } from '@/core/colour/plasticScale';
import { SCHOOL, type SchoolId } from '@/core/session/schools';
import { SKY_WORDS, type SkyKnown } from '@/core/sun/skyKnown';
import { poured } from '@/core/units';
import type { Values } from '@/ui/AnswerForm';
import { Figure } from '@/ui/figures';
import { Late } from '@/ui/Late';
import { Swatch } from '@/ui/PlasticScale';
import { AmountFigure, useAmount } from '@/ui/units';
import { Worked } from '@/ui/Worked';
import { workOutPlan } from '../actions';
import { DayPlanner, type DrawnSky } from './DayPlanner';
import type { PlanView } from './plan';
import { WarmthWords } from './WarmthWords';
import { planWorking } from '../workings';

/** The cloud that a plan begins with, and what is known of it: what somebody types instead is theirs. */
interface SkyOfPlan {
  known: SkyKnown;
  percent: number;
}

interface Props {
  form: UseFormReturn<Values>;
  pieceId: string;
  withIds: readonly string[];
  timeZone: string;
  sky: SkyOfPlan | null;
  drawn: DrawnSky | null;
  plan: WorkedOut;
  onPlan: (plan: (known: WorkedOut) => WorkedOut) => void;
}

/** What came of the form as it stood last: the last plan that could be worked out, and what is wrong with what stands there now. */
export interface WorkedOut {
  view: PlanView | null;
  wrong: readonly string[];
}

/** Nothing came yet, neither a plan nor why there is none. */
export const isUnderWay = ({ view, wrong }: WorkedOut): boolean => view === null && wrong.length === 0;

/** What moves is followed at this pace. */
const PAUSE_MS = 160;

const AWAY =
  'Kvell does not answer: the plan is not worked out for what stands here. It is once something is changed and Kvell is back.';

/** The plan as its form stands, worked out a moment after the last change: the day, and what its window brings. */
export function PlanHead({ form, pieceId, withIds, timeZone, sky, drawn, plan, onPlan }: Props) {
  const values = form.watch();
  const typed = JSON.stringify({ ...values, pieceId, withIds });
  useEffect(() => {
    let stale = false;
    const timer = setTimeout(() => {
      const wrong = (words: string[]) => {
        if (!stale) onPlan(({ view }) => ({ view, wrong: words }));
      };
      workOutPlan(JSON.parse(typed) as Values).then(
        (answered) => {
          if (!answered.ok) wrong([...new Set(answered.errors.map(({ message }) => message))]);
          else if (!stale) onPlan(() => ({ view: answered.value, wrong: [] }));
        },
        () => wrong([AWAY]),
      );
    }, PAUSE_MS);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [typed, onPlan]);
  const { view, wrong } = plan;
  return (
    <Box aria-live="polite" mb="3">
      {view?.day && (
        <DayPlanner
          form={form}
          day={view.day}
          sky={drawn}
          timeZone={timeZone}
          brings={`it brings ${view.plan.dose.toFixed(1)} ${view.plan.doseUnit}`}
        />
      )}
      {wrong.length > 0 ? (
        <Box role="status" borderLeftWidth="8px" borderColor="amber" pl="3">
          {wrong.map((words) => (
            <Text key={words}>{words}</Text>
          ))}
        </Box>
      ) : view ? (
        <PlanFigures view={view} timeZone={timeZone} values={values} sky={sky} />
      ) : (
        <Late words="Working it out." height={{ base: 1100, md: 760 }} />
      )}
    </Box>
  );
}

/** b* that a piece should stand at, with its colour on the plastic scale. */
function After({
  label,
  b: { median, low, high },
}: {
  label: string;
  b: { median: number; low: number; high: number };
}) {
  return (
    <Flex gap="3" align="center">
      <Swatch lab={labOnScale(median)} label={`Colour at b* ${median.toFixed(1)}`} size={48} />
      <Figure value={median.toFixed(1)} unit={`b*, ${low.toFixed(1)} to ${high.toFixed(1)}`} label={label} />
    </Flex>
  );
}

function PlanFigures({
  view,
  timeZone,
  values,
  sky,
}: {
  view: PlanView;
  timeZone: string;
  values: Values;
  sky: SkyOfPlan | null;
}) {
  const { plan: p, bath } = view;
  const amount = useAmount();
  const school = SCHOOL[values.school as SchoolId];
  const stands = values.stands === 'true';
  const amber = [p.forecast?.doubt, ...p.notes].filter((words): words is string => Boolean(words));
  return (
    <>
      <Grid templateColumns={{ base: '1fr 1fr', md: 'repeat(auto-fit, minmax(170px, 1fr))' }} gap="3" mb="2">
        <Figure value={p.dose.toFixed(1)} unit={p.doseUnit} label="dose of this window" tone="work" />
        {p.afterB && <After label="after it, 5 % to 95 %" b={p.afterB} />}
        {p.sessionsToGo && (
          <Figure
            value={`≈ ${Math.max(1, Math.ceil(p.sessionsToGo.median))}`}
            unit={`to ${Math.max(1, Math.ceil(p.sessionsToGo.high))}`}
            label="sessions like it until it matches"
          />
        )}
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
            label={`deep in the ${school.solution === 'pool' ? 'box' : 'tub'}: ${amount(bath.solutionL, 'L', 1)}`}
          />
        )}
        {bath && bath.weightToHoldDownG > 0 && (
          <AmountFigure amount={Math.ceil(bath.weightToHoldDownG)} unit="g" label="on it, or it floats up" />
        )}
        {p.powderG !== null && !bath && (
          <AmountFigure amount={p.solutionL!} unit="L" digits={1} label="of warm water" />
        )}
        {p.powderG !== null && !stands && (
          <AmountFigure amount={p.powderG} unit="g" label="of powder, stirred in slowly" />
        )}
        {p.creamMl !== null && <AmountFigure amount={p.creamMl} unit="mL" label="of cream, one coat" />}
        <AmountFigure amount={p.oxygenL} unit="L" label="of oxygen if all decomposes: never seal it" tone="hazard" />
      </Grid>
      {sky && Number(values.cloudPercent) === sky.percent && (
        <Text color="soft" fontSize="15px">
          {SKY_WORDS[sky.known]}
        </Text>
      )}
      {view.warmth && <WarmthWords warmth={view.warmth} timeZone={timeZone} />}
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
      {amber.map((words) => (
        <Box key={words} borderLeftWidth="8px" borderColor="amber" pl="3" mt="2">
          {words}
        </Box>
      ))}
      <Worked
        lines={planWorking(
          p,
          school,
          {
            hours: Number(values.durationMin) / 60,
            cloudFraction: Number(values.cloudPercent) / 100,
            lampMwPerCm2: Number(values.lampMwPerCm2),
            temperatureC: Number(values.temperatureC),
          },
          bath,
        )}
        source="Mass balance with handbook densities; UV index after Madronich (2007), cloud after Kasten and Czeplak (1980)."
        sum={p.dilution ? { name: 'peroxide-dilution', title: 'dilution' } : { name: 'sun-dose', title: 'sun dose' }}
      />
    </>
  );
}

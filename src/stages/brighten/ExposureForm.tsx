'use client';

import { Box, Button, Grid, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import type { Gate } from '@/core/exposure/gates';
import { SCHOOL, SCHOOLS, type SchoolId } from '@/core/exposure/schools';
import type { FieldError } from '@/core/sums/fieldErrors';
import type { Piece, StockItem } from '@/data/rows';
import { AnswerForm, type FieldDef, type Values } from '@/ui/AnswerForm';
import { Cautions } from '@/ui/Cautions';
import { Check } from '@/ui/Check';
import { DaySun } from '@/ui/DaySun';
import { Estimate, Figure } from '@/ui/figures';
import { Worked } from '@/ui/Worked';
import { Wrong } from '@/ui/Wrong';
import { plan, start } from './actions';
import type { PlanView } from './plan';
import { WarmthWords } from './WarmthWords';
import { planWorking } from './workings';

interface Props {
  piece: Piece;
  stock: readonly StockItem[];
  timeZone: string;
  /** When the window begins at first, as a `datetime-local` value in the workshop's zone; and its minutes where the sun set them. */
  from: string;
  minutes: number | null;
  /** Cloud of the coming hours, %. */
  cloudPercent: number;
  school: SchoolId;
}

const STRENGTH_UNITS = [
  { value: 'percentWW', label: '% by weight' },
  { value: 'percentWV', label: '% weight in volume' },
  { value: 'volumes', label: 'volumes' },
  { value: 'gramsPerL', label: 'grams in a litre' },
];

function fieldsFor(school: SchoolId, stock: readonly StockItem[]): FieldDef[] {
  const { driver, medium } = SCHOOL[school];
  const wanted = { cream: 'peroxide cream', liquid: 'peroxide liquid', powder: 'oxygen-bleach powder' }[medium];
  const bottles = stock.filter(({ kind, strengthValue }) => kind === wanted && strengthValue !== null);
  const powder: FieldDef[] = [
    {
      name: 'strengthValue',
      label: 'Percarbonate in the powder',
      kind: 'number',
      unit: '%',
      half: true,
      hint: 'From its label; only for a tub that is not in the stores',
    },
  ];
  const typed: FieldDef[] = [
    { name: 'strengthValue', label: 'Strength on the label', kind: 'number', half: true, hint: 'Only for a bottle that is not in the stores' },
    { name: 'strengthUnit', label: 'The label counts in', kind: 'choice', half: true, options: STRENGTH_UNITS },
  ];
  const optional: (FieldDef | false)[] = [
    { name: 'school', label: 'Way', kind: 'choice', options: SCHOOLS.map((id) => ({ value: id, label: SCHOOL[id].title })) },
    {
      name: 'stockId',
      label: { cream: 'Tube or bottle of cream', liquid: 'Stock bottle', powder: 'Tub of powder' }[medium],
      kind: 'choice',
      options: [...bottles.map(({ id, name }) => ({ value: id, label: name })), { value: '', label: 'one that is not in the stores' }],
    },
    ...(medium === 'powder' ? powder : typed),
    medium !== 'cream' && { name: 'targetPercentWW', label: 'Strength wanted', kind: 'number', unit: '% by weight', half: true },
    medium !== 'cream' && {
      name: 'volumeL',
      label: 'Litres wanted',
      kind: 'number',
      unit: 'L',
      half: true,
      hint: 'What covers it in its tub: the sum Bath volume',
    },
    medium === 'cream' && { name: 'areaCm2', label: 'Surface to cover', kind: 'number', unit: 'cm²', hint: 'Brushed on about 1 mm thick' },
    { name: 'windowStart', label: 'From', kind: 'time', half: true },
    { name: 'durationMin', label: 'For', kind: 'number', unit: 'min', half: true },
    { name: 'turnEveryMin', label: 'Turn every', kind: 'number', unit: 'min', half: true },
    driver === 'sun' && { name: 'cloudPercent', label: 'Cloud', kind: 'number', unit: '% of the sky', half: true },
    driver === 'lamp' && {
      name: 'lampMwPerCm2',
      label: 'UV-A at the piece',
      kind: 'number',
      unit: 'mW/cm²',
      half: true,
      hint: 'From the lamp’s sheet or a meter',
    },
    { name: 'temperatureC', label: 'Temperature', kind: 'number', unit: '°C', half: true },
    { name: 'toleranceB', label: 'Good enough within', kind: 'number', unit: 'b*', half: true },
  ];
  return optional.filter((field): field is FieldDef => field !== false);
}

/** Plans an exposure as one types, then starts it. */
export function ExposureForm({ piece, stock, timeZone, from, minutes, cloudPercent, school: first }: Props) {
  const router = useRouter();
  const [school, setSchool] = useState<SchoolId>(first);
  const [confirmed, setConfirmed] = useState(false);
  const [cautionError, setCautionError] = useState<string>();
  const [checks, setChecks] = useState<readonly string[]>([]);
  const [gateError, setGateError] = useState<string>();
  const fields = useMemo(() => fieldsFor(school, stock), [school, stock]);
  const way = SCHOOL[school];
  const area = piece.lengthMm && piece.widthMm ? String(Math.round((piece.lengthMm * piece.widthMm) / 100)) : '500';
  const initial: Values = {
    school: first,
    stockId: fieldsFor(first, stock).find(({ name }) => name === 'stockId')?.options?.[0]?.value ?? '',
    strengthValue: '',
    strengthUnit: 'percentWW',
    targetPercentWW: String(SCHOOL[first].usualPercentWW),
    volumeL: '5',
    areaCm2: area,
    windowStart: from,
    durationMin: String(minutes ?? 60 * SCHOOL[first].usualHours[0]),
    turnEveryMin: String(SCHOOL[first].turnEveryMin),
    cloudPercent: String(cloudPercent),
    lampMwPerCm2: '',
    temperatureC: String(SCHOOL[first].usualC),
    toleranceB: '1.5',
  };
  return (
    <AnswerForm
      fields={fields}
      initial={initial}
      submit="Start exposure now"
      bench
      draftKey={`exposure-${piece.id}`}
      send={async (values) => {
        const answered = await start({ ...values, pieceId: piece.id, cautionsConfirmed: confirmed, checks });
        setGateError(answered.ok ? undefined : answered.errors.find(({ field }) => field === 'checks')?.message);
        setCautionError(answered.ok ? undefined : answered.errors.find(({ field }) => field === 'cautionsConfirmed')?.message);
        return answered;
      }}
      done="Exposure started. The timer runs on every screen."
      onDone={() => router.refresh()}
    >
      {(form) => (
        <>
          <SchoolWatch form={form} stock={stock} onSchool={setSchool} />
          <Text mb="4" color="soft">
            {way.summary} {way.speaksFor} Against it: {way.speaksAgainst.toLowerCase()} Usually {way.usualHours[0]} to {way.usualHours[1]} h.
          </Text>
          <PlanPreview form={form} pieceId={piece.id} timeZone={timeZone}>
            {(view) => (
              <>
                <Button asChild mb="4">
                  <a href={cardHref(piece, form.getValues())} target="_blank" rel="noreferrer">
                    Session card for the wall (PDF)
                  </a>
                </Button>
                <GateChecks
                  gates={view.gates}
                  passed={checks}
                  error={gateError}
                  onChange={(id, passed) => {
                    setChecks((known) => (passed ? [...known, id] : known.filter((other) => other !== id)));
                    setGateError(undefined);
                  }}
                />
                <Cautions
                  cautions={view.plan.cautions}
                  confirm={{
                    checked: confirmed,
                    onChange: (checked) => {
                      setConfirmed(checked);
                      setCautionError(undefined);
                    },
                    error: cautionError,
                  }}
                />
              </>
            )}
          </PlanPreview>
        </>
      )}
    </AnswerForm>
  );
}

/** Address of the sheet of what is planned. */
const cardHref = ({ id, restorationId }: Piece, values: Values) =>
  `/api/restorations/${restorationId}/session-card?${new URLSearchParams({ ...values, pieceId: id }).toString()}`;

interface GateProps {
  gates: readonly Gate[];
  passed: readonly string[];
  error: string | undefined;
  onChange: (id: string, passed: boolean) => void;
}

/** What has to be done before the start, ticked one by one. */
function GateChecks({ gates, passed, error, onChange }: GateProps) {
  if (gates.length === 0) return null;
  return (
    <Box role="group" aria-label="Before the start" mb="4">
      <Text fontWeight="650">Before the start</Text>
      {gates.map(({ id, words }) => (
        <Check key={id} checked={passed.includes(id)} invalid={error !== undefined && !passed.includes(id)} onChange={(is) => onChange(id, is)}>
          {words}
        </Check>
      ))}
      <Wrong words={error === undefined ? [] : [error]} />
    </Box>
  );
}

/** When the way changes, so do the usual strength, time, turns and bottle. */
function SchoolWatch({ form, stock, onSchool }: { form: UseFormReturn<Values>; stock: readonly StockItem[]; onSchool: (school: SchoolId) => void }) {
  const { subscribe, setValue } = form;
  useEffect(
    () =>
      subscribe({
        name: 'school',
        formState: { values: true },
        callback: ({ values, name }) => {
          if (name !== 'school') return;
          const id = values.school as SchoolId;
          onSchool(id);
          const { usualPercentWW, usualHours, turnEveryMin, usualC } = SCHOOL[id];
          setValue('targetPercentWW', String(usualPercentWW));
          setValue('durationMin', String(60 * usualHours[0]));
          setValue('turnEveryMin', String(turnEveryMin));
          setValue('temperatureC', String(usualC));
          setValue('stockId', fieldsFor(id, stock).find((field) => field.name === 'stockId')?.options?.[0]?.value ?? '');
        },
      }),
    [subscribe, setValue, stock, onSchool],
  );
  return null;
}

const PAUSE_MS = 350;

function PlanPreview({
  form,
  pieceId,
  timeZone,
  children,
}: {
  form: UseFormReturn<Values>;
  pieceId: string;
  timeZone: string;
  children: (view: PlanView) => React.ReactNode;
}) {
  const values = form.watch();
  const typed = JSON.stringify(values);
  const [view, setView] = useState<PlanView | null>(null);
  const [errors, setErrors] = useState<FieldError[]>([]);
  useEffect(() => {
    let stale = false;
    const timer = setTimeout(() => {
      void plan({ ...(JSON.parse(typed) as Values), pieceId }).then((answered) => {
        if (stale) return;
        if (answered.ok) setView(answered.value);
        setErrors(answered.ok ? [] : answered.errors);
      });
    }, PAUSE_MS);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [typed, pieceId]);
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
      <PlanFigures view={view} timeZone={timeZone} minutes={Number(values.durationMin)} />
      {children(view)}
    </Box>
  );
}

function PlanFigures({ view, timeZone, minutes }: { view: PlanView; timeZone: string; minutes: number }) {
  const { plan: p, day, windowStart } = view;
  const bars = useMemo(
    () => [{ label: 'this exposure', from: windowStart, to: new Date(Date.parse(windowStart) + minutes * 60_000).toISOString() }],
    [windowStart, minutes],
  );
  return (
    <Box borderTopWidth="3px" borderColor="ink" pt="4" mb="5">
      <Grid templateColumns={{ base: '1fr 1fr', md: 'repeat(4, 1fr)' }} gap="4" mb="5">
        {p.dilution && (
          <>
            <Figure value={p.dilution.stockVolumeL.toFixed(2)} unit="L" label="from the bottle" />
            <Figure value={p.dilution.waterVolumeL.toFixed(2)} unit="L" label="of water, poured in first" />
          </>
        )}
        {p.powderG !== null && <Figure value={p.powderG.toFixed(0)} unit="g" label="of powder, stirred in slowly" />}
        {p.creamMl !== null && <Figure value={p.creamMl.toFixed(0)} unit="mL" label="of cream, one coat" />}
        <Figure value={p.oxygenL.toFixed(0)} unit="L" label="of oxygen if it all decomposes: never seal it" tone="hazard" />
        <Figure value={p.dose.toFixed(1)} unit={p.doseUnit} label="dose of this window" />
      </Grid>
      {day && (
        <>
          <Text mb="1">
            {day.kind === 'polar night' && 'Polar night: the sun does not rise here that day. '}
            {day.kind === 'midnight sun' && 'Midnight sun: it does not set here that day. '}
            Highest {day.highestElevationDeg.toFixed(0)}°, UV index up to {day.highestUvIndex.toFixed(1)}.
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
        lines={planWorking(p, { hours: minutes / 60, driver: p.doseUnit === 'UVI·h' ? (day ? 'sun' : 'lamp') : 'warmth' })}
        source="Mass balance with handbook densities; UV index after Madronich (2007), cloud after Kasten and Czeplak (1980)."
        sum={p.dilution ? { name: 'peroxide-dilution', title: 'dilution' } : { name: 'sun-dose', title: 'sun dose' }}
      />
    </Box>
  );
}

const FROM = 'From the usual rate of this way and this piece’s own sessions.';

'use client';

import { Box, Button, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import { surfaceCm2 } from '@/core/exposure/amounts';
import type { Gate } from '@/core/exposure/gates';
import { SCHOOL, type SchoolId } from '@/core/exposure/schools';
import type { PieceSize } from '@/core/size';
import type { Piece, StockItem, TubRow } from '@/data/rows';
import { AnswerForm, type Values } from '@/ui/AnswerForm';
import { Cautions } from '@/ui/Cautions';
import { Check } from '@/ui/Check';
import { Wrong } from '@/ui/Wrong';
import { start } from './actions';
import { fieldsFor, firstBottle, firstTub, litresFor } from './planFields';
import { PlanPreview } from './PlanPreview';

interface Props {
  piece: Piece;
  stock: readonly StockItem[];
  tubs: readonly TubRow[];
  timeZone: string;
  /** When the window begins at first, as a `datetime-local` value in the workshop's zone; and its minutes where the sun set them. */
  from: string;
  minutes: number | null;
  /** Cloud of the coming hours, %. */
  cloudPercent: number;
  school: SchoolId;
}

/** Plans an exposure as one types, then starts it. */
export function ExposureForm({ piece, stock, tubs, timeZone, from, minutes, cloudPercent, school: first }: Props) {
  const router = useRouter();
  const [school, setSchool] = useState<SchoolId>(first);
  const [confirmed, setConfirmed] = useState(false);
  const [cautionError, setCautionError] = useState<string>();
  const [checks, setChecks] = useState<readonly string[]>([]);
  const [gateError, setGateError] = useState<string>();
  const { lengthMm, widthMm, heightMm } = piece;
  const size = useMemo(() => (lengthMm && widthMm && heightMm ? { lengthMm, widthMm, heightMm } : null), [lengthMm, widthMm, heightMm]);
  const [inTub, setInTub] = useState(firstTub(tubs, size) !== '');
  const fields = useMemo(() => fieldsFor(school, stock, tubs, inTub), [school, stock, tubs, inTub]);
  const way = SCHOOL[school];
  const initial: Values = {
    school: first,
    stockId: firstBottle(first, stock),
    strengthValue: '',
    strengthUnit: 'percentWW',
    targetPercentWW: String(SCHOOL[first].usualPercentWW),
    volumeL: litresFor(first, size),
    tubId: firstTub(tubs, size),
    weightG: '',
    areaCm2: size ? String(Math.round(surfaceCm2(size))) : '500',
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
      draftKey={`exposure-${piece.id}-${first}`}
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
          <SchoolWatch form={form} stock={stock} size={size} onSchool={setSchool} onTub={setInTub} />
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

interface WatchProps {
  form: UseFormReturn<Values>;
  stock: readonly StockItem[];
  size: PieceSize | null;
  onSchool: (school: SchoolId) => void;
  onTub: (inTub: boolean) => void;
}

/** When the way changes, so do the usual strength, time, turns, litres and bottle. */
function SchoolWatch({ form, stock, size, onSchool, onTub }: WatchProps) {
  const { subscribe, setValue } = form;
  useEffect(
    () =>
      subscribe({
        formState: { values: true },
        callback: ({ values, name }) => {
          const id = values.school as SchoolId;
          // A draft that comes back changes them too, without a name.
          onSchool(id);
          onTub(values.tubId !== '');
          if (name !== 'school') return;
          const { usualPercentWW, usualHours, turnEveryMin, usualC } = SCHOOL[id];
          setValue('targetPercentWW', String(usualPercentWW));
          setValue('durationMin', String(60 * usualHours[0]));
          setValue('turnEveryMin', String(turnEveryMin));
          setValue('temperatureC', String(usualC));
          setValue('volumeL', litresFor(id, size));
          setValue('stockId', firstBottle(id, stock));
        },
      }),
    [subscribe, setValue, stock, size, onSchool, onTub],
  );
  return null;
}

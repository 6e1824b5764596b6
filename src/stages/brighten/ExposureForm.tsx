'use client';

import { Box, Button, Flex, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import { surfaceCm2 } from '@/core/exposure/amounts';
import type { Gate } from '@/core/exposure/gates';
import { SCHOOL, type SchoolId } from '@/core/exposure/schools';
import { toLocalField } from '@/core/runsheet/time';
import type { PieceSize } from '@/core/size';
import type { Piece, TubRow } from '@/data/rows';
import type { Shelved } from '@/data/stock';
import { deviceTime } from '@/ui/clock';
import { AnswerForm, type Values } from '@/ui/AnswerForm';
import { Cautions } from '@/ui/Cautions';
import { Check } from '@/ui/Check';
import { useUnits } from '@/ui/units';
import { Wrong } from '@/ui/Wrong';
import { planLater, start } from './actions';
import { chosenIn, fieldsFor, firstBottle, firstTub, litresFor, type Chosen } from './planFields';
import { PlanPreview } from './PlanPreview';

interface Props {
  piece: Piece;
  stock: readonly Shelved[];
  tubs: readonly TubRow[];
  timeZone: string;
  /** When the window begins at first, as a `datetime-local` value in the workshop's zone; and its minutes where the sun set them. */
  from: string;
  minutes: number | null;
  /** Cloud of the coming hours, %. */
  cloudPercent: number;
  school: SchoolId;
}

/** Beside the boxes that are to be ticked. */
const SHOWN_BELOW = ['checks', 'cautionsConfirmed'];

/** Plans an exposure as one types, then starts it. */
export function ExposureForm({ piece, stock, tubs, timeZone, from, minutes, cloudPercent, school: first }: Props) {
  const router = useRouter();
  const units = useUnits();
  const [confirmed, setConfirmed] = useState(false);
  const [cautionError, setCautionError] = useState<string>();
  const [checks, setChecks] = useState<readonly string[]>([]);
  const [gateError, setGateError] = useState<string>();
  const { lengthMm, widthMm, heightMm } = piece;
  const size = useMemo(() => (lengthMm && widthMm && heightMm ? { lengthMm, widthMm, heightMm } : null), [lengthMm, widthMm, heightMm]);
  const initial: Values = {
    school: first,
    stockId: firstBottle(first, stock),
    strengthValue: '',
    strengthUnit: 'percentWW',
    targetPercentWW: String(SCHOOL[first].usualPercentWW),
    stands: '',
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
  const [{ school, fromStores, inTub, later }, setChosen] = useState(() => chosenIn(initial, timeZone, deviceTime()));
  const fields = useMemo(
    () => fieldsFor({ school, fromStores, inTub, later }, stock, tubs, units),
    [school, fromStores, inTub, later, stock, tubs, units],
  );
  const way = SCHOOL[school];
  return (
    <AnswerForm
      fields={fields}
      initial={initial}
      submit={later ? 'Plan it for then' : 'Start exposure now'}
      bench
      shownBelow={SHOWN_BELOW}
      draftKey={`exposure-${piece.id}-${first}`}
      send={async (values) => {
        if (later) return planLater({ ...values, pieceId: piece.id });
        const answered = await start({ ...values, pieceId: piece.id, cautionsConfirmed: confirmed, checks });
        setGateError(answered.ok ? undefined : answered.errors.find(({ field }) => field === 'checks')?.message);
        setCautionError(answered.ok ? undefined : answered.errors.find(({ field }) => field === 'cautionsConfirmed')?.message);
        return answered;
      }}
      done={later ? 'Planned. It rings when the window opens.' : 'Exposure started. The timer runs on every screen.'}
      onDone={() => router.refresh()}
    >
      {(form) => (
        <>
          <ChoiceWatch form={form} stock={stock} size={size} timeZone={timeZone} first={{ school: first, from }} onChosen={setChosen} />
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
                {later && (
                  <Flex wrap="wrap" align="center" gap="3" borderLeftWidth="8px" borderColor="lineStrong" pl="3" mb="4">
                    <Text flex="1 1 300px">This window is still to come: what follows is for its start, when the bell rings.</Text>
                    <Button onClick={() => form.setValue('windowStart', toLocalField(deviceTime().toISOString(), timeZone))}>
                      Begin now instead
                    </Button>
                  </Flex>
                )}
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
  stock: readonly Shelved[];
  size: PieceSize | null;
  timeZone: string;
  /** The way that the form began with, and when its window opens. */
  first: { school: SchoolId; from: string };
  onChosen: (chosen: Chosen) => void;
}

const LOOK_MS = 20_000;

/** When the way changes, so do the usual strength, time, turns, litres and bottle. */
function ChoiceWatch({ form, stock, size, timeZone, first, onChosen }: WatchProps) {
  const { subscribe, setValue, getValues } = form;
  // A page that stays open comes to the window that it was laid into.
  useEffect(() => {
    const look = setInterval(() => onChosen(chosenIn(getValues(), timeZone, deviceTime())), LOOK_MS);
    return () => clearInterval(look);
  }, [getValues, timeZone, onChosen]);
  useEffect(
    () =>
      subscribe({
        formState: { values: true },
        callback: ({ values, name }) => {
          // A draft that comes back changes them too, without a name.
          onChosen(chosenIn(values, timeZone, deviceTime()));
          if (name !== 'school') return;
          const id = values.school as SchoolId;
          const { usualPercentWW, usualHours, turnEveryMin, usualC, driver } = SCHOOL[id];
          // Only what the sun drives waits for its window.
          setValue('windowStart', driver === SCHOOL[first.school].driver ? first.from : toLocalField(deviceTime().toISOString(), timeZone));
          setValue('targetPercentWW', String(usualPercentWW));
          setValue('durationMin', String(60 * usualHours[0]));
          setValue('turnEveryMin', String(turnEveryMin));
          setValue('temperatureC', String(usualC));
          setValue('volumeL', litresFor(id, size));
          setValue('stockId', firstBottle(id, stock));
          setValue('stands', '');
        },
      }),
    [subscribe, setValue, stock, size, timeZone, first.school, first.from, onChosen],
  );
  return null;
}

'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import { surfaceCm2 } from '@/core/session/amounts';
import type { Gate } from '@/core/session/gates';
import { SCHOOL, type SchoolId } from '@/core/session/schools';
import { toLocalField } from '@/core/runsheet/time';
import { viewHref } from '@/core/runsheet/views';
import type { Supply } from '@/core/session/supply';
import type { PieceSize } from '@/core/size';
import type { SkyKnown } from '@/core/sun/skyKnown';
import type { Piece, TubRow } from '@/data/rows';
import type { Shelved } from '@/data/stock';
import { deviceTime } from '@/ui/clock';
import { AnswerForm, type Values } from '@/ui/AnswerForm';
import { Cautions } from '@/ui/Cautions';
import { Check } from '@/ui/Check';
import { Fold } from '@/ui/Fold';
import { useReadCautions } from '@/ui/useReadCautions';
import { useUnits } from '@/ui/units';
import { Wrong } from '@/ui/Wrong';
import { planLater, startSession } from '../actions';
import { chosenIn, fieldsFor, firstBottle, litresFor, litresTogether, type Chosen, type When } from './planFields';
import type { DrawnSky } from './DayPlanner';
import { isUnderWay, PlanHead, type WorkedOut } from './PlanHead';
import { FollowClock } from '@/ui/FollowClock';
import { TogetherChoice, type Companion } from './TogetherChoice';
import { usePassed } from './usePassed';

interface Props {
  piece: Piece;
  stock: readonly Shelved[];
  tubs: readonly TubRow[];
  /** What each way takes, as the comparison counts: bottle, tub and litres; nothing before the piece has a size. */
  supplies: Partial<Record<SchoolId, Laid>>;
  timeZone: string;
  /** When the window begins at first, as a `datetime-local` value in the workshop's zone; and its minutes where the sun set them. */
  from: string;
  /** It begins now, and goes with the clock until somebody types another time. */
  fromNow: boolean;
  /** UV-A of the workshop's lamp, mW/cm². */
  lampMwPerCm2: number;
  /** What may lie in the same mixture. */
  companions: readonly Companion[];
  minutes: number | null;
  /** Cloud of the coming hours, %. */
  cloudPercent: number;
  /** What is known of that sky; `null` where no sun counts. */
  sky: SkyKnown | null;
  /** The sky that the day is drawn with. */
  drawn: DrawnSky | null;
  school: SchoolId;
}

type Laid = Pick<Supply, 'stockId' | 'tubId'>;

/** The bottle that a plan of a way begins with: that of the comparison. */
const stockOf = (school: SchoolId, supplies: Props['supplies'], stock: readonly Shelved[]) =>
  supplies[school]?.stockId ?? firstBottle(school, stock);

/** Beside the boxes that are to be ticked. */
const SHOWN_BELOW = ['checks', 'cautionsConfirmed'];

/** Plans an exposure as one types, then starts it. */
export function ExposureForm({
  piece,
  stock,
  tubs,
  supplies,
  timeZone,
  from,
  fromNow,
  lampMwPerCm2,
  companions,
  minutes,
  cloudPercent,
  sky,
  drawn,
  school: first,
}: Props) {
  const router = useRouter();
  const units = useUnits();
  const [cautionError, setCautionError] = useState<string>();
  const [gateError, setGateError] = useState<string>();
  const [withIds, setWithIds] = useState<string[]>([]);
  const [plan, setPlan] = useState<WorkedOut>({ view: null, wrong: [] });
  const { view } = plan;
  const { areRead, onChange: onRead } = useReadCautions(view?.plan.cautions ?? []);
  const confirmed = view !== null && areRead;
  const { lengthMm, widthMm, heightMm } = piece;
  const size = useMemo(
    () => (lengthMm && widthMm && heightMm ? { lengthMm, widthMm, heightMm } : null),
    [lengthMm, widthMm, heightMm],
  );
  const initial: Values = {
    school: first,
    stockId: stockOf(first, supplies, stock),
    strengthValue: '',
    strengthUnit: 'percentWW',
    targetPercentWW: String(SCHOOL[first].usualPercentWW),
    stands: '',
    volumeL: litresFor(first, size),
    tubId: supplies[first]?.tubId ?? '',
    weightG: '',
    areaCm2: size ? String(Math.round(surfaceCm2(size))) : '500',
    windowStart: from,
    durationMin: String(minutes ?? 60 * SCHOOL[first].usualHours[0]),
    turnEveryMin: String(SCHOOL[first].turnEveryMin),
    cloudPercent: String(cloudPercent),
    lampMwPerCm2: lampMwPerCm2 > 0 ? String(lampMwPerCm2) : '',
    temperatureC: String(SCHOOL[first].usualC),
    toleranceB: '1.5',
  };
  const [{ school, fromStores, inTub, when }, setChosen] = useState(() => chosenIn(initial, timeZone, deviceTime()));
  const fields = useMemo(
    () => fieldsFor({ school, fromStores, inTub, when }, stock, tubs, units),
    [school, fromStores, inTub, when, stock, tubs, units],
  );
  const way = SCHOOL[school];
  const { passed: checks, onChange: onPassed } = usePassed(view?.gates ?? [], school);
  return (
    <AnswerForm
      fields={fields}
      initial={initial}
      submit={SUBMIT[when]}
      bench
      shownBelow={SHOWN_BELOW}
      draftKey={`exposure-${piece.id}-${first}`}
      beside={{ confirmed, checks, withIds }}
      send={async (values) => {
        if (when === 'later') return planLater({ ...values, pieceId: piece.id, withIds });
        const answered = await startSession({
          ...values,
          pieceId: piece.id,
          withIds,
          cautionsConfirmed: confirmed,
          checks,
        });
        setGateError(answered.ok ? undefined : answered.errors.find(({ field }) => field === 'checks')?.message);
        setCautionError(
          answered.ok ? undefined : answered.errors.find(({ field }) => field === 'cautionsConfirmed')?.message,
        );
        return answered;
      }}
      done={DONE[when]}
      fold={`${way.title}: way, mixture and window in figures`}
      waits={isUnderWay(plan)}
      head={(form) => (
        <>
          {fromNow && <FollowClock form={form} name="windowStart" timeZone={timeZone} />}
          <ChoiceWatch
            form={form}
            stock={stock}
            supplies={supplies}
            size={size}
            timeZone={timeZone}
            first={{ school: first, from }}
            onChosen={setChosen}
          />
          <PlanHead
            form={form}
            pieceId={piece.id}
            withIds={withIds}
            timeZone={timeZone}
            sky={sky && { known: sky, percent: cloudPercent }}
            drawn={drawn}
            plan={plan}
            onPlan={setPlan}
          />
          {!isUnderWay(plan) && (
            <TogetherChoice
              companions={companions}
              chosen={withIds}
              onChange={(ids) => {
                setWithIds(ids);
                const sizes = [size, ...companions.filter(({ id }) => ids.includes(id)).map(sizeOf)].filter(
                  (one): one is PieceSize => one !== null,
                );
                form.setValue('volumeL', litresTogether(form.getValues('school') as SchoolId, sizes));
                if (sizes.length > 0)
                  form.setValue('areaCm2', String(Math.round(sizes.reduce((sum, one) => sum + surfaceCm2(one), 0))));
              }}
            />
          )}
        </>
      )}
      onDone={() => router.push(`${viewHref(piece.restorationId, 'brighten')}?piece=${piece.id}`)}
    >
      {(form) => {
        if (!view) return null;
        const before = (
          <>
            <GateChecks
              gates={view.gates}
              passed={checks}
              error={gateError}
              onChange={(id, passed) => {
                onPassed(id, passed);
                setGateError(undefined);
              }}
            />
            <Cautions
              cautions={view.plan.cautions}
              confirm={{
                checked: confirmed,
                onChange: (checked) => {
                  onRead(checked);
                  setCautionError(undefined);
                },
                error: cautionError,
              }}
            />
          </>
        );
        return (
          <>
            {when === 'later' && (
              <Flex wrap="wrap" align="center" gap="3" borderLeftWidth="8px" borderColor="lineStrong" pl="3" mb="3">
                <Text flex="1 1 300px">
                  This window is still to come: what follows is for its start, when the bell rings.
                </Text>
                <Button
                  onClick={() => form.setValue('windowStart', toLocalField(deviceTime().toISOString(), timeZone))}
                >
                  Begin now instead
                </Button>
              </Flex>
            )}
            {when === 'over' ? (
              <Text borderLeftWidth="8px" borderColor="lineStrong" pl="3" mb="4">
                This window is over. It is written down as it was, from its start for its minutes; cautions and checks
                come too late for it.
              </Text>
            ) : when === 'later' ? (
              <Fold summary={`For its start: ${view.gates.length > 0 ? 'checks and ' : ''}cautions`}>{before}</Fold>
            ) : (
              before
            )}
            <Button asChild look="bare">
              <a href={cardHref(piece, withIds, form.getValues())} target="_blank" rel="noreferrer">
                Session card for the wall (PDF)
              </a>
            </Button>
          </>
        );
      }}
    </AnswerForm>
  );
}

/** Address of the sheet of what is planned. */
const cardHref = ({ id, restorationId }: Piece, withIds: readonly string[], values: Values) =>
  `/api/restorations/${restorationId}/session-card?${new URLSearchParams({ ...values, pieceId: id, withIds: withIds.join(',') }).toString()}`;

const sizeOf = ({ lengthMm, widthMm, heightMm }: Companion): PieceSize | null =>
  lengthMm && widthMm && heightMm ? { lengthMm, widthMm, heightMm } : null;

/** What the one main button says, and what follows it, by how the window stands to now. */
const SUBMIT: Record<When, string> = {
  later: 'Plan it for then',
  now: 'Start exposure now',
  begun: 'It was begun then: start its timer',
  over: 'It is over: write it down',
};
const DONE: Record<When, string> = {
  later: 'Planned. It rings when the window opens.',
  now: 'Exposure started. The timer runs on every screen.',
  begun: 'Written down as begun then. The timer runs on every screen.',
  over: 'Written down with its times. Measure the piece when it is dry.',
};

interface GateProps {
  gates: readonly Gate[];
  passed: readonly string[];
  error: string | undefined;
  onChange: (id: Gate['id'], passed: boolean) => void;
}

/** What has to be done before the start, ticked one by one. */
function GateChecks({ gates, passed, error, onChange }: GateProps) {
  if (gates.length === 0) return null;
  return (
    <Box role="group" aria-label="Before the start" mb="4">
      <Text fontWeight="650">Before the start</Text>
      {gates.map(({ id, words }) => (
        <Check
          key={id}
          checked={passed.includes(id)}
          invalid={error !== undefined && !passed.includes(id)}
          onChange={(is) => onChange(id, is)}
        >
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
  supplies: Props['supplies'];
  size: PieceSize | null;
  timeZone: string;
  /** The way that the form began with, and when its window opens. */
  first: { school: SchoolId; from: string };
  onChosen: (chosen: Chosen) => void;
}

const LOOK_MS = 20_000;

/** When the way changes, so do the usual strength, time, turns, litres and bottle. */
function ChoiceWatch({ form, stock, supplies, size, timeZone, first, onChosen }: WatchProps) {
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
          setValue(
            'windowStart',
            driver === SCHOOL[first.school].driver ? first.from : toLocalField(deviceTime().toISOString(), timeZone),
          );
          setValue('targetPercentWW', String(usualPercentWW));
          setValue('durationMin', String(60 * usualHours[0]));
          setValue('turnEveryMin', String(turnEveryMin));
          setValue('temperatureC', String(usualC));
          setValue('volumeL', litresFor(id, size));
          setValue('stockId', stockOf(id, supplies, stock));
          setValue('tubId', supplies[id]?.tubId ?? '');
          setValue('stands', '');
        },
      }),
    [subscribe, setValue, stock, supplies, size, timeZone, first.school, first.from, onChosen],
  );
  return null;
}

'use client';

import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { acidBath, BATH_ACIDS, type BathAcid } from '@/core/finish/acidBath';
import { RUST_OUTCOMES, type RustLadder, type RustOutcome, type RustRung, type RustWay } from '@/core/finish/rust';
import { AFTER_WORDS, RUST_CAUTIONS, RUST_WORDS } from '@/core/finish/rustWords';
import { Refusal } from '@/core/refusal';
import { showMinutes } from '@/core/runsheet/time';
import { withPoint } from '@/core/units';
import { Button } from '@/ui/Button';
import { Cautions } from '@/ui/Cautions';
import { Check } from '@/ui/Check';
import { Chips } from '@/ui/Chips';
import { ClockBar } from '@/ui/ClockBar';
import { Fold } from '@/ui/Fold';
import { LabelledBox } from '@/ui/LabelledBox';
import { MainAction } from '@/ui/MainAction';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { answerRung, startRung } from './actions';

interface Step {
  id: string;
  way: RustWay;
  startedAt: string;
  dueAt: string | null;
  outcome: RustOutcome | null;
  words: string;
}

interface Props {
  rustId: string;
  ladder: RustLadder;
  /** Why each way that is ruled out is. */
  out: readonly { title: string; why: string }[];
  steps: readonly Step[];
  /** Warmth that the room or the bath is taken for, °C. */
  bathC: number;
}

const OUTCOME_WORDS: Record<RustOutcome, string> = {
  gone: 'The rust is gone',
  'some left': 'Some is left',
  'no change': 'It did nothing',
};

/** The ladder of a rusted place: the rung in hand, else the next one, with its caution before it. */
export function RustLadderPart({ rustId, ladder, out, steps, bathC }: Props) {
  const hand = steps.find(({ outcome }) => outcome === null);
  const tried = steps.filter(({ outcome }) => outcome !== null);
  const gone = tried.at(-1)?.outcome === 'gone';
  // What did nothing or too little is not proposed again.
  const left = ladder.rungs.filter(({ way }) => !tried.some((step) => step.way === way));
  const [next, ...later] = left;
  return (
    <>
      {hand ? (
        <InHand step={hand} />
      ) : gone ? (
        <Text fontWeight="650">The rust is gone. What follows it stands below.</Text>
      ) : next ? (
        <Rung key={next.way} rustId={rustId} rung={next} rustUm={ladder.rustUm} bathC={bathC} main />
      ) : (
        <Text fontWeight="650">
          Every way that this part bears was tried. Leave what stays, or put another part in its place.
        </Text>
      )}
      {!hand && !gone && later.length > 0 && (
        <Fold
          summary={`Rougher, if that is not enough: ${later.map(({ way }) => RUST_WORDS[way].title.toLowerCase()).join(', ')}`}
        >
          {later.map((rung) => (
            <Rung key={rung.way} rustId={rustId} rung={rung} rustUm={ladder.rustUm} bathC={bathC} />
          ))}
        </Fold>
      )}
      {out.length > 0 && (
        <Fold quiet summary={`Ruled out here: ${out.length}`}>
          {out.map(({ title, why }) => (
            <Text key={title} py="1">
              <b>{title}.</b> {why}
            </Text>
          ))}
        </Fold>
      )}
      {ladder.pitsStay && (
        <Text mt="2">
          Black specks in the pits may stay: sanding to their ground would take more than the{' '}
          {(ladder.mayLoseUm / 1000).toFixed(2)} mm that this part may lose.
        </Text>
      )}
      {tried.length > 0 && (
        <Fold quiet summary={`Tried so far: ${tried.length}`}>
          {tried.map(({ id, way, outcome, words }) => (
            <Flex key={id} gap="3" wrap="wrap" align="center" justify="space-between" py="1">
              <Text>
                {RUST_WORDS[way].title}: {OUTCOME_WORDS[outcome!].toLowerCase()}. {words}
              </Text>
              <TakeThingBack what="step on rust" id={id} name={RUST_WORDS[way].title} />
            </Flex>
          ))}
        </Fold>
      )}
      <Box mt="4">
        <Heading as="h2" fontSize="18px">
          When it is off
        </Heading>
        <Box as="ol" pl="6" mt="1" listStyleType="decimal">
          {ladder.after.map((one) => (
            <Text as="li" key={one}>
              {AFTER_WORDS[one]}
            </Text>
          ))}
        </Box>
      </Box>
    </>
  );
}

const figure = (typed: string) => Number(withPoint(typed).trim() || NaN);

function Rung({
  rustId,
  rung,
  rustUm,
  bathC,
  main = false,
}: {
  rustId: string;
  rung: RustRung;
  rustUm: number;
  bathC: number;
  main?: boolean;
}) {
  const { way, chance, handsMin, waitH, takesUm, takesPlating, grits, caution } = rung;
  const { wrong, busy, send } = useSend();
  const [acid, setAcid] = useState<BathAcid>('citric acid');
  const [percent, setPercent] = useState('5');
  const [warmth, setWarmth] = useState(String(bathC));
  const [masked, setMasked] = useState(false);
  const { title, does } = RUST_WORDS[way];
  const begin = (
    <Button
      look={main ? 'go' : 'quiet'}
      bench
      disabled={busy}
      onClick={() =>
        send((once) =>
          startRung(
            once({
              ...{ rustId, way, masked },
              ...(way === 'acid bath' && { acid, percent: withPoint(percent), bathC: withPoint(warmth) }),
            }),
          ),
        )
      }
    >
      {`Begin: ${title.toLowerCase()}`}
    </Button>
  );
  return (
    <Box borderTopWidth={main ? '0' : '1px'} borderColor="line" py="2">
      <Heading as="h2" fontSize="22px">
        {title}
      </Heading>
      <Text mt="1">{does}</Text>
      <Text fontFamily="mono" fontSize="15px" mt="1">
        {[
          `${Math.round(100 * chance)} in 100 end with it`,
          `${showMinutes(handsMin)} of hands`,
          waitH >= 1 && way !== 'acid bath' ? `${Math.round(waitH)} h of waiting` : null,
          takesUm >= 1 ? `takes about ${Math.round(takesUm)} µm of metal` : 'takes no metal',
        ]
          .filter(Boolean)
          .join(' · ')}
      </Text>
      {takesPlating && <Text fontWeight="650">It takes the plating with the rust: bare steel is left.</Text>}
      {grits.length > 0 && (
        <Text mt="1">
          Papers: {grits.map(({ grit, minutes }) => `${grit} (${Math.round(minutes)} min)`).join(', then ')}.
        </Text>
      )}
      {way === 'acid bath' && (
        <>
          <Chips
            label="Acid"
            of={BATH_ACIDS}
            words={{ vinegar: 'Vinegar', 'citric acid': 'Citric acid' }}
            chosen={acid}
            onChoose={setAcid}
          />
          <Flex gap="3" wrap="wrap">
            <LabelledBox
              label="Strength, %"
              inputMode="decimal"
              figures
              value={percent}
              onChange={(event) => setPercent(event.target.value)}
            />
            <LabelledBox
              label="Warmth of the bath, °C"
              inputMode="decimal"
              figures
              value={warmth}
              onChange={(event) => setWarmth(event.target.value)}
            />
          </Flex>
          <Text aria-live="polite" mt="1">
            {bathWords({ acid, percent: figure(percent), temperatureC: figure(warmth), rustUm })}
          </Text>
        </>
      )}
      <Box mt="3">
        <Cautions cautions={caution.map((id) => RUST_CAUTIONS[id])} />
      </Box>
      {caution.includes('lead dust') && (
        <Check checked={masked} onChange={setMasked}>
          Mask for fine dust on, and sanded wet
        </Check>
      )}
      {main ? <MainAction>{begin}</MainAction> : <Box mt="2">{begin}</Box>}
      <Wrong words={wrong} />
    </Box>
  );
}

function bathWords(bath: Parameters<typeof acidBath>[0]): string {
  if (Number.isNaN(bath.percent) || Number.isNaN(bath.temperatureC)) return 'Type its strength and its warmth.';
  try {
    const { hours, lowH, highH, lookH } = acidBath(bath);
    return `About ${showMinutes(60 * hours)}, mostly between ${showMinutes(60 * lowH)} and ${showMinutes(60 * highH)}: an estimate. Look and brush every ${showMinutes(60 * lookH)}.`;
  } catch (error) {
    if (error instanceof Refusal) return error.message;
    throw error;
  }
}

function InHand({ step }: { step: Step }) {
  const { wrong, busy, send } = useSend();
  const [words, setWords] = useState('');
  const { title, does } = RUST_WORDS[step.way];
  return (
    <>
      <Heading as="h2" fontSize="24px">
        {title}
      </Heading>
      <Text mb="2">{does}</Text>
      {step.dueAt && <ClockBar label={title} startedAt={step.startedAt} dueAt={step.dueAt} over="its time is over" />}
      <Box maxWidth="560px" mt="2">
        <LabelledBox label="How it went" value={words} onChange={(event) => setWords(event.target.value)} />
      </Box>
      <MainAction>
        {RUST_OUTCOMES.map((outcome) => (
          <Button
            key={outcome}
            look={outcome === 'gone' ? 'go' : 'quiet'}
            bench
            disabled={busy}
            onClick={() => send((once) => answerRung(once({ stepId: step.id, outcome, words })))}
          >
            {OUTCOME_WORDS[outcome]}
          </Button>
        ))}
        <TakeThingBack what="step on rust" id={step.id} name={title}>
          It was not begun
        </TakeThingBack>
      </MainAction>
      <Wrong words={wrong} />
    </>
  );
}

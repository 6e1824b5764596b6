'use client';

import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { traceResistance, usualContactLimits } from '@/core/keyboard/trace';
import {
  ORDERS,
  REPAIR,
  REPAIR_OUTCOMES,
  type Order,
  type RepairOutcome,
  type WayCost,
  type WayOdds,
} from '@/core/keyboard/repairs';
import { formatMoney } from '@/core/ledger/money';
import { showTime } from '@/core/runsheet/time';
import { withPoint } from '@/core/units';
import { viewHref } from '@/core/runsheet/views';
import type { ContactLimitsRow, KeyboardRow, KeyMeasureRow, KeyRepairRow } from '@/data/rows';
import { Button } from '@/ui/Button';
import { Cautions } from '@/ui/Cautions';
import { Fold } from '@/ui/Fold';
import { Late } from '@/ui/Late';
import { LinkButton } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';
import { say } from '@/ui/toast';
import { LabelledBox } from '@/ui/LabelledBox';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { answerRepair, startDrying, startRepair } from './actions';
import { BoardChoice } from './BoardChoice';
import { Chips } from '@/ui/Chips';
import { oddsWords } from './marks';
import type { ToMend } from './mending';

// Below what is mended: it comes after the page.
const MeasuredPart = dynamic(() => import('./MeasuredPart').then((part) => part.MeasuredPart), {
  ssr: false,
  loading: () => <Late height={{ base: 44, md: 44 }} />,
});

interface Props {
  restorationId: string;
  boards: readonly { id: string; name: string }[];
  board: KeyboardRow;
  /** What is likeliest to be wrong; empty where nothing is known. */
  faults: readonly ToMend[];
  /** Whether keys were tried, and all of those work. */
  allWork: boolean;
  repairs: readonly KeyRepairRow[];
  measures: readonly KeyMeasureRow[];
  ownLimits: ContactLimitsRow | null;
  currency: string;
  timeZone: string;
}

const ORDER_WORDS: Record<Order, string> = { minutes: 'Least minutes', money: 'Least money' };
const OUTCOME_WORDS: Record<RepairOutcome, string> = { works: 'It works', 'no better': 'No better', worse: 'Worse' };

/** What was found, mended: the ways with their odds in the order to try them, and what came of each. */
export function MendPart(props: Props) {
  const { restorationId, boards, board, faults, allWork, repairs, measures, ownLimits, currency, timeZone } = props;
  const running = repairs.find(({ endedAt }) => endedAt === null);
  const href = (view: string) => `${viewHref(restorationId, 'keys', view)}?board=${board.id}`;
  return (
    <>
      <BoardChoice restorationId={restorationId} view="mend" boards={boards} here={board.id} />
      {running ? (
        <Running key={running.id} repair={running} passOhms={(ownLimits ?? usualContactLimits()).passOhms} />
      ) : faults.length > 0 ? (
        faults.map((fault, i) => (
          <FaultWays key={fault.words} board={board} fault={fault} currency={currency} first={i === 0} />
        ))
      ) : (
        <>
          <Text mb="3">
            {allWork
              ? 'All that was tried works. Nothing is known that wants mending.'
              : 'Nothing is found to be wrong yet. What is dead is tested first, then its fault is found.'}
          </Text>
          <MainAction>
            <LinkButton look="go" bench href={href(allWork ? 'test' : 'find')}>
              {allWork ? 'Test every key' : 'Find the fault'}
            </LinkButton>
          </MainAction>
        </>
      )}
      <MeasuredPart board={board} measures={measures} ownLimits={ownLimits} />
      <Past repairs={repairs.filter(({ endedAt }) => endedAt !== null)} href={href('test')} timeZone={timeZone} />
    </>
  );
}

function FaultWays({
  board,
  fault,
  currency,
  first,
}: {
  board: KeyboardRow;
  fault: ToMend;
  currency: string;
  first: boolean;
}) {
  const [by, setBy] = useState<Order>('minutes');
  const { wrong, busy, send } = useSend();
  const plan = fault.plans[by];
  const begin = ({ way }: WayOdds) =>
    send((once) => startRepair(once({ keyboardId: board.id, way, fault: fault.words, keys: fault.keys, ohms: null })));
  const [best] = plan.order;
  return (
    <Box mb="4">
      <Heading as="h2" fontSize="22px">
        For: {fault.words}
      </Heading>
      <Text color="soft" mb="2">
        In this order about {Math.round(plan.minutes)} min of hands and{' '}
        {formatMoney(Math.round(plan.costMinor), currency)} until it works; {oddsWords(plan.leftOver)} that none of them
        helps. Odds, minutes and money are guesses of ours until you have tried them.
      </Text>
      {first && plan.order.length > 1 && (
        <Chips label="In which order" of={ORDERS} words={ORDER_WORDS} chosen={by} onChoose={setBy} />
      )}
      {plan.order.map((one, i) => (
        <Flex key={one.way} gap="3" wrap="wrap" align="center" borderTopWidth="1px" borderColor="line" py="2">
          <Text flex="1 1 280px">
            <b>
              {i + 1}. {REPAIR[one.way].title}
            </b>
            : {`works ${oddsWords(one.odds)}${one.from > 0 ? ` (${one.from} of your own counted)` : ''}, `}
            {REPAIR[one.way].minutes} min{REPAIR[one.way].waitMin > 0 && ` and ${REPAIR[one.way].waitMin} min to dry`},{' '}
            {costWords(fault.costs[one.way], currency)}. {REPAIR[one.way].risk}
          </Text>
          {i > 0 && (
            <Button disabled={busy} onClick={() => begin(one)}>
              Begin with this
            </Button>
          )}
        </Flex>
      ))}
      {fault.out.map(({ way, why }) => (
        <Text key={way} color="soft" borderTopWidth="1px" borderColor="line" py="2">
          Not: {REPAIR[way].title.toLowerCase()}. {why}
        </Text>
      ))}
      {best && (
        <MainAction>
          <Button
            look={first ? 'go' : 'quiet'}
            bench
            whiteSpace="normal"
            flexShrink="1"
            maxWidth="100%"
            height="auto"
            py="3"
            disabled={busy}
            onClick={() => begin(best)}
          >
            Begin: {REPAIR[best.way].title.toLowerCase()}
          </Button>
        </MainAction>
      )}
      <Wrong words={wrong} />
    </Box>
  );
}

/** What a way costs, and whether it is there. */
function costWords(cost: WayCost | undefined, currency: string): string {
  if (!cost) return '';
  const money = formatMoney(cost.costMinor, currency);
  return cost.from === undefined
    ? money
    : cost.from === null
      ? `${money}, not in the stores`
      : `${money}, in the stores: ${cost.from}`;
}

/** A repair that is begun: cautions, steps, drying, and what came of it. */
function Running({ repair, passOhms }: { repair: KeyRepairRow; passOhms: number }) {
  const { title, cautions, steps, needs, waitMin } = REPAIR[repair.way];
  const [outcome, setOutcome] = useState<RepairOutcome | null>(null);
  const [ohmsBefore, setOhmsBefore] = useState('');
  const [ohms, setOhms] = useState('');
  const [words, setWords] = useState('');
  const { wrong, busy, send } = useSend();
  const answer = () =>
    send((once) =>
      answerRepair(
        once({
          ...{ repairId: repair.id, outcome, words },
          ...{ ohmsBefore: withPoint(ohmsBefore).trim(), ohms: withPoint(ohms).trim() },
        }),
      ),
    );
  return (
    <>
      <Heading as="h2" fontSize="24px">
        {title}
      </Heading>
      <Text mb="2">
        For: {repair.fault}. Have ready: {needs.join(', ')}.
      </Text>
      <Cautions cautions={cautions} />
      <Box as="ol" ps="6" my="3">
        {steps.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </Box>
      {repair.way === 'paint' && <Bridge limitOhms={passOhms} />}
      {waitMin > 0 && (
        <Button
          disabled={busy}
          onClick={() =>
            send(
              () => startDrying(repair.id),
              () => say(`${waitMin} min to dry: it rings.`),
            )
          }
        >
          It dries now: {waitMin} min
        </Button>
      )}
      <Box borderLeftWidth="8px" borderColor="work" pl="4" mt="4">
        <Text fontWeight="650" fontSize="20px" mb="2">
          {repair.keys.length > 0 ? `Try ${repair.keys.slice(0, 8).join(', ')}. What came of it?` : 'What came of it?'}
        </Text>
        <Chips
          label="What came of it"
          of={REPAIR_OUTCOMES}
          words={OUTCOME_WORDS}
          chosen={outcome}
          onChoose={setOutcome}
          bench
        />
        <Flex gap="3" wrap="wrap">
          <LabelledBox
            label="Over it before, Ω"
            inputMode="decimal"
            figures
            value={ohmsBefore}
            onChange={(event) => setOhmsBefore(event.target.value)}
          />
          <LabelledBox
            label="Over it now, Ω"
            inputMode="decimal"
            figures
            value={ohms}
            onChange={(event) => setOhms(event.target.value)}
          />
          <LabelledBox label="In a few words" value={words} onChange={(event) => setWords(event.target.value)} />
        </Flex>
        <MainAction>
          <Button look="go" bench disabled={busy || outcome === null} onClick={answer}>
            Keep what came of it
          </Button>
          <TakeThingBack what="key repair" id={repair.id} name="this repair">
            It was not begun
          </TakeThingBack>
        </MainAction>
        <Wrong words={wrong} />
      </Box>
    </>
  );
}

const VERDICT = {
  good: 'good',
  works: 'works, without much room',
  fails: 'too much: wider, shorter, or more coats',
} as const;

/** What a painted bridge will measure. */
function Bridge({ limitOhms }: { limitOhms: number }) {
  const [typed, setTyped] = useState({ lengthMm: '8', widthMm: '1.5', sheetOhmsPerSquare: '1', coats: '2' });
  const numbers = Object.values(typed).map((value) => Number(withPoint(value)));
  const fits = numbers.every((value) => value > 0);
  const found = fits
    ? traceResistance({
        ...{ lengthMm: numbers[0]!, widthMm: numbers[1]!, sheetOhmsPerSquare: numbers[2]!, coats: numbers[3]! },
        ...{ contactOhms: 0, limitOhms },
      })
    : null;
  const words = {
    lengthMm: 'Length, mm',
    widthMm: 'Width, mm',
    sheetOhmsPerSquare: 'Paint, Ω per square (its label)',
    coats: 'Coats',
  } as const;
  return (
    <Fold summary="What the bridge will measure">
      <Flex gap="3" wrap="wrap">
        {(Object.keys(words) as (keyof typeof words)[]).map((name) => (
          <LabelledBox
            key={name}
            label={words[name]}
            inputMode="decimal"
            figures
            value={typed[name]}
            onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
          />
        ))}
      </Flex>
      <Text mt="2" aria-live="polite">
        {found
          ? `${found.squares.toFixed(1)} squares, about ${found.ohms < 10 ? found.ohms.toFixed(1) : Math.round(found.ohms)} Ω: ${VERDICT[found.verdict]}.`
          : 'Each of the four has to be above 0.'}
      </Text>
    </Fold>
  );
}

function Past({ repairs, href, timeZone }: { repairs: readonly KeyRepairRow[]; href: string; timeZone: string }) {
  if (repairs.length === 0) return null;
  const [last] = repairs;
  return (
    <Fold summary={`Repairs so far: ${repairs.length}`}>
      {last!.outcome === 'works' && (
        <Text mb="2">
          Press every key again, not only those: <LinkButton href={href}>Test every key</LinkButton>
        </Text>
      )}
      {repairs.map((repair) => (
        <Flex key={repair.id} gap="3" wrap="wrap" align="center" borderTopWidth="1px" borderColor="line" py="2">
          <Text flex="1 1 260px">
            {REPAIR[repair.way].title}, {showTime(repair.endedAt!, timeZone)}, for {repair.fault}:{' '}
            <b>{OUTCOME_WORDS[repair.outcome!].toLowerCase()}</b>
            {repair.ohmsBefore !== null && `, ${repair.ohmsBefore} Ω before`}
            {repair.ohmsAfter !== null && `, ${repair.ohmsAfter} Ω`}
            {repair.words !== '' && `. ${repair.words}`}
          </Text>
          <TakeThingBack what="key repair" id={repair.id} name={`repair of ${showTime(repair.startedAt, timeZone)}`} />
        </Flex>
      ))}
    </Fold>
  );
}

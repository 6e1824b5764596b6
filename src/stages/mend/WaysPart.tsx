'use client';

import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { MEND_SCHOOLS, type MendSchool } from '@/core/mending/repair/choose';
import type { MendWay } from '@/core/mending/repair/ways';
import { viewHref } from '@/core/runsheet/views';
import { AnswerForm } from '@/ui/AnswerForm';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { LinkButton } from '@/ui/links';
import { TextLink } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { say } from '@/ui/toast';
import { beginRepair, leaveIt, orderWanted } from './actions';

export interface WayView {
  way: MendWay;
  title: string;
  odds: number;
  verdict: 'holds' | 'may hold' | 'does not hold';
  /** Own repairs counted in. */
  from: number;
  minutes: number;
  waitMin: number;
  missing: readonly string[];
  notes: readonly string[];
  cost: string;
  look: string;
  original: string;
  undone: 'as it was' | 'with traces' | 'no';
  risk: string;
  check: string;
  held: {
    factor: number;
    loadN: number;
    capacityN: number;
    gives: string;
    working: readonly string[];
  } | null;
}

interface Props {
  restorationId: string;
  repairId: string;
  findingId: string;
  school: MendSchool;
  ways: readonly WayView[];
  out: readonly { title: string; why: string }[];
  crackEnd: string | null;
}

const SCHOOL_WORDS: Record<MendSchool, string> = {
  'strong and hidden': 'Strong and hidden',
  honest: 'Honest: change little',
};
const UNDONE = { 'as it was': 'can be undone', 'with traces': 'can be undone with traces', no: 'cannot be undone' };

/** Odds as people say them. */
const inTen = (odds: number) =>
  odds >= 0.945 ? 'nearly always' : odds < 0.05 ? 'hardly ever' : `${Math.round(10 * odds)} in 10`;
const span = (minutes: number) =>
  minutes === 0 ? 'no wait' : minutes >= 1440 ? `${minutes / 1440} d to wait` : `${Math.round(minutes / 60)} h to wait`;

/** All ways that can work on a break, side by side; the one that Kvell would take is the main action. */
export function WaysPart({ restorationId, repairId, findingId, school, ways, out, crackEnd }: Props) {
  const router = useRouter();
  const [opened, setOpened] = useState<MendWay | null>(ways.find(({ way }) => way !== 'leave')?.way ?? null);
  const { wrong, busy, send } = useSend();
  const href = `${viewHref(restorationId, 'mend', 'choose')}?finding=${findingId}`;
  const begin = (way: MendWay) =>
    send(
      (once) => beginRepair(once({ repairId, way })),
      () => router.push(`${viewHref(restorationId, 'mend')}?repair=${repairId}`),
    );
  const [best] = ways;
  return (
    <>
      <Flex gap="2" wrap="wrap" mb="3" role="group" aria-label="Which school">
        {MEND_SCHOOLS.map((one) => (
          <LinkButton
            key={one}
            look={one === school ? 'go' : 'quiet'}
            href={`${href}&school=${encodeURIComponent(one)}`}
          >
            {SCHOOL_WORDS[one]}
          </LinkButton>
        ))}
        <LinkButton look="bare" href={`${href}&again=1`}>
          Measure it again
        </LinkButton>
      </Flex>
      {best && (
        <Text mb="3" maxWidth="66ch">
          {`Kvell would take: ${best.title.toLowerCase()}. `}
          {best.held
            ? `It bears ${Math.round(best.held.capacityN)} N where ${Math.round(best.held.loadN)} N pull, and holds ${inTen(best.odds)} by what is known of such joints.`
            : `It holds ${inTen(best.odds)}, by our guess${best.from > 0 ? ` and ${best.from} of your own` : ''}.`}
        </Text>
      )}
      {ways.map((way, i) => (
        <WayRow
          key={way.way}
          way={way}
          repairId={repairId}
          first={i === 0}
          open={opened === way.way}
          onOpen={() => setOpened(opened === way.way ? null : way.way)}
        >
          {way.way === 'leave' ? (
            <AnswerForm
              draftKey={`leave:${repairId}`}
              fields={[{ name: 'words', label: 'Why it is left', hint: 'Goes into the record' }]}
              initial={{ words: '' }}
              submit="Leave it"
              done="Left on purpose, with the reason."
              send={({ words, once }) => leaveIt({ repairId, words, once })}
              onDone={() => router.push(viewHref(restorationId, 'mend'))}
            />
          ) : (
            i > 0 && (
              <Button disabled={busy} onClick={() => begin(way.way)}>
                Begin with this
              </Button>
            )
          )}
        </WayRow>
      ))}
      {crackEnd && (
        <Text borderLeftWidth="8px" borderColor="work" pl="3" my="3">
          {crackEnd}
        </Text>
      )}
      {out.length > 0 && (
        <Fold quiet summary={`Ruled out: ${out.length}`}>
          {out.map(({ title, why }) => (
            <Text key={title} color="soft" py="1">
              {title}: {why}
            </Text>
          ))}
        </Fold>
      )}
      <Wrong words={wrong} />
      {best && best.way !== 'leave' && (
        <MainAction>
          <Button
            look="go"
            bench
            whiteSpace="normal"
            flexShrink="1"
            maxWidth="100%"
            height="auto"
            py="3"
            disabled={busy}
            onClick={() => begin(best.way)}
          >
            Begin: {best.title.toLowerCase()}
          </Button>
        </MainAction>
      )}
    </>
  );
}

const VERDICT = { holds: 'Holds', 'may hold': 'May hold', 'does not hold': 'Does not hold' } as const;

/** What it takes and is not here, onto the list. */
function ToBuy({ repairId, missing }: { repairId: string; missing: readonly string[] }) {
  const { wrong, busy, send } = useSend();
  return (
    <>
      <Button
        disabled={busy}
        onClick={() =>
          send(
            (once) => orderWanted(once({ repairId, what: [...missing] })),
            () => say('On the list of what is to be bought, under Stores.'),
          )
        }
      >
        Onto the list to buy: {missing.join(', ')}
      </Button>
      <Wrong words={wrong} />
    </>
  );
}

function WayRow({
  way,
  repairId,
  first,
  open,
  onOpen,
  children,
}: {
  way: WayView;
  repairId: string;
  first: boolean;
  open: boolean;
  onOpen: () => void;
  children: React.ReactNode;
}) {
  const { held } = way;
  return (
    <Box
      borderTopWidth="1px"
      borderColor="line"
      borderLeftWidth={first ? '8px' : '0'}
      borderLeftColor="work"
      pl={first ? '3' : '0'}
    >
      <Flex
        as="button"
        width="100%"
        minHeight="44px"
        py="2"
        gap="3"
        textAlign="start"
        cursor="pointer"
        aria-expanded={open}
        onClick={onOpen}
      >
        <OddsBar odds={way.odds} verdict={way.verdict} />
        <Box flex="1">
          <Heading as="h3" fontSize="18px">
            {way.title}
          </Heading>
          <Text color="soft" fontSize="15px">
            {VERDICT[way.verdict]}, {inTen(way.odds)}
            {held && `, ${held.factor.toFixed(held.factor < 10 ? 1 : 0)} times its load`} · {way.minutes} min ·{' '}
            {span(way.waitMin)} · {way.cost} · {way.look}
            {way.missing.length > 0 && ` · to buy: ${way.missing.join(', ')}`}
          </Text>
        </Box>
      </Flex>
      {open && (
        <Box pb="3" pl={{ base: '0', md: '60px' }}>
          {way.notes.map((note) => (
            <Text key={note} borderLeftWidth="8px" borderColor="amber" pl="3" mb="2" fontWeight="650">
              {note}
            </Text>
          ))}
          <Text>
            {way.risk} {way.original[0]!.toUpperCase()}
            {way.original.slice(1)}; it {UNDONE[way.undone]}.
            {way.from > 0 && ` ${way.from} of your own repairs counted.`}
          </Text>
          {held && (
            <Text as="div" fontFamily="mono" fontSize="14px" my="2">
              {held.working.map((line) => (
                <Box key={line}>{line}</Box>
              ))}
              <Box>{`gives first: ${held.gives}; pulls: ${Math.round(held.loadN)} N`}</Box>
            </Text>
          )}
          <Flex gap="3" wrap="wrap" align="center" mt="2">
            {way.way === 'donor part' ? (
              <TextLink href="/stores/donors">What sits on the donors</TextLink>
            ) : (
              way.missing.length > 0 && <ToBuy repairId={repairId} missing={way.missing} />
            )}
            <Box {...(way.way === 'leave' && { flex: '1 1 100%' })}>{children}</Box>
          </Flex>
        </Box>
      )}
    </Box>
  );
}

/** The chance to hold as a column that fills. */
function OddsBar({ odds, verdict }: { odds: number; verdict: WayView['verdict'] }) {
  return (
    <Box width="46px" flexShrink="0" role="img" aria-label={`${VERDICT[verdict]}, ${inTen(odds)}`}>
      <Flex height="44px" align="end" bg="line">
        <Box
          width="100%"
          bg={verdict === 'holds' ? 'work' : verdict === 'may hold' ? 'sun' : 'hazard'}
          style={{ height: `${Math.max(4, 100 * odds)}%` }}
        />
      </Flex>
    </Box>
  );
}

'use client';

import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { LaterFindingRow } from '@/clipboard/LaterFindingRow';
import type { Aim } from '@/core/intake/aim';
import type { MendOutcome } from '@/core/mending/repair/ways';
import { showTime } from '@/core/runsheet/time';
import { viewHref } from '@/core/runsheet/views';
import type { Finding, Piece } from '@/data/rows';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { LinkButton, TextLink } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { sayBroken } from './actions';
import type { Meanwhile } from './meanwhile';
import { RepairSteps, type RunningRepair } from './RepairSteps';

export interface OpenBreak {
  finding: Finding;
  /** That holds for it: its piece’s, or the machine’s. */
  aim: Aim;
}

interface PastRepair {
  id: string;
  name: string;
  title: string;
  outcome: MendOutcome | null;
  words: string;
  endedAt: string;
  brokeAt: string | null;
}

interface Props {
  restorationId: string;
  timeZone: string;
  /** What is begun; the first is the one in hand. */
  running: readonly RunningRepair[];
  open: readonly OpenBreak[];
  pieces: readonly Piece[];
  past: readonly PastRepair[];
  others: readonly Meanwhile[];
}

/** The state of Mend: the repair in hand, the breaks that wait, and what was done. */
export function NowPart({ restorationId, timeZone, running, open, pieces, past, others }: Props) {
  const [hand, ...rest] = running;
  const choose = (id: string) => `${viewHref(restorationId, 'mend', 'choose')}?finding=${id}`;
  const first = open[0]?.finding;
  const next = first && (
    <MainAction>
      <LinkButton
        look="go"
        bench
        href={choose(first.id)}
        label={`Choose how${hand ? ' for the next' : ''}: ${first.words || first.kind}`}
      >
        {hand ? 'Choose how for the next' : 'Choose how'}
      </LinkButton>
    </MainAction>
  );
  return (
    <>
      {hand && (
        <RepairSteps key={hand.id} repair={hand} timeZone={timeZone}>
          {first && next}
        </RepairSteps>
      )}
      {rest.map(({ id, name, title }) => (
        <Text key={id} borderTopWidth="1px" borderColor="line" py="2">
          Begun too:{' '}
          <TextLink href={`${viewHref(restorationId, 'mend')}?repair=${id}`}>
            {name}, {title.toLowerCase()}
          </TextLink>
        </Text>
      ))}
      {open.length > 0 && (
        <Box mt={hand ? '5' : '0'}>
          <Heading as="h2" fontSize="22px" mb="2">
            {hand ? 'Waits to be mended' : `To mend: ${open.length}`}
          </Heading>
          {open.map(({ finding, aim }) => (
            <Flex key={finding.id} gap="3" wrap="wrap" align="start" pb="2">
              <Box flex="1 1 260px" minWidth="0">
                <LaterFindingRow finding={finding} aim={aim} pieces={pieces} />
              </Box>
              <LinkButton href={choose(finding.id)} label={`Choose the way: ${finding.words || finding.kind}`}>
                Choose the way
              </LinkButton>
            </Flex>
          ))}
        </Box>
      )}
      {hand && others.length > 0 && (
        <Fold summary="While it cures, hands can do this">
          {others.map(({ words, href }) => (
            <Text key={href} py="1">
              <TextLink href={href}>{words}</TextLink>
            </Text>
          ))}
        </Fold>
      )}
      {!hand && first && next}
      {!hand && open.length === 0 && (
        <Text mb="3">
          {past.length === 0
            ? 'Nothing asks to be mended. A crack, a missing part or a loose place is pinned as a finding first.'
            : 'All that was broken is mended or left.'}
        </Text>
      )}
      {past.length > 0 && (
        <Fold summary={`Mended so far: ${past.length}`}>
          {past.map((repair) => (
            <Past key={repair.id} repair={repair} timeZone={timeZone} />
          ))}
        </Fold>
      )}
    </>
  );
}

function Past({
  repair: { id, name, title, outcome, words, endedAt, brokeAt },
  timeZone,
}: {
  repair: PastRepair;
  timeZone: string;
}) {
  const { wrong, busy, send } = useSend();
  return (
    <Flex gap="3" wrap="wrap" align="center" borderTopWidth="1px" borderColor="line" py="2">
      <Text flex="1 1 260px">
        {name}: {title.toLowerCase()}, {showTime(endedAt, timeZone)}
        {outcome && (
          <>
            , <b>{outcome}</b>
          </>
        )}
        {words && `. ${words}`}
        {brokeAt && <b>{` Broke again ${showTime(brokeAt, timeZone)}.`}</b>}
      </Text>
      {outcome !== null && outcome !== 'does not hold' && brokeAt === null && (
        <Button
          look="bare"
          disabled={busy}
          aria-label={`It broke again: ${name}`}
          onClick={() => send((once) => sayBroken(once({ repairId: id, words: '' })))}
        >
          It broke again
        </Button>
      )}
      <Wrong words={wrong} />
    </Flex>
  );
}

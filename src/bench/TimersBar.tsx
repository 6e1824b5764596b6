'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import NextLink from 'next/link';
import { useEffect, useRef } from 'react';
import type { NamedTimer } from '@/data/timers';
import { deviceTime, showSpan, useNow } from '@/ui/clock';
import { ring } from './ring';
import { BELL_WORDS, bellOf, namedLabel } from './bell';
import { placeOf } from './places';

/** Everything that runs, in one line under the head of every screen; it rings when something is due. */
export function TimersBar({ timers, more }: { timers: readonly NamedTimer[]; more: number }) {
  const now = useNow();
  const rung = useRef(new Set<string>());
  useEffect(() => {
    if (now === 0) return;
    for (const timer of timers) {
      const { at, kind } = bellOf(timer);
      const once = `${timer.id}:${at}`;
      if (at > now || rung.current.has(once)) continue;
      rung.current.add(once);
      // What was due long before this page opened does not ring; it shows. A page may have been drawn long ago.
      if (deviceTime().getTime() - at < 120_000) ring(`${BELL_WORDS[kind].due}${namedLabel(timer)}`, timer.atTheBell);
    }
  }, [timers, now]);
  if (timers.length === 0) return null;
  return (
    <Box as="section" aria-label="Running now" bg="sheet" borderBottomWidth="1px" borderColor="lineStrong">
      <Flex maxWidth="1240px" mx="auto" px="4" gap="2" overflowX="auto">
        {timers.map((timer) => (
          <TimerChip key={timer.id} timer={timer} now={now} />
        ))}
        {more > 0 && (
          <NextLink prefetch={false} href="/#timers" style={{ flexShrink: 0 }}>
            <Flex align="center" px="3" minHeight="48px">
              <Text fontSize="15px">and {more} more</Text>
            </Flex>
          </NextLink>
        )}
      </Flex>
    </Box>
  );
}

function TimerChip({ timer, now }: { timer: NamedTimer; now: number }) {
  const { at, kind } = bellOf(timer);
  const left = at - now;
  const due = now > 0 && left <= 0;
  return (
    <NextLink prefetch={false} href={placeOf(timer)} style={{ flexShrink: 0 }}>
      <Flex
        align="center"
        gap="3"
        px="3"
        minHeight="48px"
        bg={due ? 'amber' : 'transparent'}
        color={due ? 'onAmber' : 'ink'}
      >
        <Text fontFamily="mono" fontSize="22px" fontVariantNumeric="tabular-nums">
          {now === 0 ? '––:––' : showSpan(left)}
        </Text>
        <Text fontSize="15px">
          {due ? BELL_WORDS[kind].due : BELL_WORDS[kind].untilIts}
          {namedLabel(timer)}
        </Text>
      </Flex>
    </NextLink>
  );
}

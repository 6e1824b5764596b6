'use client';

import { Text } from '@chakra-ui/react';
import { showTime } from '@/core/runsheet/time';

/** The day on which something is ready, in one line even of a narrow column; `null` lies beyond the plan. */
export function ReadyDay({ at, timeZone }: { at: string | null; timeZone: string }) {
  return at === null ? (
    'later than is planned'
  ) : (
    <Text as="span" whiteSpace="nowrap">
      <Text as="span" display={{ base: 'none', md: 'inline' }}>
        {showTime(at, timeZone, 'EEE')}{' '}
      </Text>
      {showTime(at, timeZone, 'd MMM')}
    </Text>
  );
}

'use client';

import { Box, Text } from '@chakra-ui/react';
import type { Warmth } from '@/core/session/warmth';
import { showTime } from '@/core/runsheet/time';
import { useAmount } from '@/ui/units';

/** How warm it gets in the sun, and when it may get too warm. */
export function WarmthWords({ warmth, timeZone }: { warmth: Warmth; timeZone: string }) {
  const { course, hottest, overAt, limitC, read } = warmth;
  const amount = useAmount();
  const degrees = (c: number) => amount(c, '°C');
  // Without sun there is nothing to say.
  if (hottest.c.median - course[0]!.c.median < 1) return null;
  const clock = (iso: string) => showTime(iso, timeZone, 'HH:mm');
  return (
    <Box mt="4" {...(overAt && { borderLeftWidth: '8px', borderColor: 'hazard', pl: '3' })}>
      <Text>
        Warmest at {clock(hottest.at)}: about {degrees(hottest.c.median)} ({degrees(hottest.c.low)} to{' '}
        {degrees(hottest.c.high)}).{' '}
        {overAt && (
          <b>
            From {clock(overAt)} it may be over {degrees(limitC)}, where long thin parts begin to bend: shade or vent
            it, or choose an earlier hour.
          </b>
        )}
      </Text>
      <Text color="soft" fontSize="15px">
        Estimate from the sun’s height (1098 · sin h · exp(−0.057 / sin h) W/m², Haurwitz 1945), the cloud and the
        temperature above, taken for the air{read ? ', and from what was read' : ''}. Wind makes much of it: hold a
        thermometer to it.
      </Text>
    </Box>
  );
}

import { Box, Text } from '@chakra-ui/react';
import type { Warmth } from '@/core/exposure/warmth';
import { showTime } from '@/core/runsheet/time';

/** How warm it gets in the sun, and when it may get too warm. */
export function WarmthWords({ warmth, timeZone }: { warmth: Warmth; timeZone: string }) {
  const { course, hottest, overAt, limitC, read } = warmth;
  // Without sun there is nothing to say.
  if (hottest.c.median - course[0]!.c.median < 1) return null;
  const clock = (iso: string) => showTime(iso, timeZone, 'HH:mm');
  return (
    <Box mt="4" {...(overAt && { borderLeftWidth: '8px', borderColor: 'hazard', pl: '3' })}>
      <Text>
        Warmest at {clock(hottest.at)}: about {hottest.c.median.toFixed(0)} °C ({hottest.c.low.toFixed(0)} to {hottest.c.high.toFixed(0)}).{' '}
        {overAt && (
          <b>
            From {clock(overAt)} it may be over {limitC} °C, where long thin parts begin to bend: shade or vent it, or choose an earlier hour.
          </b>
        )}
      </Text>
      <Text color="soft" fontSize="15px">
        Estimate from the sun’s height (1098 · sin h · exp(−0.057 / sin h) W/m², Haurwitz 1945), the cloud and the temperature above, taken for the
        air{read ? ', and from what was read' : ''}. Wind makes much of it: hold a thermometer to it.
      </Text>
    </Box>
  );
}

'use client';

import { Box, Text } from '@chakra-ui/react';
import type { Warmth } from '@/core/session/warmth';
import { showTime } from '@/core/runsheet/time';
import type { Session } from '@/data/rows';
import { AnswerForm } from '@/ui/AnswerForm';
import { useNow } from '@/ui/clock';
import { Part } from '@/ui/layout';
import { useAmount } from '@/ui/units';
import { Worked } from '@/ui/Worked';
import { addWarmth } from '../actions';

interface Props {
  session: Session;
  /** `null` where no sun warms it. */
  warmth: Warmth | null;
  limitC: number;
  timeZone: string;
}

/** How warm it is by now, by the sun and by the thermometer; over the limit it says what to do. */
export function WarmthPart({ session, warmth, limitC, timeZone }: Props) {
  const amount = useAmount();
  const degrees = (c: number) => amount(c, '°C');
  const now = useNow();
  const newest = session.readings[session.readings.length - 1];
  const expected = now ? warmth?.course.findLast(({ at }) => Date.parse(at) <= now) : undefined;
  const readHot = newest !== undefined && newest.temperatureC > limitC;
  const maybeHot = expected !== undefined && expected.c.high > limitC;
  return (
    <Part title="Warmth" id="warmth">
      {(readHot || maybeHot) && (
        <Box role="alert" bg="hazardSheet" borderWidth="2px" borderColor="hazard" p="3" mb="3">
          <Text fontWeight="650" fontSize="20px">
            {readHot
              ? `Read ${degrees(newest.temperatureC)}: over ${degrees(limitC)}.`
              : `It may be over ${degrees(limitC)}.`}{' '}
            Shade it or vent it now.
          </Text>
          <Text>
            Long thin parts bend.{' '}
            {readHot ? 'Read again in ten minutes.' : 'Hold a thermometer to it and put the reading in.'}
          </Text>
        </Box>
      )}
      {expected && (
        <Text>
          By the sun about{' '}
          <Text as="span" fontFamily="mono" fontSize="26px">
            {degrees(expected.c.median)}
          </Text>{' '}
          now ({degrees(expected.c.low)} to {degrees(expected.c.high)},{' '}
          {warmth!.read ? 'scaled by what was read' : 'an estimate from sun and air'}).
        </Text>
      )}
      {newest && (
        <Text color="soft">
          Last read {degrees(newest.temperatureC)} at {showTime(newest.at, timeZone, 'HH:mm')},{' '}
          {session.readings.length} in all.
        </Text>
      )}
      {warmth && (
        <Worked
          lines={[
            {
              what: 'Sun on the ground',
              how: '1098 · sin h · exp(−0.057 / sin h) · (1 − 0.75 n³·⁴) W/m², h the sun’s height, n the cloud',
            },
            {
              what: 'Rise over the air',
              how: 'share taken in × sun / loss to the air, reached as a body that holds heat does',
            },
            {
              what: 'Readings',
              how: warmth.read
                ? 'the last one scales the rise from there on'
                : 'none yet: the range is that of wind and colour',
            },
          ]}
          source="Haurwitz (1945), Kasten and Czeplak (1980); shares and losses are workshop guesses within handbook ranges."
        />
      )}
      <AnswerForm
        key={session.readings.length}
        fields={[{ name: 'temperatureC', label: 'Read now', kind: 'number', unit: '°C', half: true }]}
        initial={{ temperatureC: '' }}
        submit="Note the reading"
        send={(values) => addWarmth({ ...values, sessionId: session.id })}
        done="Reading noted."
        draftKey={`warmth-${session.id}`}
        bench
      />
    </Part>
  );
}

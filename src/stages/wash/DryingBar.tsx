'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { showMinutes } from '@/core/runsheet/time';
import { AnswerForm, options } from '@/ui/AnswerForm';
import { useNow } from '@/ui/clock';
import { Fold } from '@/ui/Fold';
import { setDryingRoom } from './actions';

/** How far a piece has dried, as a filling bar. */
export function DryingBar({
  id,
  label,
  startedAt,
  dueAt,
}: {
  id: string;
  label: string;
  startedAt: string;
  dueAt: string;
}) {
  const now = useNow();
  const [from, to] = [Date.parse(startedAt), Date.parse(dueAt)];
  const share = now === 0 ? 0 : Math.min(1, Math.max(0, (now - from) / (to - from)));
  return (
    <Box mb="3">
      <Flex justify="space-between" gap="3">
        <Text>{label}</Text>
        <Text fontFamily="mono">
          {now === 0 ? '––' : share >= 1 ? 'dry by the clock' : `${showMinutes((to - now) / 60_000)} left`}
        </Text>
      </Flex>
      <Box height="10px" bg="line" aria-hidden>
        <Box height="100%" bg="work" style={{ width: `${100 * share}%` }} />
      </Box>
      <Fold summary="The room is warmer, drier or airy" quiet>
        <AnswerForm
          draftKey={`room:${id}`}
          fields={[
            { name: 'temperatureC', label: 'Room', kind: 'number', unit: '°C', third: true },
            { name: 'humidityPercent', label: 'Humidity', kind: 'number', unit: '%', third: true },
            { name: 'air', label: 'Air', kind: 'choice', third: true, options: options(['still', 'moving']) },
          ]}
          initial={{ temperatureC: '20', humidityPercent: '50', air: 'still' }}
          submit="Work it out again"
          done="Worked out for this room."
          keeps
          send={(values) => setDryingRoom({ timerId: id, ...values })}
        />
      </Fold>
    </Box>
  );
}

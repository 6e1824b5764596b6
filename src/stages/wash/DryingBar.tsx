'use client';

import { Box } from '@chakra-ui/react';
import { AnswerForm, options } from '@/ui/AnswerForm';
import { ClockBar } from '@/ui/ClockBar';
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
  return (
    <Box mb="3">
      <ClockBar label={label} startedAt={startedAt} dueAt={dueAt} over="dry by the clock" />
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

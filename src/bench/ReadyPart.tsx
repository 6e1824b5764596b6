'use client';

import { Text } from '@chakra-ui/react';
import { showTime } from '@/core/runsheet/time';
import { AnswerForm } from '@/ui/AnswerForm';
import { DataTable } from '@/ui/DataTable';
import { Fold } from '@/ui/Fold';
import type { ShownPlan } from './plan';
import { wishFor } from './planActions';
import { ReadyDay } from './ReadyDay';

interface Props {
  ready: ShownPlan['ready'];
  /** How often the plan was played through for that, in words. */
  played: string;
  timeZone: string;
}

/** When each machine is ready, with its odds; and by when it is wanted. */
export function ReadyPart({ ready, played, timeZone }: Props) {
  const day = (at: string | null) => <ReadyDay at={at} timeZone={timeZone} />;
  return (
    <>
      <DataTable
        caption="Machines and the days on which they are ready"
        rows={ready}
        rowKey={({ machine }) => machine}
        columns={[
          { title: 'Machine', cell: ({ title }) => title },
          { title: 'If all goes as planned', cell: ({ planned }) => day(planned) },
          { title: '6 in 10', cell: ({ six }) => day(six) },
          { title: '9 in 10', cell: ({ nine }) => day(nine) },
          { title: 'Wanted by', cell: ({ wantedAt }) => (wantedAt ? day(wantedAt) : 'no day') },
          {
            title: 'Ready by then',
            figure: true,
            cell: ({ odds }) => (odds === null ? '' : `${Math.round(10 * odds)} in 10`),
          },
        ]}
      />
      <Text color="soft" my="3">
        {played}: hands take longer or less, passes fail, the sun does not come, somebody is away. What this workshop
        has done at the bench moves the lengths.
      </Text>
      {ready.map(({ machine, title, wantedAt }) => (
        <Fold key={machine} summary={`When ${title} is wanted`}>
          <AnswerForm
            draftKey={`wish:${machine}`}
            fields={[
              {
                name: 'wantedAt',
                label: 'Wanted by',
                half: true,
                optional: true,
                hint: 'A day, like 2026-12-24; empty where there is no hurry',
              },
              {
                name: 'weight',
                label: 'Counts beside the others',
                kind: 'choice',
                half: true,
                options: [
                  { value: '1', label: 'as much' },
                  { value: '3', label: 'more: somebody waits for it' },
                  { value: '0.3', label: 'less' },
                ],
              },
            ]}
            initial={{ wantedAt: wantedAt ? showTime(wantedAt, timeZone, 'yyyy-MM-dd') : '', weight: '1' }}
            submit="Keep"
            done="Kept. The plan is made anew."
            send={(values) => wishFor({ restorationId: machine, ...values })}
            keeps
          />
        </Fold>
      ))}
    </>
  );
}

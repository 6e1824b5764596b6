'use client';

import { Box, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { WHAT_IFS, type WhatIf } from '@/core/schedule/changed';
import { Chips } from '@/ui/Chips';
import { DataTable } from '@/ui/DataTable';
import { useSend } from '@/ui/useSend';
import { Working } from '@/ui/Working';
import { Wrong } from '@/ui/Wrong';
import { ReadyDay } from './ReadyDay';

interface Answer {
  rows: { machine: string; title: string; six: [number | null, number | null]; nine: [number | null, number | null] }[];
  moreRows: number;
  end: [number, number];
  leftOut: [number, number];
}

interface Props {
  timeZone: string;
  at: string;
  whatIf: (
    given: Record<string, unknown>,
  ) => Promise<{ ok: true; value: Answer } | { ok: false; errors: { field: string; message: string }[] }>;
}

const WORDS: Record<WhatIf, string> = {
  'another lamp': 'Another lamp box',
  'one more tub': 'One more tub',
  'another pair of hands': 'Another pair of hands',
  'Saturday off': 'The next Saturday off',
  'no sun for three days': 'No sun for three days',
};

/** Today’s plan beside one with something otherwise; nothing of it is kept. */
export function WhatIfPart({ timeZone, at, whatIf }: Props) {
  const { wrong, busy, send } = useSend();
  const [chosen, setChosen] = useState<WhatIf | null>(null);
  const [answer, setAnswer] = useState<Answer | null>(null);
  const day = (minutes: number | null) => (
    <ReadyDay
      at={minutes === null ? null : new Date(Date.parse(at) + minutes * 60_000).toISOString()}
      timeZone={timeZone}
    />
  );
  const choose = (change: WhatIf) => {
    setChosen(change);
    setAnswer(null);
    send(() => whatIf({ change }), setAnswer);
  };
  return (
    <Box>
      <Chips label="What if" of={WHAT_IFS} words={WORDS} chosen={chosen} onChoose={choose} bench />
      {busy && <Working share={null} words="Planning both" />}
      <Wrong words={wrong} />
      {answer && chosen && (
        <>
          <DataTable
            caption={`As it stands, and with: ${WORDS[chosen].toLowerCase()}`}
            rows={answer.rows}
            rowKey={({ machine }) => machine}
            columns={[
              { title: 'Machine', cell: ({ title }) => title },
              { title: '6 in 10, now', cell: ({ six }) => day(six[0]) },
              { title: '6 in 10, then', cell: ({ six }) => day(six[1]) },
              { title: '9 in 10, now', cell: ({ nine }) => day(nine[0]) },
              { title: '9 in 10, then', cell: ({ nine }) => day(nine[1]) },
            ]}
          />
          {answer.moreRows > 0 && (
            <Text mt="2" color="soft">
              Those whose dates differ most; {answer.moreRows} more {answer.moreRows === 1 ? 'differs' : 'differ'} less,
              or not at all.
            </Text>
          )}
          <Text mt="3">
            If all goes as planned everything is over {day(answer.end[0])} as it stands, {day(answer.end[1])} then.
            {answer.leftOut[0] + answer.leftOut[1] > 0 &&
              ` Tasks that find no moment: ${answer.leftOut[0]} as it stands, ${answer.leftOut[1]} then.`}
          </Text>
        </>
      )}
      {!chosen && <Text color="soft">Choose one: both plans are worked out, and nothing is kept of it.</Text>}
    </Box>
  );
}

'use client';

import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import type { LogPage } from '@/data/log';
import type { LogEntry, TakenBack } from '@/data/rows';
import { TakenBackPart } from '@/undo/TakenBackPart';
import { AnswerForm } from '@/ui/AnswerForm';
import { Part } from '@/ui/layout';
import { writeDown } from '@/clipboard/actions';
import { LogList } from '@/clipboard/LogList';

interface Props {
  restorationId: string;
  page: LogPage;
  /** What was taken back here and is not here again. */
  taken: readonly Pick<TakenBack, 'id' | 'what' | 'at'>[];
  timeZone: string;
}

/** The whole log of a restoration, with an own note on top. Entries are reworded, never removed. */
export function LogScreen({ restorationId, page, taken, timeZone }: Props) {
  const [correcting, setCorrecting] = useState<LogEntry | null>(null);
  return (
    <>
      <Box mb="8" maxWidth="760px" id="note">
        <AnswerForm
          key={correcting?.id ?? 'new'}
          fields={[
            {
              name: 'words',
              label: correcting ? `New wording of entry ${correcting.id}` : 'Note',
              kind: 'long',
              hint: correcting ? 'The old wording stays readable.' : 'It goes to the end of the log with today’s date.',
            },
          ]}
          initial={{ words: correcting?.words ?? '' }}
          submit={correcting ? 'Write new wording' : 'Write into log'}
          send={(values) =>
            writeDown({
              restorationId,
              stage: correcting?.stage ?? 'record',
              corrects: correcting?.id ?? '',
              ...values,
            })
          }
          done="In the log."
          draftKey={`log-${restorationId}-${correcting?.id ?? 'new'}`}
          onDone={() => {
            setCorrecting(null);
          }}
        />
      </Box>
      <TakenBackPart taken={taken} timeZone={timeZone} />
      <Part title="Newest first">
        <LogList
          page={page}
          timeZone={timeZone}
          onCorrect={setCorrecting}
          olderHref={(before) => `/restorations/${restorationId}/log?before=${before}`}
        />
      </Part>
    </>
  );
}

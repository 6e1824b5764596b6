'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { LOST_WAY_WORDS, type LostWay } from '@/core/finish/lostMarks';
import { Button } from '@/ui/Button';
import { Chips } from '@/ui/Chips';
import { LabelledBox } from '@/ui/LabelledBox';
import { MainAction } from '@/ui/MainAction';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { lostAgain, settleLost } from './actions';

interface Props {
  restorationId: string;
  lostMarkId: string;
  ways: readonly LostWay[];
  chosen: LostWay | null;
  /** Its width and length, in words; `null` before they are measured. */
  sizes: string | null;
  settled?: boolean;
}

/** What can honestly be done about a lost mark, its mask, and that it was done. */
export function LostPart({ restorationId, lostMarkId, ways, chosen, sizes, settled = false }: Props) {
  const [way, setWay] = useState<LostWay>(chosen ?? 'leave');
  const [words, setWords] = useState('');
  const { wrong, busy, send } = useSend();
  if (settled)
    return (
      <>
        <Button disabled={busy} onClick={() => send((once) => lostAgain(once({ lostMarkId })))}>
          Open it again
        </Button>
        <Wrong words={wrong} />
      </>
    );
  return (
    <>
      <Chips
        label="What is done"
        of={ways}
        words={Object.fromEntries(ways.map((one) => [one, one])) as Record<LostWay, string>}
        chosen={way}
        onChoose={setWay}
        bench
      />
      <Text mb="2" maxWidth="62ch">
        {LOST_WAY_WORDS[way]}
        {way !== 'leave' && ' Recorded as not original.'}
      </Text>
      {ways.length === 1 && (
        <Text mb="2" color="soft">
          Nothing of it is left to copy: made anew it would be invented.
        </Text>
      )}
      {way === 'painted between masks' &&
        (sizes ? (
          <Flex gap="3" align="center" wrap="wrap" mb="2">
            <Text>{sizes}</Text>
            <Button asChild>
              <a href={`/api/restorations/${restorationId}/masks?mark=${lostMarkId}`} download>
                Mask sheet, 1:1
              </a>
            </Button>
          </Flex>
        ) : (
          <Text mb="2" fontWeight="650">
            Measure its width and length first: note it once more with both, and take this one back.
          </Text>
        ))}
      <Box maxWidth="420px">
        <LabelledBox label="How it went" value={words} onChange={(event) => setWords(event.target.value)} />
      </Box>
      <MainAction>
        <Button
          look="go"
          bench
          disabled={busy}
          onClick={() =>
            send(
              (once) => settleLost(once({ lostMarkId, way, done: true, words })),
              () => say('In the record.'),
            )
          }
        >
          {way === 'leave' ? 'Left as it is' : 'It is done'}
        </Button>
        {way !== 'leave' && way !== chosen && (
          <Button
            bench
            disabled={busy}
            onClick={() =>
              send(
                (once) => settleLost(once({ lostMarkId, way, done: false, words })),
                () => say('Chosen.'),
              )
            }
          >
            So it shall be
          </Button>
        )}
      </MainAction>
      <Wrong words={wrong} />
    </>
  );
}

'use client';

import { Box, Text } from '@chakra-ui/react';
import { addFinding } from '@/clipboard/actions';
import type { Severity } from '@/core/intake/findings';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';

export interface YellowPiece {
  pieceId: string;
  /** Its tag and name. */
  named: string;
  severity: Severity;
  /** When it was measured, and what came of it. */
  said: string;
  /** What its finding says. */
  words: string;
}

interface Props {
  restorationId: string;
  /** The yellowest first. */
  yellows: readonly YellowPiece[];
  /** The wash goes on: what is measured may be dirt. */
  washOpen: boolean;
}

/** So many stand open; there may be a dozen. */
const AT_FIRST = 3;

/** Said where the brightening counts as not needed while something measured says otherwise: a tap makes a finding of it. */
export function StillYellow({ restorationId, yellows, washOpen }: Props) {
  const { wrong, busy, send } = useSend();
  const write = ({ pieceId, severity, words }: YellowPiece) =>
    send(
      (once) =>
        addFinding(
          once({ restorationId, stage: 'brighten', kind: 'yellowed', part: 'case', severity, pieceId, words }),
        ),
      () => say('Written down as a finding. The stage is open.'),
    );
  const line = (yellow: YellowPiece) => (
    <Box key={yellow.pieceId} mt="2">
      <Text mb="2">
        {yellow.named}, {yellow.said}
      </Text>
      <Button disabled={busy} onClick={() => write(yellow)}>
        Write {yellow.named} down as yellowed
      </Button>
    </Box>
  );
  const more = yellows.slice(AT_FIRST);
  return (
    <Box role="status" borderLeftWidth="8px" borderColor="amber" bg="sheet" p="3" mb="6">
      <Text fontWeight="650">Measured yellow all the same</Text>
      {washOpen && (
        <Text>The wash is not over, and dirt measures yellow too: what is left after it is for this stage.</Text>
      )}
      {yellows.slice(0, AT_FIRST).map(line)}
      {more.length > 0 && <Fold summary={`${more.length} more measured so`}>{more.map(line)}</Fold>}
      <Wrong words={wrong} />
    </Box>
  );
}

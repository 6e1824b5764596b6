import { Box, Text } from '@chakra-ui/react';
import { FAULT_WORDS, type Fault } from '@/core/photo/fault';
import { placeOnFace } from '@/core/photo/placeOnFace';
import { Worked } from './Worked';

/** What kind of unevenness a face shows, where, and what to do about it. */
export function FaultWords({ fault, lightChanges }: { fault: Fault | undefined; lightChanges: boolean }) {
  if (!fault || fault.kind === 'even') return null;
  const { what, nextTime, now } = FAULT_WORDS[fault.kind];
  return (
    <Box borderLeftWidth="8px" borderColor="work" pl="3" mb="3">
      <Text fontWeight="650">
        {what} {fault.at && `Most ${placeOnFace(fault.at.x, fault.at.y)}. `}About {fault.size.toFixed(1)} b* apart.
      </Text>
      <Text>Now: {now}</Text>
      <Text>Next time: {nextTime}</Text>
      <Worked
        lines={[
          { what: 'How far apart', how: `5th to 95th percentile of b* over the face, without the noise of a cell: ${fault.size.toFixed(1)}` },
          {
            what: 'Why this kind',
            how: `a plane explains ${Math.round(100 * fault.signs.plane)} % of it, straight lines ${Math.round(100 * fault.signs.lines)} %; peaks stand out by ${fault.signs.peaked.toFixed(1)} (kurtosis)`,
          },
        ]}
        source="src/core/photo/fault.ts: plane over 55 % is one side, lines over 30 % are folds, kurtosis over 3.3 is spots, else marbling; tested on computed faces."
      />
      {fault.kind === 'one side' && lightChanges && (
        <Text color="soft">The light of this picture changes as well: it may be the picture. Take it again in even light.</Text>
      )}
    </Box>
  );
}

import { Box, Text } from '@chakra-ui/react';
import { FAULT_WORDS, type Fault } from '@/core/photo/fault';
import { placeOnFace } from '@/core/photo/placeOnFace';

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
      {fault.kind === 'one side' && lightChanges && (
        <Text color="soft">The light of this picture changes as well: it may be the picture. Take it again in even light.</Text>
      )}
    </Box>
  );
}

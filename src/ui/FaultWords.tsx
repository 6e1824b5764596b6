import { FAULT_LIMITS } from '@/core/face/faultLimits';
import { Box, Text } from '@chakra-ui/react';
import type { Fault } from '@/core/face/fault';
import { unevenWords, type Went } from '@/core/fade/unevenness';
import { placeOnFace } from '@/core/face/placeOnFace';
import { Worked } from './Worked';

interface Props {
  fault: Fault | undefined;
  /** The session that it came out of, or that it had none. */
  went: Went;
  lightChanges: boolean;
}

/** What kind of unevenness a face shows, where, and what to do about it. */
export function FaultWords({ fault, went, lightChanges }: Props) {
  const words = fault && unevenWords(fault, went);
  if (!fault || !words) return null;
  // What no session made has no worst place, but a palest one.
  const spot = went === 'life' ? fault.palest : fault.at;
  const where = spot && `${went === 'life' ? 'Palest' : 'Most'} ${placeOnFace(spot.x, spot.y)}. `;
  return (
    <Box borderLeftWidth="8px" borderColor="work" pl="3" mb="3">
      <Text fontWeight="650">
        {words.what} {where}About {fault.size.toFixed(1)} b* apart.
      </Text>
      <Text>Now: {words.now}</Text>
      {words.nextTime && <Text>Next time: {words.nextTime}</Text>}
      <Worked
        lines={[
          {
            what: 'How far apart',
            how: `5th to 95th percentile of b* over the face, without the noise of a cell: ${fault.size.toFixed(1)}`,
          },
          {
            what: 'Why this kind',
            how: `a plane explains ${Math.round(100 * fault.signs.plane)} % of it, straight lines ${Math.round(100 * fault.signs.lines)} %; peaks stand out by ${fault.signs.peaked.toFixed(1)} (kurtosis)`,
          },
          {
            what: 'Its cause',
            how:
              went === 'life'
                ? 'no session came before this picture, so none made it'
                : 'the mark that a session of this kind leaves; the picture shows the mark, not the cause',
          },
        ]}
        source={`A convention of Kvell: a plane over ${100 * FAULT_LIMITS.plane} % is one side, lines over ${100 * FAULT_LIMITS.lines} % are folds, kurtosis over ${FAULT_LIMITS.peaked} is spots, else marbling; tried on computed faces.`}
      />
      {fault.kind === 'one side' && lightChanges && (
        <Text color="soft">
          The light of this picture changes as well: it may be the picture. Take it again in even light.
        </Text>
      )}
    </Box>
  );
}

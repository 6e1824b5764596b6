import { Box, Flex, Text } from '@chakra-ui/react';
import type { CommonTarget } from '@/core/exposure/commonTarget';
import { Part } from '@/ui/layout';
import { Tag } from '@/ui/Tag';
import { Worked } from '@/ui/Worked';

/** Width of the strip in b* above the target. */
const WIDE_B = 30;

/** Pieces that sit together, on one strip: how far each still is from the colour that all go for. */
export function SetPart({ set }: { set: CommonTarget }) {
  const leads = set.places.find(({ id }) => id === set.leads);
  return (
    <Part title="Together" id="together">
      <Text mb="2">
        Pieces that sit together go for one colour, b* {set.targetB.toFixed(1)}: the middle of their hidden patches.{' '}
        {leads ? (
          <>
            <b>{leads.tag} leads</b>: it is furthest, the next session is its.
          </>
        ) : (
          'All that are measured are there.'
        )}{' '}
        {set.past.length > 0 && `${set.past.join(', ')} ${set.past.length === 1 ? 'is' : 'are'} past it; the others do not follow. `}
        {set.apart.length > 0 &&
          `The hidden patch of ${set.apart.join(', ')} stands apart from the others: look again whether light never reached it.`}
      </Text>
      {set.places.map(({ id, tag, aboveB }) => (
        <Flex key={id} align="center" gap="3" py="1">
          <Tag>{tag}</Tag>
          <Box flex="1" height="14px" bg="line" position="relative" aria-hidden>
            {aboveB !== null && (
              <Box
                position="absolute"
                insetY="0"
                left="0"
                bg={id === set.leads ? 'sun' : 'lineStrong'}
                style={{ width: `${Math.min(100, Math.max(1, (100 * aboveB) / WIDE_B))}%` }}
              />
            )}
          </Box>
          <Text fontFamily="mono" minWidth="120px" textAlign="right">
            {aboveB === null ? 'not measured' : aboveB < 0 ? `${(-aboveB).toFixed(1)} past it` : `${aboveB.toFixed(1)} b* to go`}
          </Text>
        </Flex>
      ))}
      <Worked
        lines={[
          { what: 'Common target', how: `median b* of the hidden patches = ${set.targetB.toFixed(1)}; a patch more than 3 from it is not followed` },
          { what: 'To go', how: 'b* as last measured − the target, or − its own hidden patch where that is yellower' },
        ]}
        source="A convention of Kvell: all pieces that sit together to the same colour, not each to its own best."
      />
    </Part>
  );
}

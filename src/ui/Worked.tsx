'use client';

import { Box, Text } from '@chakra-ui/react';
import { Fold } from './Fold';
import { TextLink } from './links';

/** One figure and how it comes about. */
export interface WorkedLine {
  what: string;
  how: string;
}

interface Props {
  lines: readonly WorkedLine[];
  /** Where the formula or the constants come from. */
  source: string;
  /** The sum that does it, to try with other inputs. */
  sum?: { name: string; title: string };
}

/** Tap it, and every figure beside it shows its working, its inputs and its source. */
export function Worked({ lines, source, sum }: Props) {
  return (
    <Fold summary="How this is worked out" quiet>
      <Box as="dl" borderLeftWidth="3px" borderColor="lineStrong" pl="3" mb="2" fontSize="15px">
        {lines.map(({ what, how }) => (
          <Box key={what} py="1">
            <Text as="dt" fontWeight="650">
              {what}
            </Text>
            <Text as="dd" fontFamily="mono" overflowWrap="anywhere">
              {how}
            </Text>
          </Box>
        ))}
        <Text as="dt" fontWeight="650">
          Source
        </Text>
        <Text as="dd">
          {source}
          {sum && (
            <>
              {' '}
              Try it with other figures: <TextLink href={`/sums/${sum.name}`}>{sum.title}</TextLink>.
            </>
          )}
        </Text>
      </Box>
    </Fold>
  );
}

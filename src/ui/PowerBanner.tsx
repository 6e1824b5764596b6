import { Box, Text } from '@chakra-ui/react';
import type { FirstPower } from '@/core/intake/firstPower';

interface Props {
  decided: Pick<FirstPower, 'decision' | 'reasons'> | null;
  /** Where it is decided anew. */
  href?: string;
}

const WORDS: Partial<Record<FirstPower['decision'], string>> = {
  'do not switch on': 'Do not switch it on',
  'supply to be checked by a technician first': 'Not before a technician has checked its supply',
};

/** What was decided on its first power, in red, wherever somebody might plug it in; nothing where it may be tested. */
export function PowerBanner({ decided, href }: Props) {
  const words = decided && WORDS[decided.decision];
  if (!words) return null;
  return (
    <Box role="note" aria-label="First power" bg="hazardSheet" borderLeftWidth="8px" borderColor="hazard" p="3" mb="4">
      <Text fontWeight="700" fontSize="19px" color="hazard">
        {words}.
      </Text>
      <Text>{decided.reasons.join(' ')}</Text>
      {href && (
        <a href={href} style={{ textDecoration: 'underline' }}>
          It stands until it is decided again
        </a>
      )}
    </Box>
  );
}

'use client';

import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { TriangleAlert } from 'lucide-react';
import { CAUTION_CLOSE, type Caution } from '@/core/peroxide/cautions';
import { Check } from './Check';

interface Props {
  cautions: readonly Caution[];
  /** With it, the cautions ask to be confirmed before the step. */
  confirm?: { checked: boolean; onChange: (checked: boolean) => void; error?: string | undefined };
}

/** The one way a caution is shown: hazard, protection, what never to combine, before the step. */
export function Cautions({ cautions, confirm }: Props) {
  if (cautions.length === 0) return null;
  return (
    <Box role="group" aria-label="Cautions" bg="hazardSheet" borderWidth="2px" borderColor="hazard" p="4">
      <Flex align="center" gap="2" color="hazard" mb="2">
        <TriangleAlert aria-hidden size={24} />
        <Heading as="h2" fontSize="20px">
          Caution first
        </Heading>
      </Flex>
      {cautions.map(({ id, hazard, protection, never }) => (
        <Box key={id} borderTopWidth="1px" borderColor="hazard" py="2">
          <Text fontWeight="650">{hazard}</Text>
          <Text>Wear and have ready: {protection}</Text>
          <Text>{never}</Text>
        </Box>
      ))}
      <Text fontWeight="650" mt="2">
        {CAUTION_CLOSE}
      </Text>
      {confirm && (
        <Check
          checked={confirm.checked}
          onChange={(checked) => confirm.onChange(checked)}
          invalid={confirm.error !== undefined}
        >
          I have read this, and the protection is on and at hand
        </Check>
      )}
      {confirm?.error && (
        <Text role="alert" color="hazard" fontWeight="650">
          {confirm.error}
        </Text>
      )}
    </Box>
  );
}

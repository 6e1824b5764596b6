'use client';

import { Box, Checkbox, Flex, Heading, Text } from '@chakra-ui/react';
import { TriangleAlert } from 'lucide-react';
import { CAUTION_CLOSE, type Caution } from '@/core/peroxide/cautions';

interface Props {
  cautions: readonly Caution[];
  /** With it, the cautions ask to be confirmed before the step. */
  confirm?: { checked: boolean; onChange: (checked: boolean) => void; error?: string | undefined };
}

/** The one way a caution is shown: hazard, protection, what never to combine, before the step. */
export function Cautions({ cautions, confirm }: Props) {
  if (cautions.length === 0) return null;
  return (
    <Box role="region" aria-label="Cautions" bg="hazardSheet" borderWidth="2px" borderColor="hazard" p="4">
      <Flex align="center" gap="2" color="hazard" mb="2">
        <TriangleAlert aria-hidden size={24} />
        <Heading as="h3" fontSize="20px">
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
        <Checkbox.Root
          checked={confirm.checked}
          onCheckedChange={({ checked }) => confirm.onChange(checked === true)}
          mt="3"
          minHeight="44px"
          size="lg"
          invalid={confirm.error !== undefined}
        >
          <Checkbox.HiddenInput />
          <Checkbox.Control borderColor="ink" borderWidth="2px" />
          <Checkbox.Label fontSize="17px">I have read this, and the protection is on and at hand</Checkbox.Label>
        </Checkbox.Root>
      )}
      {confirm?.error && (
        <Text role="alert" color="hazard" fontWeight="650">
          {confirm.error}
        </Text>
      )}
    </Box>
  );
}

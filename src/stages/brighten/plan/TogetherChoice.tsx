'use client';

import { Box, Text } from '@chakra-ui/react';
import { Check } from '@/ui/Check';
import { Fold } from '@/ui/Fold';

/** A piece that may lie in the same mixture and light. */
export interface Companion {
  id: string;
  /** Tag and name, and the machine where it is another. */
  title: string;
  /** How far it still is, in words. */
  under: string;
  lengthMm: number | null;
  widthMm: number | null;
  heightMm: number | null;
}

interface Props {
  companions: readonly Companion[];
  chosen: readonly string[];
  onChange: (ids: string[]) => void;
}

/** Which pieces go into the same tub, box or patch of sun: one mixture, one bell, one end. */
export function TogetherChoice({ companions, chosen, onChange }: Props) {
  if (companions.length === 0) return null;
  return (
    <Fold
      summary={chosen.length === 0 ? 'Lay other pieces in with it' : `${chosen.length} more in the same mixture`}
      openAtFirst={chosen.length > 0}
    >
      <Box role="group" aria-label="Together with" mb="4">
        {companions.map(({ id, title, under }) => (
          <Check
            key={id}
            checked={chosen.includes(id)}
            onChange={(is) => onChange(is ? [...chosen, id] : chosen.filter((other) => other !== id))}
          >
            {title}
            <Text as="span" color="soft">
              , {under}
            </Text>
          </Check>
        ))}
      </Box>
    </Fold>
  );
}

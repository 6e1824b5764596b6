'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import type { Srgb } from '@/core/colour/types';
import { Button } from '@/ui/Button';
import { Check } from '@/ui/Check';
import { TextBox } from '@/ui/Typed';
import type { Shape } from '@/ui/picture/shapes';

/** What is known of a card's patch. */
export function CardPatchFields({
  shape,
  paperToo = true,
  onChange,
  onRemove,
}: {
  shape: Shape;
  /** Whether it may be office paper. */
  paperToo?: boolean;
  onChange: (shape: Shape) => void;
  onRemove: () => void;
}) {
  const number = shape.id.split('-')[1];
  return (
    <Box as="fieldset" borderTopWidth="1px" borderColor="line" py="2" mb="3">
      <Flex justify="space-between" align="center" gap="2">
        <Text as="legend" fontSize="16px" fontWeight="650">
          Card patch {number}
        </Text>
        <Button look="bare" onClick={onRemove} aria-label={`Take off: card patch ${number}`}>
          Take off
        </Button>
      </Flex>
      {!shape.paper && (
        <Grid templateColumns="repeat(3, 1fr)" gap="2">
          {(['Red', 'Green', 'Blue'] as const).map((name, channel) => (
            <label key={name}>
              <Text fontSize="15px">{name}</Text>
              <TextBox
                inputMode="numeric"
                figures
                defaultValue={shape.srgb[channel]}
                onChange={(event) => {
                  const value = Number(event.target.value);
                  if (event.target.value === '' || !(value >= 0 && value <= 255)) return;
                  onChange({
                    ...shape,
                    srgb: shape.srgb.map((v, i) => (i === channel ? value : v)) as unknown as Srgb,
                  });
                }}
              />
            </label>
          ))}
        </Grid>
      )}
      <Text fontSize="15px" color="soft">
        {shape.paper
          ? 'Paper takes the colour of the light away, but its lightness is not known: only differences are reported.'
          : 'Its known colour, 0 to 255, as the card’s maker states it.'}
      </Text>
      {paperToo && (
        <Check checked={shape.paper} onChange={(checked) => onChange({ ...shape, paper: checked })}>
          It is only white office paper
        </Check>
      )}
    </Box>
  );
}

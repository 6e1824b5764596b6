'use client';

import { Text } from '@chakra-ui/react';
import { TextBox } from './Typed';

/** A line to type into under its name. */
export function LabelledBox({ label, ...box }: { label: string } & React.ComponentProps<typeof TextBox>) {
  return (
    <label>
      <Text fontSize="15px">{label}</Text>
      <TextBox {...box} />
    </label>
  );
}

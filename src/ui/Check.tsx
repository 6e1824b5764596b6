'use client';

import { Flex } from '@chakra-ui/react';

interface Props {
  checked: boolean;
  onChange: (checked: boolean) => void;
  children: React.ReactNode;
  invalid?: boolean;
}

/** A box to tick, large enough for a glove. The browser's own: it weighs nothing and every reader knows it. */
export function Check({ checked, onChange, children, invalid = false }: Props) {
  return (
    <Flex as="label" align="center" gap="3" minHeight="44px" cursor="pointer">
      <input
        type="checkbox"
        checked={checked}
        aria-invalid={invalid}
        onChange={(event) => onChange(event.target.checked)}
        style={{ width: 24, height: 24, flexShrink: 0, accentColor: 'var(--chakra-colors-work)' }}
      />
      <span>{children}</span>
    </Flex>
  );
}

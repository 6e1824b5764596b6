'use client';

import { Text } from '@chakra-ui/react';
import { useState } from 'react';

interface Props {
  summary: string;
  children: React.ReactNode;
  openAtFirst?: boolean;
  /** Something to read rather than something to do. */
  quiet?: boolean;
}

/** A part that opens when somebody wants it, and is only made then. */
export function Fold({ summary, children, openAtFirst = false, quiet = false }: Props) {
  const [open, setOpen] = useState(openAtFirst);
  return (
    <details open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <Text as="summary" minHeight="44px" py="2" cursor="pointer" color={quiet ? 'soft' : 'work'} fontWeight={quiet ? '400' : '650'}>
        {summary}
      </Text>
      {open && children}
    </details>
  );
}

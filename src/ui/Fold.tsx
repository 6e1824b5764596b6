'use client';

import { Text } from '@chakra-ui/react';
import { createContext, useContext, useState } from 'react';

/** Closes the fold that something stands in; does nothing outside of one. */
const Closing = createContext<() => void>(() => {});
export const useCloseFold = (): (() => void) => useContext(Closing);

interface Props {
  summary: React.ReactNode;
  children: React.ReactNode;
  openAtFirst?: boolean;
  /** Something to read rather than something to do. */
  quiet?: boolean;
}

/** A part that opens when somebody wants it, is only made then, and closes when its form was kept. */
export function Fold({ summary, children, openAtFirst = false, quiet = false }: Props) {
  const [open, setOpen] = useState(openAtFirst);
  return (
    <details open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <Text
        as="summary"
        minHeight="44px"
        py="2"
        cursor="pointer"
        color={quiet ? 'soft' : 'work'}
        fontWeight={quiet ? '400' : '650'}
      >
        {summary}
      </Text>
      {open && <Closing value={() => setOpen(false)}>{children}</Closing>}
    </details>
  );
}

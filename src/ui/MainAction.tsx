'use client';

import { Flex } from '@chakra-ui/react';

/**
 * Place of the one main action of a view: it stays in sight at the lower edge while its part is on the screen, above the places
 * of a phone and beside the handle of the clipboard. On a low screen, as at twice the size, it lies where it stands.
 */
export function MainAction({
  children,
  on = 'paper',
}: {
  children: React.ReactNode;
  /** What it lies on. */ on?: 'paper' | 'sheet';
}) {
  return (
    <Flex
      data-main-action
      position="sticky"
      bottom={{ base: 'calc(66px + env(safe-area-inset-bottom))', md: '0' }}
      bg={on}
      py="2"
      mt="2"
      gap="3"
      wrap="wrap"
      align="center"
      pe={{ base: '68px', lg: '0' }}
      zIndex="1"
    >
      {children}
    </Flex>
  );
}

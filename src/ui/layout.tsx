'use client';

import { Box, Flex, Heading, Text } from '@chakra-ui/react';

/** Top of a screen: what it is, a line under it, and its one main action. */
export function ScreenHead({
  title,
  under,
  action,
  lead,
  underAtDesk = false,
}: {
  title: React.ReactNode;
  under?: React.ReactNode;
  action?: React.ReactNode;
  lead?: React.ReactNode;
  /** The line under it is left out on a phone. */
  underAtDesk?: boolean;
}) {
  return (
    <Flex
      as="header"
      align={{ base: 'stretch', md: 'end' }}
      direction={{ base: 'column', md: 'row' }}
      gap={{ base: '2', md: '4' }}
      mb={{ base: '5', md: '6' }}
      borderBottomWidth="3px"
      borderColor="ink"
      pb="3"
    >
      <Box flex="1" minWidth="0">
        {lead && <Box mb="1">{lead}</Box>}
        <Heading as="h1" fontSize={{ base: '28px', md: '36px' }} fontWeight="700">
          {title}
        </Heading>
        {under && (
          <Box color="soft" mt="1" display={underAtDesk ? { base: 'none', md: 'block' } : 'block'}>
            {under}
          </Box>
        )}
      </Box>
      <Flex gap="3" wrap="wrap">
        {action}
      </Flex>
    </Flex>
  );
}

/** A part of a screen under a ruled heading. */
export function Part({
  title,
  id,
  children,
  aside,
}: {
  title: string;
  id?: string;
  children: React.ReactNode;
  aside?: React.ReactNode;
}) {
  return (
    <Box as="section" mb="9" {...(id && { id })}>
      <Flex
        align="baseline"
        justify="space-between"
        gap="3"
        borderBottomWidth="1px"
        borderColor="lineStrong"
        mb="3"
        pb="1"
      >
        <Heading as="h2" fontSize="22px" fontWeight="650">
          {title}
        </Heading>
        {aside}
      </Flex>
      {children}
    </Box>
  );
}

/** An empty place says what to do first. */
export function EmptyPlace({ children, action }: { children: React.ReactNode; action?: React.ReactNode }) {
  return (
    <Box borderWidth="2px" borderStyle="dashed" borderColor="lineStrong" p="5" mb="6" bg="sheet">
      <Text mb={action ? '3' : '0'}>{children}</Text>
      {action && <div data-main-action>{action}</div>}
    </Box>
  );
}

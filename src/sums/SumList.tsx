'use client';

import { Box, Grid, Text } from '@chakra-ui/react';
import NextLink from 'next/link';

/** The catalogue, in the order of the work. */
export function SumList({ sums }: { sums: readonly { name: string; title: string; summary: string }[] }) {
  return (
    <Box as="ul" listStyleType="none">
      {sums.map(({ name, title, summary }) => (
        <Box as="li" key={name} borderTopWidth="1px" borderColor="lineStrong" _hover={{ bg: 'sheet' }}>
          <NextLink prefetch={false} href={`/sums/${name}`}>
            <Grid templateColumns={{ base: '1fr', md: '260px 1fr' }} columnGap="5" py="4" alignItems="baseline">
              <Text fontFamily="heading" fontWeight="650" fontSize="20px">
                {title}
              </Text>
              <Text color="soft">{summary}</Text>
            </Grid>
          </NextLink>
        </Box>
      ))}
    </Box>
  );
}

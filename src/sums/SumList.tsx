'use client';

import { Box, Grid, Text } from '@chakra-ui/react';
import NextLink from 'next/link';

/** The catalogue, in the order of the work. */
export function SumList({ sums }: { sums: readonly { name: string; title: string; summary: string }[] }) {
  return (
    <Grid
      as="ul"
      listStyleType="none"
      templateColumns={{ base: '1fr', md: '1fr 1fr', lg: '1fr 1fr 1fr' }}
      columnGap="6"
    >
      {sums.map(({ name, title, summary }) => (
        <Box as="li" key={name} borderTopWidth="1px" borderColor="lineStrong" _hover={{ bg: 'sheet' }}>
          <NextLink prefetch={false} href={`/sums/${name}`}>
            <Box py="2" minHeight="44px">
              <Text fontFamily="heading" fontWeight="650" fontSize="19px">
                {title}
              </Text>
              <Text color="soft" lineHeight="1.35" lineClamp={{ base: 1, md: 3 }}>
                {summary}
              </Text>
            </Box>
          </NextLink>
        </Box>
      ))}
    </Grid>
  );
}

'use client';

import { Box, Text } from '@chakra-ui/react';

interface Props {
  /** What is under way, in a word or two; nothing where it is there in a moment. */
  words?: string;
  /** How high it will be, px, at least: what stands below it stays where it is under a thumb. */
  height: { base: number; md: number };
}

/** The room of a part whose script comes after the page. */
export const Late = ({ words, height: { base, md } }: Props) => (
  <Box minHeight={{ base: `${base}px`, md: `${md}px` }}>{words && <Text role="status">{words}</Text>}</Box>
);

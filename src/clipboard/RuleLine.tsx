import { Box, Flex, Text } from '@chakra-ui/react';
import type { Lesson } from '@/work/lessons';
import { ruleWords } from './ruleWords';

export const RulesSection = ({ children }: { children: React.ReactNode }) => (
  <Box as="section" aria-label="From your own machines" mb="4">
    {children}
  </Box>
);

/** A rule of one’s own and how it did so far; beside it stands what is said of it. */
export const RuleLine = ({ rule, children }: { rule: Lesson; children: React.ReactNode }) => (
  <Box borderLeftWidth="8px" borderColor="lineStrong" pl="3" mb="3">
    <Text fontWeight="650">{rule.words}</Text>
    <Flex gap="3" align="center" wrap="wrap">
      <Text color="soft" fontSize="15px" flex="1" minWidth="18ch">
        {ruleWords(rule)}
      </Text>
      <Flex gap="3">{children}</Flex>
    </Flex>
  </Box>
);

export const heldWords = (held: boolean): string => (held ? 'It held' : 'It did not');

/** Of what is folded away below the first. */
export const moreWords = (rules: readonly Lesson[]): string => `${rules.length - 1} more from your own machines`;

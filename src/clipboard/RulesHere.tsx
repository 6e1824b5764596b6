'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import type { Lesson } from '@/work/lessons';
import { ruleHeld } from './actions';
import { ruleWords } from './ruleWords';

/** The rules of one’s own that are about this step: the first stands open, the others are folded away. */
export function RulesHere({ restorationId, rules }: { restorationId: string; rules: readonly Lesson[] }) {
  const { wrong, busy, send } = useSend();
  const line = (rule: Lesson) => (
    <Box key={rule.id} borderLeftWidth="8px" borderColor="lineStrong" pl="3" mb="3">
      <Text fontWeight="650">{rule.words}</Text>
      <Flex gap="3" align="center" wrap="wrap">
        <Text color="soft" fontSize="15px" flex="1" minWidth="18ch">
          {ruleWords(rule)}
        </Text>
        <Flex gap="3">
          {([true, false] as const).map((held) => (
            <Button
              key={String(held)}
              disabled={busy}
              aria-pressed={rule.saidHere === held}
              aria-label={`${held ? 'It held' : 'It did not'}: ${rule.words}`}
              onClick={() =>
                send(
                  (once) => ruleHeld(once({ lessonId: rule.id, restorationId, held })),
                  () => say('Noted.'),
                )
              }
            >
              {held ? 'It held' : 'It did not'}
            </Button>
          ))}
        </Flex>
      </Flex>
    </Box>
  );
  return (
    <Box as="section" aria-label="From your own machines" mb="4">
      {line(rules[0]!)}
      {rules.length > 1 && (
        <Fold summary={`${rules.length - 1} more from your own machines`}>{rules.slice(1).map(line)}</Fold>
      )}
      <Wrong words={wrong} />
    </Box>
  );
}

'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { dropRule } from '@/clipboard/actions';
import { ruleWords } from '@/clipboard/ruleWords';
import { STAGE_WORDS } from '@/core/runsheet/stages';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { EmptyPlace } from '@/ui/layout';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import type { Lesson } from '@/work/lessons';

/** So many stand open. */
const FIRST = 5;

/** All rules of one’s own; each can be let go, and brought back. */
export function RulesPart({ rules, dropped }: { rules: readonly Lesson[]; dropped: readonly Lesson[] }) {
  const router = useRouter();
  const { wrong, busy, send } = useSend();
  const line = (rule: Lesson, again: boolean) => (
    <Flex key={rule.id} gap="3" align="center" wrap="wrap" borderTopWidth="1px" borderColor="line" py="2">
      <Box flex="1" minWidth="22ch">
        <Text fontWeight="650">{rule.words}</Text>
        <Text color="soft" fontSize="15px">
          {STAGE_WORDS[rule.stage].title}; {ruleWords(rule)}
        </Text>
      </Box>
      <Button
        disabled={busy}
        aria-label={`${again ? 'Let it count again' : 'Let it go'}: ${rule.words}`}
        onClick={() =>
          send(
            (once) => dropRule(once({ lessonId: rule.id, again })),
            () => router.refresh(),
          )
        }
      >
        {again ? 'Let it count again' : 'Let it go'}
      </Button>
    </Flex>
  );
  return (
    <>
      {rules.length === 0 && (
        <EmptyPlace>
          None yet. Under Notes on the clipboard of any stage, what went wrong or well becomes a rule.
        </EmptyPlace>
      )}
      {rules.slice(0, FIRST).map((rule) => line(rule, false))}
      {rules.length > FIRST && (
        <Fold summary={`${rules.length - FIRST} more`}>{rules.slice(FIRST).map((rule) => line(rule, false))}</Fold>
      )}
      {dropped.length > 0 && (
        <Fold summary={`Let go: ${dropped.length}`}>{dropped.map((rule) => line(rule, true))}</Fold>
      )}
      <Wrong words={wrong} />
    </>
  );
}

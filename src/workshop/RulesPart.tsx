'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { dropRule } from '@/clipboard/actions';
import { ruleWords } from '@/clipboard/ruleWords';
import { STAGE_WORDS } from '@/core/runsheet/stages';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { EmptyPlace } from '@/ui/layout';
import { OtherPages } from '@/ui/links';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import type { Lesson } from '@/work/lessons';

/** So many stand open. */
const FIRST = 5;

type Ways = React.ComponentProps<typeof OtherPages>;

/** Some of the rules, how many there are in all, and the ways to the others. */
interface SomeRules extends Pick<Ways, 'back' | 'on'> {
  lessons: readonly Lesson[];
  all: number;
}

interface Props {
  rules: SomeRules;
  dropped: SomeRules;
  /** The one that somebody came for, wherever it stands; `null` where nobody did. */
  sought: Lesson | null;
}

/** Rules of one’s own, page by page; each can be let go, and brought back. */
export function RulesPart({ rules, dropped, sought }: Props) {
  const { wrong, busy, send } = useSend();
  const line = (rule: Lesson) => {
    const again = rule.droppedAt !== null;
    return (
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
          onClick={() => send((once) => dropRule(once({ lessonId: rule.id, again })))}
        >
          {again ? 'Let it count again' : 'Let it go'}
        </Button>
      </Flex>
    );
  };
  // It stands above already.
  const others = (all: readonly Lesson[]) => all.filter(({ id }) => id !== sought?.id);
  const letGo = dropped.all - (sought && sought.droppedAt !== null ? 1 : 0);
  const [first, later] = [others(rules.lessons).slice(0, FIRST), others(rules.lessons).slice(FIRST)];
  return (
    <>
      {rules.all === 0 && (
        <EmptyPlace>
          None yet. Under Notes on the clipboard of any stage, what went wrong or well becomes a rule.
        </EmptyPlace>
      )}
      {sought && (
        <Box as="section" aria-label="The rule that was found" borderLeftWidth="8px" borderColor="work" pl="3" mb="3">
          {line(sought)}
        </Box>
      )}
      {first.map((rule) => line(rule))}
      {later.length > 0 && (
        <Fold
          summary={`${later.length} more${rules.all > rules.lessons.length ? ` on this page; ${rules.all} in all` : ''}`}
        >
          {later.map((rule) => line(rule))}
        </Fold>
      )}
      <OtherPages of="Other rules" back={rules.back} on={rules.on} />
      {letGo > 0 && (
        <Fold summary={`Let go: ${letGo}`}>
          {others(dropped.lessons).map((rule) => line(rule))}
          <OtherPages of="Other rules that were let go" back={dropped.back} on={dropped.on} />
        </Fold>
      )}
      <Wrong words={wrong} />
    </>
  );
}

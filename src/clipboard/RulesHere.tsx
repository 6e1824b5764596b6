'use client';

import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import type { Lesson } from '@/work/lessons';
import { ruleHeld } from './actions';
import { heldWords, moreWords, RuleLine, RulesSection } from './RuleLine';

/** The rules of one’s own that are about this step: the first stands open, the others are folded away. */
export function RulesHere({ restorationId, rules }: { restorationId: string; rules: readonly Lesson[] }) {
  const { wrong, busy, send } = useSend();
  const line = (rule: Lesson) => (
    <RuleLine key={rule.id} rule={rule}>
      {([true, false] as const).map((held) => (
        <Button
          key={String(held)}
          disabled={busy}
          aria-pressed={rule.saidHere === held}
          aria-label={`${heldWords(held)}: ${rule.words}`}
          onClick={() =>
            send(
              (once) => ruleHeld(once({ lessonId: rule.id, restorationId, held })),
              () => say('Noted.'),
            )
          }
        >
          {heldWords(held)}
        </Button>
      ))}
    </RuleLine>
  );
  return (
    <RulesSection>
      {line(rules[0]!)}
      {rules.length > 1 && <Fold summary={moreWords(rules)}>{rules.slice(1).map(line)}</Fold>}
      <Wrong words={wrong} />
    </RulesSection>
  );
}

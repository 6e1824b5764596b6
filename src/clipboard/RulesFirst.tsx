import { Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import type { Lesson } from '@/work/lessons';
import { heldWords, moreWords, RuleLine, RulesSection } from './RuleLine';
import { RulesLater } from './RulesLater';

interface Props {
  restorationId: string;
  rules: readonly Lesson[];
}

/** The rules of one’s own that are about this step, to be read from the first moment; what answers them comes after the page. */
export function RulesFirst({ restorationId, rules }: Props) {
  const [first] = rules;
  if (!first) return null;
  return (
    <RulesLater restorationId={restorationId} rules={rules}>
      <RulesSection>
        <RuleLine rule={first}>
          {[true, false].map((held) => (
            <Button key={String(held)} disabled>
              {heldWords(held)}
            </Button>
          ))}
        </RuleLine>
        {rules.length > 1 && (
          <Text minHeight="44px" py="2" color="work" fontWeight="650">
            {moreWords(rules)}
          </Text>
        )}
      </RulesSection>
    </RulesLater>
  );
}

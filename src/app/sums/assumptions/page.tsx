import { needsEntered } from '@/edge/entered';
import type { Metadata } from 'next';
import { ASSUMPTIONS, STANDINGS, type Assumption, type Standing } from '@/core/assumptions/assumptions';
import { AssumptionTable } from '@/sums/AssumptionTable';
import { Text } from '@chakra-ui/react';
import { Fold } from '@/ui/Fold';
import { Part, ScreenHead } from '@/ui/layout';
import { TextLink } from '@/ui/links';

export const metadata: Metadata = { title: 'What Kvell assumes' };

const WORDS: Record<Standing, string> = {
  law: 'Laws of nature',
  handbook: 'Out of handbooks and standards',
  convention: 'Conventions of Kvell: another could be taken',
  guess: 'Guesses, until your own record says better',
};

/** Every number that decides advice and was not measured, by how sure it is. */
export default async function AssumptionsPage() {
  await needsEntered();
  const all = Object.entries(ASSUMPTIONS).map(([name, assumption]) => ({ name, ...(assumption as Assumption) }));
  return (
    <>
      <ScreenHead
        title="What Kvell assumes"
        lead={<TextLink href="/sums">Sums</TextLink>}
        under="Every number that decides advice and was not measured, with how sure it is. What you measure outweighs each of them."
      />
      {STANDINGS.flatMap((standing) => {
        const rows = all.filter((assumption) => assumption.standing === standing);
        return rows.length === 0
          ? []
          : [
              <Fold key={standing} summary={`${WORDS[standing]}: ${rows.length}`}>
                <AssumptionTable title={WORDS[standing]} rows={rows} />
              </Fold>,
            ];
      })}
      <Part title="Guesses that stand in tables">
        <Text>
          Each cleaning agent’s minutes, roughness and chance with a soil, each way’s minutes of hands, usual spread and
          strength, the densities of plastics and the time a piece dries are guesses of what people at benches see. They
          stand where they are used, and your own outcomes move the chances and rates.
        </Text>
        <TextLink href="/stores/agents">Cleaning agents, with what each may touch</TextLink>
      </Part>
    </>
  );
}

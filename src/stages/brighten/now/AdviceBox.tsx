'use client';

import { assumed, assumedLine } from '@/core/assumptions/assumptions';
import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import type { Advice } from '@/core/choice/advice';
import type { Measurement, Piece, Treatment } from '@/data/rows';
import { MainAction } from '@/ui/MainAction';
import { LinkButton } from '@/ui/links';
import { Worked } from '@/ui/Worked';
import { say } from '@/ui/toast';
import { LaterConfirm } from '@/ui/LaterConfirm';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { finishTreatment, continueTreatment } from '../actions';
import { distanceWorking } from '../workings';

// The question and its dialog come after the page: nobody ends a treatment in its first half second.

const TITLES: Record<Advice['what'], string> = {
  'go on': 'Go on',
  stop: 'Stop here',
  'even it out': 'Even it out',
  'measure first': 'Measure first',
};

/** What the numbers say: go on or stop, and why. The person decides. */
export function AdviceBox({
  advice,
  latest,
  piece,
  treatment,
  needsMeasuring,
  planHref,
}: {
  advice: Advice;
  latest: Measurement | null;
  piece: Piece;
  treatment: Treatment | null;
  needsMeasuring: boolean;
  /** Address of the plan of the next session. */
  planHref: string;
}) {
  const measure = `/restorations/${piece.restorationId}/pieces/${piece.id}/measure?stage=brighten`;
  const { wrong, busy, send } = useSend();
  const finish = () =>
    treatment &&
    send(
      () => finishTreatment(treatment.id, advice.why),
      () => {
        say('Brightening of this piece is ended.', {
          title: 'Undo',
          act: () => void continueTreatment(treatment.id),
        });
      },
    );
  return (
    <Box borderLeftWidth="10px" borderColor="work" bg="sheet" p="4" mb="6">
      <Heading as="h2" fontSize="26px">
        {needsMeasuring ? 'Measure again' : TITLES[advice.what]}
      </Heading>
      <Text my="2">
        {needsMeasuring
          ? 'The last exposure has no measurement after it yet. Rinse and dry the piece, photograph it in the same light with card and hidden patch.'
          : advice.why}
      </Text>
      {!needsMeasuring && advice.what !== 'measure first' && (
        <Worked
          lines={[
            ...(latest ? distanceWorking(latest) : []),
            {
              what: 'Stop',
              how: `ΔE00 to the patch at most ${assumed('matched ΔE00')}; or lighter by L* 2 and less yellow; or a session like the ones before asks for more than it wins: each b* above or below the patch that is left and seen (over ${assumed('seen b*')}) counts for ${assumed('a unit of yellow left')} min of hands, over all rates, targets and doses that the measurements allow`,
            },
            {
              what: 'Even it out',
              how: `it matches but spreads over b* ${assumed('uneven b*')}; or shading its pale parts (${assumed('evening out')} min) leaves less that is seen than the same for all`,
            },
            assumedLine([
              ...(['matched ΔE00', 'seen b*', 'uneven b*', 'palest part', 'a measured b*'] as const),
              ...(['a unit of yellow left', 'a day of waiting', 'evening out', 'rest off the target'] as const),
            ]),
          ]}
          source="What is seen side by side: Sharma, Wu and Dalal (2005) for ΔE00; the limits of the advice are conventions of Kvell."
        />
      )}
      <MainAction on="sheet">
        {advice.what === 'go on' && !needsMeasuring ? (
          <LinkButton href={planHref} look="go" bench>
            Plan the next exposure
          </LinkButton>
        ) : (
          <LinkButton href={measure} look="go" bench>
            {needsMeasuring || advice.what !== 'measure first' ? 'Measure again' : 'Measure'}
          </LinkButton>
        )}
      </MainAction>
      <Flex gap="3" wrap="wrap" mt="1">
        {advice.what === 'go on' && !needsMeasuring && (
          <LinkButton href={measure} look="bare">
            Measure again
          </LinkButton>
        )}
        {treatment && !needsMeasuring && (
          <LaterConfirm
            trigger={
              <Button look="bare" disabled={busy}>
                End its brightening
              </Button>
            }
            title={`End the brightening of ${piece.tag} ${piece.name}?`}
            yes="End it"
            onYes={() => void finish()}
          >
            {advice.why} The reason goes into the record. A new one can be started later.
          </LaterConfirm>
        )}
      </Flex>
      <Wrong words={wrong} />
    </Box>
  );
}

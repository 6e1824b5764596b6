'use client';

import { Box, Button, Flex, Grid, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { Part } from '@/ui/layout';
import { LinkButton } from '@/ui/links';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { PinnedPhoto } from '@/ui/PinnedPhoto';
import { say } from '@/ui/toast';
import { lookHowClean, markWhatIsLeft } from './actions';
import type { HowClean } from './howClean';

interface Props {
  restorationId: string;
  pieces: readonly { id: string; tag: string; name: string; measured: number }[];
}

const percent = (share: number) => `${(100 * share).toFixed(share < 0.1 ? 1 : 0)} %`;

/** How clean, as a figure: the soiled share of a face before and after, and a map of what is left. */
export function CleanPart({ restorationId, pieces }: Props) {
  const { wrong, busy, send } = useSend();
  const [shown, setShown] = useState<{ pieceId: string; found: HowClean } | null>(null);
  if (pieces.length === 0) return null;
  return (
    <Part title="How clean, measured" id="clean">
      <Text color="soft" mb="2">
        Measure the same face before and after, in the same light, with a grey card. Outline plain plastic of one colour only: gaps, grey keys and
        print are dark as well and would count as soil. What is darker than the clean plastic, its yellow allowed for, counts as soiled; an even veil
        cannot be told from yellow.
      </Text>
      <Wrong words={wrong} />
      {pieces.map(({ id, tag, name, measured }) => (
        <Box key={id} borderTopWidth="1px" borderColor="line" py="2">
          <Flex gap="3" wrap="wrap" align="center">
            <Text flex="1" minWidth="160px">
              <b>{tag}</b> {name}
            </Text>
            <LinkButton href={`/restorations/${restorationId}/pieces/${id}/measure?stage=wash`}>
              {measured === 0 ? 'Measure before' : 'Measure again'}
            </LinkButton>
            {measured > 1 && (
              <Button
                loading={busy}
                onClick={() =>
                  send(
                    () => lookHowClean(id),
                    (found) => setShown({ pieceId: id, found }),
                  )
                }
              >
                How clean is it?
              </Button>
            )}
          </Flex>
          {shown?.pieceId === id && (
            <Grid templateColumns={{ base: '1fr', md: '1fr 1fr 1fr' }} gap="4" mt="3" alignItems="start">
              <Box aria-live="polite">
                <Text fontFamily="mono" fontSize="36px" lineHeight="1.1">
                  {percent(shown.found.after)}
                </Text>
                <Text>of the face is soiled, before it was {percent(shown.found.before)}</Text>
                <ol style={{ margin: '8px 0 8px 24px', listStyle: 'decimal' }}>
                  {shown.found.spots.map(({ words }) => (
                    <li key={words}>{words}</li>
                  ))}
                </ol>
                {shown.found.spots.length > 0 && (
                  <Button
                    loading={busy}
                    onClick={() =>
                      send(
                        () => markWhatIsLeft(id),
                        () => say('Marked. Each goes on above the rung that left it.'),
                      )
                    }
                  >
                    Mark for the next rung
                  </Button>
                )}
              </Box>
              {/* eslint-disable-next-line @next/next/no-img-element */}
              <img src={shown.found.mapUrl} alt="Map of what is left" style={{ width: '100%', imageRendering: 'pixelated' }} />
              <PinnedPhoto
                photoId={shown.found.photoId}
                size={shown.found.size}
                alt="The photograph after"
                pins={shown.found.spots.map(({ pin, words }, i) => ({ ...pin, mark: String(i + 1), name: `${i + 1}: ${words}` }))}
              />
            </Grid>
          )}
        </Box>
      ))}
    </Part>
  );
}

'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useState } from 'react';
import { Check } from '@/ui/Check';
import { Part } from '@/ui/layout';
import { LinkButton } from '@/ui/links';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { PinnedPhoto } from '@/ui/PinnedPhoto';
import { say } from '@/ui/toast';
import { findHowClean, markWhatIsLeft } from './actions';
import type { HowClean } from './howClean';

interface Props {
  restorationId: string;
  pieces: readonly { id: string; tag: string; name: string; measured: number }[];
}

const percent = (share: number) => `${(100 * share).toFixed(share < 0.1 ? 1 : 0)} %`;

/** A map of soil with its share. */
function SoilMap({ url, words }: { url: string; words: string }) {
  return (
    <figure>
      {/* eslint-disable-next-line @next/next/no-img-element */}
      <img src={url} alt={`Map of soil: ${words}`} style={{ width: '100%', imageRendering: 'pixelated' }} />
      <figcaption>{words}</figcaption>
    </figure>
  );
}

/** What the two pictures say: the share that is soiled, both maps, and the spots that are left. */
function Found({ pieceId, found }: { pieceId: string; found: HowClean }) {
  const { wrong, busy, send } = useSend();
  const [not, setNot] = useState<readonly number[]>([]);
  const after = Math.max(0, found.after - not.reduce((sum, i) => sum + found.spots[i]!.share, 0));
  const counted = found.spots.length - not.length;
  return (
    <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="4" mt="3" alignItems="start">
      <Box>
        <Box aria-live="polite">
          <Text fontFamily="mono" fontSize="36px" lineHeight="1.1">
            {percent(after)}
          </Text>
          <Text>of the face is soiled, before it was {percent(found.before)}</Text>
          {found.unsure && (
            <Text>
              Not sure: it changed hardly at all, so that what is taken for clean may be soiled too. Wash a hand’s
              breadth of it clean, and measure again.
            </Text>
          )}
        </Box>
        <Grid templateColumns="1fr 1fr" gap="3" my="3" fontSize="15px">
          <SoilMap url={found.beforeUrl} words="Before" />
          <SoilMap url={found.afterUrl} words="Now" />
        </Grid>
        <Text color="soft" fontSize="15px">
          Pale is clean, brown is soiled, grey says nothing: gaps, rims and print.
        </Text>
      </Box>
      <Box>
        <PinnedPhoto
          photoId={found.photoId}
          size={found.size}
          alt="The photograph after"
          pins={found.spots.map(({ pin, words }, i) => ({
            ...pin,
            mark: String(i + 1),
            name: `${i + 1}: ${words}`,
            chosen: not.includes(i),
          }))}
        />
        {found.spots.length > 0 ? (
          <>
            <Text mt="3">Untick what is no soil: a part of another colour, a scratch, a shadow.</Text>
            {found.spots.map(({ words }, i) => (
              <Check
                key={`${i}: ${words}`}
                checked={!not.includes(i)}
                onChange={(checked) =>
                  setNot((known) => (checked ? known.filter((other) => other !== i) : [...known, i]))
                }
              >
                {i + 1}: {words}
              </Check>
            ))}
            <Wrong words={wrong} />
            {counted > 0 && (
              <Button
                mt="2"
                loading={busy}
                onClick={() =>
                  send(
                    (once) => markWhatIsLeft(once({ pieceId, not })),
                    () => say('Marked. Each goes on above the rung that left it.'),
                  )
                }
              >
                Mark for the next rung
              </Button>
            )}
          </>
        ) : (
          <Text mt="3">Nothing is left that stands out.</Text>
        )}
      </Box>
    </Grid>
  );
}

/** How clean, as a figure: the soiled share of a face before and after, and a map of what is left. */
export function CleanPart({ restorationId, pieces }: Props) {
  const { wrong, busy, send } = useSend();
  const [shown, setShown] = useState<{ pieceId: string; found: HowClean } | null>(null);
  if (pieces.length === 0) return null;
  return (
    <Part title="How clean, measured" id="clean">
      <Text color="soft" mb="2">
        Measure the same face before and after, with a grey card, outlined to its corners. Each part is held against its
        own clean colour, as it was in the cleaner of the two pictures, its yellow allowed for. An even veil that
        nothing has taken off yet cannot be told from the colour of the plastic.
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
                    () => findHowClean(id),
                    (found) => setShown({ pieceId: id, found }),
                  )
                }
              >
                How clean is it?
              </Button>
            )}
          </Flex>
          {shown?.pieceId === id && <Found key={shown.found.photoId} pieceId={id} found={shown.found} />}
        </Box>
      ))}
    </Part>
  );
}

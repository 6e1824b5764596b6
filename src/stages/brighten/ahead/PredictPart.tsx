'use client';

import { Box, Grid, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useState } from 'react';
import { useSend } from '@/ui/useSend';
import { Worked } from '@/ui/Worked';
import { Wrong } from '@/ui/Wrong';
import { predictLook } from '../actions';
import type { Predicted } from './predict';

/** What the piece should look like after one, two and three more sessions: its own photograph, recoloured. */
export function PredictPart({ pieceId, unit }: { pieceId: string; unit: string }) {
  const { wrong, busy, send } = useSend();
  const [found, setFound] = useState<Predicted | null>(null);
  return (
    <Box my="4">
      <Button
        loading={busy}
        loadingText="Recolouring its photograph"
        onClick={() => send(() => predictLook(pieceId), setFound)}
      >
        What it should look like
      </Button>
      <Wrong words={wrong} />
      {found && (
        <Box aria-live="polite" mt="3">
          <Grid templateColumns={{ base: '1fr 1fr', md: 'repeat(4, 1fr)' }} gap="4">
            {found.looks.map(({ sessions, url, b, low, high }) => (
              <figure key={sessions}>
                {/* eslint-disable-next-line @next/next/no-img-element */}
                <img
                  src={url}
                  alt={sessions === 0 ? 'As it is now' : `After ${sessions} more`}
                  style={{ width: '100%' }}
                />
                <figcaption>
                  <b>{sessions === 0 ? 'now' : sessions === 1 ? 'one more session' : `${sessions} more sessions`}</b>
                  <br />
                  b* {b.toFixed(1)}
                  {sessions > 0 && `, between ${low.toFixed(1)} and ${high.toFixed(1)}`}
                </figcaption>
              </figure>
            ))}
          </Grid>
          <Text mt="4" mb="2" fontWeight="650">
            Three more sessions, with one thing done wrong each time
          </Text>
          <Grid templateColumns={{ base: '1fr 1fr', md: 'repeat(3, 1fr)' }} gap="4">
            {found.wrong.map(({ words, url, apart }) => (
              <figure key={words}>
                {/* eslint-disable-next-line @next/next/no-img-element */}
                <img src={url} alt={`After three sessions, ${words}`} style={{ width: '100%' }} />
                <figcaption>
                  <b>{words}</b>
                  <br />
                  {apart.toFixed(1)} b* from palest to yellowest
                </figcaption>
              </figure>
            ))}
          </Grid>
          <Worked
            lines={[
              {
                what: 'b* after',
                how: `target + (now − target) · exp(−k · sessions · ${found.dose.toFixed(1)} ${unit}), at the 5, 50 and 95 % quantiles of k`,
              },
              {
                what: 'Picture',
                how: 'each colour inside the outline: its b* taken so far down, L* up by 0.35 for each b*, back through the light of the picture',
              },
              {
                what: 'Done wrong',
                how: 'the dose of each place by what folds, thick cream or one-sided sun leave of it, then the same fade',
              },
            ]}
            source="First-order fade; slope of the plastic scale; share of the dose by src/core/rehearse, a model of what people bring home."
          />
          <Text color="soft" fontSize="15px" mt="2">
            An estimate: each session {found.dose.toFixed(1)} {unit}, {found.from}. Above, a session that is turned and
            spread evenly is meant. What is done wrong is computed place by place, not drawn.
          </Text>
        </Box>
      )}
    </Box>
  );
}

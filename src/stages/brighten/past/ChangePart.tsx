'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { proxy } from 'comlink';
import { useState } from 'react';
import { HEAT_LEGEND } from '@/core/picture/heatMap';
import { showTime } from '@/core/runsheet/time';
import { photoUrl } from '@/ui/photoUrl';
import { pixelsUrl } from '@/ui/pixelsUrl';
import { useSend } from '@/ui/useSend';
import { Worked } from '@/ui/Worked';
import { Working } from '@/ui/Working';
import { Wrong } from '@/ui/Wrong';
import { usePictureWorker } from '@/workers/usePictureWorker';
import { findChange } from '../actions';
import type { ChangeInput } from './change';

/** The maps that a worker made, as pictures. */
interface Found {
  changeUrl: string;
  leftUrl: string;
  progressUrl: string;
  come: number;
  median: number;
  most: number;
  yellower: number;
  firstAt: string;
  laterAt: string;
}

const IDS = { piece: 'piece', hidden: 'hidden' };

const sourceOf = ({ photoId, spec }: ChangeInput['first']) => ({
  url: photoUrl(photoId),
  flatUrl: spec.flatField ? photoUrl(spec.flatField) : undefined,
  spec,
});

/** The newest picture of a face laid over the first: what changed, and what is left, place by place. */
export function ChangePart({ pieceId, timeZone }: { pieceId: string; timeZone: string }) {
  const { wrong, busy, send } = useSend();
  const [found, setFound] = useState<Found | null>(null);
  const { share, setShare, errors, run, stop } = usePictureWorker();

  async function lay({ first, later, targetB }: ChangeInput) {
    const change = await run('Laying one over the other', (remote) =>
      remote.change(sourceOf(first), sourceOf(later), targetB, IDS, proxy(setShare)),
    );
    if (!change) return;
    const { columns, rows, change: changed, left, progress, ...figures } = change;
    const url = (pixels: Uint8ClampedArray<ArrayBuffer>) => pixelsUrl(pixels, columns, rows);
    setFound({
      ...figures,
      changeUrl: url(changed),
      leftUrl: url(left),
      progressUrl: url(progress),
      firstAt: first.at,
      laterAt: later.at,
    });
  }

  return (
    <Box my="4">
      {share === null ? (
        <Button
          loading={busy}
          onClick={() =>
            send(
              () => findChange(pieceId),
              (input) => void lay(input),
            )
          }
        >
          Show where it changed
        </Button>
      ) : (
        <Working share={share} words="Laying one over the other." onStop={stop} />
      )}
      <Wrong words={[...wrong, ...errors]} />
      {found && (
        <Box aria-live="polite" mt="3">
          <Grid templateColumns={{ base: '1fr', md: '1fr 1fr 1fr' }} gap="5">
            <Map
              url={found.changeUrl}
              title={`Changed, ΔE00: ${found.median.toFixed(1)} at the middle, ${found.most.toFixed(1)} at most`}
            />
            <Map
              url={found.progressUrl}
              title={`Come so far: ${Math.round(100 * found.come)} % at the middle; teal is there, rust has not begun`}
            />
            <Map url={found.leftUrl} title="Yellow left, b* above the hidden patch" />
          </Grid>
          <Flex
            height="12px"
            mt="2"
            aria-hidden
            style={{ background: `linear-gradient(90deg, ${HEAT_LEGEND.map(({ css }) => css).join(', ')})` }}
          />
          <Flex justify="space-between" fontSize="14px" color="soft">
            {HEAT_LEGEND.map(({ difference }) => (
              <span key={difference}>{difference}</span>
            ))}
          </Flex>
          {found.yellower > 0.02 && (
            <Text borderLeftWidth="8px" borderColor="amber" pl="3" my="2">
              {Math.round(100 * found.yellower)} % of the face measured yellower than before. Light and peroxide do not
              do that: check the card and the light, or look for what dirt or a label covered.
            </Text>
          )}
          <Worked
            lines={[
              {
                what: 'Laid on each other',
                how: 'corners moved onto the face’s edges, a homography to its own plane, 240 cells across',
              },
              {
                what: 'Light',
                how: 'the later picture in the first one’s light by its cones (von Kries, Bradford), from card and hidden patch; then the slope of the light',
              },
              {
                what: 'Figures',
                how: `median ${found.median.toFixed(1)} and 95th percentile ${found.most.toFixed(1)} of ΔE00 over the cells that are plain shell`,
              },
            ]}
            source="CIEDE2000 after Sharma, Wu and Dalal (2005); Bradford adaptation after Lam (1985)."
            sum={{ name: 'colour-difference', title: 'colour difference' }}
          />
          <Text color="soft" fontSize="15px">
            {showTime(found.firstAt, timeZone)} against {showTime(found.laterAt, timeZone)}, on the face’s own plane:
            corners moved onto its edges, light evened by the card, the hidden patch and a slope. Edges, gaps and print
            are left clear.
          </Text>
        </Box>
      )}
    </Box>
  );
}

function Map({ url, title }: { url: string; title: string }) {
  return (
    <figure>
      {/* eslint-disable-next-line @next/next/no-img-element */}
      <img
        src={url}
        alt={title}
        style={{ width: '100%', background: 'var(--chakra-colors-line)', imageRendering: 'pixelated' }}
      />
      <figcaption>{title}</figcaption>
    </figure>
  );
}

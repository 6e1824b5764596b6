'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { useState } from 'react';
import type { Share } from '@/core/picture/picture';
import { Fold } from '@/ui/Fold';
import { EmptyPlace } from '@/ui/layout';
import { PinnedPhoto } from '@/ui/PinnedPhoto';
import { LadderPart } from './LadderPart';
import type { SpotView } from './view';

/** A spot, and where it is pinned. */
export interface PlacedSpot extends SpotView {
  photoId: string | null;
  pin: Share | null;
}

interface Props {
  restorationId: string;
  spots: readonly PlacedSpot[];
  /** Those on which a spot is pinned. */
  photos: readonly { id: string; width: number; height: number; originalName: string }[];
  /** The spot that is opened at first. */
  first: string | null;
}

/** Every spot by its number on its photograph; the chosen one with its ladder. */
export function SpotsPart({ restorationId, spots, photos, first }: Props) {
  const open = spots.filter(({ settled }) => settled === null);
  const closed = spots.filter(({ settled }) => settled !== null);
  const inOrder = [...open.filter(({ soil }) => soil === null), ...open.filter(({ soil }) => soil !== null), ...closed];
  const [chosen, setChosen] = useState(first);
  const spot = inOrder.find(({ id }) => id === chosen) ?? inOrder[0];
  if (!spot)
    return (
      <EmptyPlace>
        No finding asks for the wash. Pin what is soiled, scuffed, stained or inked on the photographs of intake.
      </EmptyPlace>
    );
  const marks = new Map(inOrder.map(({ id }, i) => [id, String(i + 1)]));
  const photo = photos.find(({ id }) => id === spot.photoId);
  const here = inOrder.filter(({ photoId, pin }) => pin !== null && photo !== undefined && photoId === photo.id);
  const choose = (id: string) => {
    setChosen(id);
    // On a phone it lies below.
    requestAnimationFrame(() => document.getElementById(`spot-${id}`)?.scrollIntoView({ block: 'nearest' }));
  };
  const row = ({ id, place, name, soilTitle, settled }: PlacedSpot) => (
    <button key={id} type="button" className="row" aria-pressed={id === spot.id} onClick={() => choose(id)}>
      <b>{marks.get(id)}</b>
      <span>
        {place}: {name}
        <small>{settled ?? soilTitle ?? 'not named yet'}</small>
      </span>
    </button>
  );
  return (
    <Grid
      templateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) minmax(0, 1.2fr)' }}
      gap="6"
      alignItems="start"
    >
      <Box>
        {photo && (
          <Box mb="3" maxWidth={{ base: '100%', lg: '420px' }}>
            <PinnedPhoto
              photoId={photo.id}
              size={photo}
              alt={`${photo.originalName} with its spots`}
              pins={here.map(({ id, pin, name }) => ({
                ...pin!,
                mark: marks.get(id)!,
                name: `${marks.get(id)}: ${name}`,
                chosen: id === spot.id,
              }))}
              onPin={(i) => choose(here[i]!.id)}
            />
          </Box>
        )}
        <Flex direction="column" role="group" aria-label="Spots">
          {inOrder.filter(({ settled }) => settled === null).map(row)}
        </Flex>
        {closed.length > 0 && (
          <Fold summary={`${closed.length} closed`} quiet>
            {closed.map(row)}
          </Fold>
        )}
        {!photo && (
          <Text color="soft" fontSize="15px">
            This spot is on no photograph. It can be pinned in the survey.
          </Text>
        )}
      </Box>
      <LadderPart key={spot.id} restorationId={restorationId} spot={spot} />
    </Grid>
  );
}

'use client';

import { Box, Grid, Text } from '@chakra-ui/react';
import { photoUrl } from './photoUrl';

export interface StripPhoto {
  id: string;
  alt: string;
  under: string;
}

/** Photographs in a row of small pictures; each opens large, or where `href` says. */
export function PhotoStrip({ photos, href = (id) => photoUrl(id) }: { photos: readonly StripPhoto[]; href?: (id: string) => string }) {
  return (
    <Grid as="ul" listStyleType="none" templateColumns="repeat(auto-fill, minmax(150px, 1fr))" gap="3" mt="4">
      {photos.map(({ id, alt, under }) => (
        <Box as="li" key={id}>
          <a href={href(id)}>
            {/* Next's image service would make these small a second time. */}
            {/* eslint-disable-next-line @next/next/no-img-element */}
            <img
              src={photoUrl(id, 'small')}
              alt={alt}
              loading="lazy"
              style={{ width: '100%', aspectRatio: '4 / 3', objectFit: 'cover', display: 'block' }}
            />
            <Text fontSize="14px" color="soft" mt="1" lineClamp={2}>
              {under}
            </Text>
          </a>
        </Box>
      ))}
    </Grid>
  );
}

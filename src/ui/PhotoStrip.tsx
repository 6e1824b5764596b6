'use client';

import { Box, Grid, Text } from '@chakra-ui/react';
import { photoUrl } from './photoUrl';

interface StripPhoto {
  id: string;
  alt: string;
  under: string;
}

interface Props {
  photos: readonly StripPhoto[];
  href?: (id: string) => string;
  /** What can be done with each, below it. */
  below?: (photo: StripPhoto) => React.ReactNode;
}

/** Photographs in a row of small pictures; each opens large, or where `href` says. */
export function PhotoStrip({ photos, href = (id) => photoUrl(id), below }: Props) {
  return (
    <Grid as="ul" listStyleType="none" templateColumns="repeat(auto-fill, minmax(150px, 1fr))" gap="3" mt="4">
      {photos.map((photo) => {
        const { id, alt, under } = photo;
        return (
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
            {below?.(photo)}
          </Box>
        );
      })}
    </Grid>
  );
}

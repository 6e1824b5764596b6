'use client';

import { Box } from '@chakra-ui/react';
import dynamic from 'next/dynamic';
import type { PhotoDropProps } from './PhotoDrop';

const PhotoDrop = dynamic(() => import('./PhotoDrop').then((part) => part.PhotoDrop), {
  ssr: false,
  // As high as what comes, so that nothing moves under a thumb.
  loading: () => (
    <Box
      minHeight={{ base: '142px', md: '80px' }}
      borderWidth="2px"
      borderStyle="dashed"
      borderColor="lineStrong"
      bg="sheet"
    />
  ),
});

/** Photographs by camera, file picker or drag; what takes them in comes after the page. */
export const PhotoUpload = (props: PhotoDropProps) => <PhotoDrop {...props} />;

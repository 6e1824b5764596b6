'use client';

import { Box, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { PhotoStrip } from '@/ui/PhotoStrip';
import { PhotoUpload } from '@/ui/PhotoUpload';
import { Fold } from '@/ui/Fold';
import type { KeyPhoto } from './view';

/** A photograph of the keyboard: taken now, or one that is here already. `href`: where it is marked. */
export function PhotoPick({
  restorationId,
  photos,
  href,
}: {
  restorationId: string;
  photos: readonly KeyPhoto[];
  href: string;
}) {
  const router = useRouter();
  const to = (id: string) => `${href}${href.includes('?') ? '&' : '?'}photo=${id}`;
  return (
    <>
      <Box data-main-action>
        <PhotoUpload
          restorationId={restorationId}
          stage="keys"
          pieceId={null}
          onAdded={([first]) => first && router.push(to(first))}
        />
      </Box>
      {photos.length > 0 && (
        <Fold summary={`Or one that is here already: ${photos.length}`}>
          <PhotoStrip
            photos={photos.map(({ id, originalName, stage }) => ({
              ...{ id, alt: `Mark the keyboard on ${originalName}`, under: `${stage} · ${originalName}` },
            }))}
            href={to}
          />
        </Fold>
      )}
      <Text color="soft" mt="2">
        From straight above, all caps in the picture, no glare on them.
      </Text>
    </>
  );
}

'use client';

import { Box, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { PhotoStrip } from '@/ui/PhotoStrip';
import { PhotoUpload } from '@/ui/PhotoUpload';
import { Fold } from '@/ui/Fold';
import type { Stage } from '@/core/runsheet/stages';
import type { PhotoToMark } from './photoToMark';

/** A photograph to mark something on: taken now, or one that is here already. `href`: where it is marked. */
export function PhotoPick({
  restorationId,
  stage,
  what,
  how,
  photos,
  href,
}: {
  restorationId: string;
  stage: Stage;
  /** What is marked on it. */
  what: string;
  /** How it is photographed. */
  how: string;
  photos: readonly PhotoToMark[];
  href: string;
}) {
  const router = useRouter();
  const to = (id: string) => `${href}${href.includes('?') ? '&' : '?'}photo=${id}`;
  return (
    <>
      <Box data-main-action>
        <PhotoUpload
          restorationId={restorationId}
          stage={stage}
          pieceId={null}
          onAdded={([first]) => first && router.push(to(first))}
        />
      </Box>
      {photos.length > 0 && (
        <Fold summary={`Or one that is here already: ${photos.length}`}>
          <PhotoStrip
            photos={photos.map(({ id, originalName, stage: of }) => ({
              ...{ id, alt: `Mark ${what} on ${originalName}`, under: `${of} · ${originalName}` },
            }))}
            href={to}
          />
        </Fold>
      )}
      <Text color="soft" mt="2">
        {how}
      </Text>
    </>
  );
}

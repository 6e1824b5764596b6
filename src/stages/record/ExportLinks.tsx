'use client';

import { Button, Flex } from '@chakra-ui/react';

/** The record as files. */
export function ExportLinks({ restorationId }: { restorationId: string }) {
  return (
    <Flex gap="3" wrap="wrap" mb="5">
      <Button asChild variant={'go' as never} size={'bench' as never}>
        <a href={`/api/restorations/${restorationId}/export?as=html`} download>
          Save as one page
        </a>
      </Button>
      <Button asChild size={'bench' as never}>
        <a href={`/api/restorations/${restorationId}/export?as=zip`} download>
          Save as ZIP with photographs
        </a>
      </Button>
    </Flex>
  );
}

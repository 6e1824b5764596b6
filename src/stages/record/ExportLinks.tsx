'use client';

import { Button } from '@chakra-ui/react';
import { MainAction } from '@/ui/MainAction';

/** The record as files. */
export function ExportLinks({ restorationId }: { restorationId: string }) {
  return (
    <MainAction>
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
    </MainAction>
  );
}

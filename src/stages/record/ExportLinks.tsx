'use client';

import { Button } from '@/ui/Button';
import { MainAction } from '@/ui/MainAction';

/** The record as files. */
export function ExportLinks({ restorationId }: { restorationId: string }) {
  return (
    <MainAction>
      <Button asChild look="go" bench>
        <a href={`/api/restorations/${restorationId}/export?as=html`} download>
          Save as one page
        </a>
      </Button>
      <Button asChild bench>
        <a href={`/api/restorations/${restorationId}/export?as=zip`} download>
          Save as ZIP with photographs
        </a>
      </Button>
    </MainAction>
  );
}

'use client';

import { useSearchParams } from 'next/navigation';
import type { Stage } from '@/core/runsheet/stages';
import { viewHref, VIEWS } from '@/core/runsheet/views';
import { Views } from '@/ui/Views';

/** The views of a stage; the piece that is in hand goes along from one to the next. */
export function ViewNav({ restorationId, stage, view }: { restorationId: string; stage: Stage; view: string }) {
  const piece = useSearchParams().get('piece');
  if (VIEWS[stage].length === 1) return null;
  const asked = piece ? `?piece=${encodeURIComponent(piece)}` : '';
  return (
    <Views
      label="Views of this stage"
      views={VIEWS[stage].map(({ at, title }) => ({
        title,
        here: at === view,
        href: `${viewHref(restorationId, stage, at)}${asked}`,
      }))}
    />
  );
}

import { stagesOf } from '@/data/stages';
import type { Metadata } from 'next';
import { listRestorations } from '@/data/restorations';
import { photosOf } from '@/data/photos/store';
import { RestorationList } from '@/runsheet/RestorationList';
import { ImportForm } from '@/stages/record/ImportForm';
import { EmptyPlace, Part, ScreenHead } from '@/ui/layout';
import { LinkButton } from '@/ui/links';

export const metadata: Metadata = { title: 'Restorations' };

export default async function RestorationsPage() {
  const restorations = await listRestorations();
  const rows = await Promise.all(
    restorations.map(async (restoration) => {
      const [stages, photos] = await Promise.all([stagesOf(restoration.id), photosOf(restoration.id)]);
      return { restoration, settled: stages.map(({ stage, state }) => ({ stage, state })), photoId: photos[photos.length - 1]?.id ?? null };
    }),
  );
  return (
    <>
      <ScreenHead
        title="Restorations"
        action={
          <LinkButton href="/restorations/new" look="go" bench>
            Open a restoration
          </LinkButton>
        }
      />
      {rows.length === 0 ? (
        <EmptyPlace>None yet. Open one for the machine in front of you, before it is taken apart.</EmptyPlace>
      ) : (
        <RestorationList rows={rows} />
      )}
      <Part title="Take one in from a ZIP">
        <ImportForm />
      </Part>
    </>
  );
}

import { needsEntered } from '@/edge/entered';
import { LAST_PAGE, pageAsked } from '@/edge/page';
import type { Metadata } from 'next';
import { newestPhotos } from '@/data/photos/store';
import { restorationsPage, type Shown } from '@/data/restorations';
import { stagesOfAll } from '@/data/stages';
import { RestorationList } from '@/runsheet/RestorationList';
import { RestorationSearch } from '@/runsheet/RestorationSearch';
import { ImportForm } from '@/stages/record/ImportForm';
import { EmptyPlace, Part, ScreenHead } from '@/ui/layout';
import { LinkButton } from '@/ui/links';

export const metadata: Metadata = { title: 'Restorations' };

/** So many stand on a page. */
const SIZE = 12;

interface Asked {
  show?: string;
  words?: string;
  page?: string;
}

const shownOf = (show: string | undefined): Shown =>
  show === 'open' || show === 'finished' || show === 'put away' ? show : 'all';

export default async function RestorationsPage({ searchParams }: { searchParams: Promise<Asked> }) {
  await needsEntered();
  const asked = await searchParams;
  const [shown, words] = [shownOf(asked.show), String(asked.words ?? '').slice(0, 100)];
  const page = pageAsked(asked.page, LAST_PAGE, 1);
  const { restorations, all } = await restorationsPage(shown, words, page, SIZE);
  const ids = restorations.map(({ id }) => id);
  const [stages, photos] = await Promise.all([stagesOfAll(ids), newestPhotos(ids)]);
  const rows = restorations.map(({ id, title, machine, condition }) => ({
    id,
    title,
    under: machine || condition,
    settled: stages.get(id)!.map(({ stage, state }) => ({ stage, state })),
    photoId: photos.get(id) ?? null,
  }));
  const isEmpty = all === 0 && shown === 'all' && words === '';
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
      {isEmpty ? (
        <EmptyPlace>None yet. Open one for the machine in front of you, before it is taken apart.</EmptyPlace>
      ) : (
        <>
          <RestorationSearch shown={shown} words={words} page={page} pages={Math.ceil(all / SIZE)} all={all} />
          {all === 0 ? (
            <EmptyPlace>None of these. Take words away, or show all.</EmptyPlace>
          ) : (
            <RestorationList rows={rows} />
          )}
        </>
      )}
      <Part title="Take one in from a ZIP">
        <ImportForm />
      </Part>
    </>
  );
}

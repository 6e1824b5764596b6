import { withoutFile } from '@/data/photos/store';
import type { Bundle } from '@/data/bundle';
import { outwardPicture } from './covered';
import type { FacePair } from './facePictures';
import type { Reader } from './readerWords';
import { toldTo } from './readers';
import { StoryView } from './StoryView';
import { STORY_CSS } from './storyCss';
import { tellStory } from './story';

/** The record as one file that needs nothing else: pictures inside, no script. */
export async function exportHtml(
  bundle: Bundle,
  reader: Reader = 'me',
  pairs: ReadonlyMap<string, FacePair> = new Map(),
): Promise<string> {
  const pictures = new Map<string, string>();
  const missing = new Set((await withoutFile(bundle.photos)).map(({ id }) => id));
  const told = toldTo(reader, tellStory(bundle));
  const shown = new Set([
    ...told.stages.flatMap(({ photos }) => photos.map(({ id }) => id)),
    ...told.pieces.flatMap(({ first, last }) => [first?.photoId, last?.photoId]),
  ]);
  for (const photo of bundle.photos.filter(({ id }) => shown.has(id)))
    if (!missing.has(photo.id))
      pictures.set(
        photo.id,
        `data:image/webp;base64,${(await outwardPicture(photo, bundle.areas)).toString('base64')}`,
      );
  const png = (bytes: Buffer) => `data:image/png;base64,${bytes.toString('base64')}`;
  const faces = new Map(
    [...pairs].map(([id, { before, after }]) => [id, { before: png(before), after: png(after) }] as const),
  );
  // Next does not let a page import this statically; a route that writes a file has to have it all the same.
  const { renderToStaticMarkup } = await import('react-dom/server');
  const { title } = bundle.restoration;
  const page = (
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <title>{`${title}: record`}</title>
        <style
          dangerouslySetInnerHTML={{
            __html: `body{margin:0;background:#f3efe6;font-family:'Atkinson Hyperlegible Next',Verdana,sans-serif}main{max-width:900px;margin:0 auto;padding:24px}h1{font-size:2em;margin:0 0 .4em}${STORY_CSS}@media print{body{background:#fff}}`,
          }}
        />
      </head>
      <body>
        <main>
          <h1>{title}</h1>
          <StoryView story={told} faces={faces} src={(photo) => pictures.get(photo.id) ?? ''} />
        </main>
      </body>
    </html>
  );
  return `<!doctype html>${renderToStaticMarkup(page)}`;
}

import { partOf } from '@/core/mending/part/part';
import { partsOf } from '@/data/parts';
import { getWorkshop } from '@/data/workshop';
import { findRestoration } from '@/data/restorations';
import { insideOnly } from '@/edge/entered';
import { asFile, fileName } from '@/edge/fileName';
import { partPdf } from '@/stages/mend/partPdf';
import { partSvg } from '@/stages/mend/partSvg';

interface Context {
  params: Promise<{ id: string }>;
}

/** A part that is to be made as a file: `?part=…&as=stl` its solid in mm, `svg` its edges from above at 1:1, `pdf` the same on paper, else its sizes. */
export const GET = insideOnly(async (request: Request, { params }: Context): Promise<Response> => {
  const restoration = await findRestoration((await params).id);
  if (!restoration) return new Response('This restoration is not here.', { status: 404 });
  const asked = new URL(request.url).searchParams;
  const part = (await partsOf(restoration.id)).find(({ id }) => id === asked.get('part'));
  if (!part)
    return new Response('This part is not here. Open the stage Mend, and choose one that is.', { status: 404 });
  const { family, sizes } = part;
  const name = `${fileName(restoration.title)}-${fileName(part.name)}`;
  switch (asked.get('as')) {
    case 'stl':
      return asFile(new Uint8Array(partOf(family, sizes).stl), 'model/stl', `${name}.stl`);
    case 'svg':
      return asFile(partSvg(family, sizes, part.name), 'image/svg+xml; charset=utf-8', `${name}.svg`);
    case 'pdf': {
      const paper = partPdf(family, sizes, part.name, (await getWorkshop()).units);
      return paper
        ? asFile(new Uint8Array(await paper), 'application/pdf', `${name}.pdf`)
        : new Response('It does not fit on one sheet at 1:1. Take the SVG, and print it in tiles.', { status: 409 });
    }
    default:
      return asFile(JSON.stringify({ family, ...sizes }, null, 2), 'application/json; charset=utf-8', `${name}.json`);
  }
});

import { partOf } from '@/core/mending/part/part';
import { printAs } from '@/core/mending/part/printAdvice';
import { Refusal } from '@/core/refusal';
import { partsOf } from '@/data/parts';
import { printers } from '@/data/printers';
import { getWorkshop } from '@/data/workshop';
import { findRestoration } from '@/data/restorations';
import { insideOnly } from '@/edge/entered';
import { asFile, fileName } from '@/edge/fileName';
import { partPdf } from '@/stages/mend/partPdf';
import { fittedBy, playOf } from '@/stages/mend/printing';
import { partSvg } from '@/core/mending/part/drawing';

interface Context {
  params: Promise<{ id: string }>;
}

/** A part that is to be made as a file: `?part=…&as=stl` its solid in mm, `print` as a printer is to be given it (with `printer` and `play` in mm), `svg` its edges from above at 1:1, `pdf` the same on paper, else its sizes. */
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
    case 'print': {
      const play = playOf(asked.get('play'));
      if (typeof play !== 'number') return new Response(play.wrong, { status: 400 });
      const printer = (await printers()).find(({ id }) => id === asked.get('printer'));
      try {
        const { stl } = partOf(family, sizes, printAs(fittedBy(printer), play));
        return asFile(new Uint8Array(stl), 'model/stl', `${name}-print.stl`);
      } catch (error) {
        if (error instanceof Refusal) return new Response(error.message, { status: 400 });
        throw error;
      }
    }
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

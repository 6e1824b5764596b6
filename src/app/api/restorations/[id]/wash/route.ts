import { insideOnly } from '@/edge/entered';
import { listTubs, ownKnowledge } from '@/data/cleaning';
import { findRestoration } from '@/data/restorations';
import { timersOf } from '@/data/timers';
import { washSpots } from '@/work/wash/spots';
import { getWorkshop } from '@/data/workshop';
import { asFile, fileName } from '@/edge/fileName';
import { loadViews } from '@/stages/wash/loadViews';
import { washSheetPdf } from '@/stages/wash/sheetPdf';
import { passes, spotView } from '@/stages/wash/view';

/** The sheet for the wall by the sink as PDF. */
export const GET = insideOnly(
  async (_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> => {
    const restoration = await findRestoration((await params).id);
    if (!restoration) return new Response('This restoration is not here.', { status: 404 });
    const own = await ownKnowledge();
    const [spots, timers, tubs, { units }] = await Promise.all([
      washSpots(restoration.id, own),
      timersOf(restoration.id),
      listTubs(),
      getWorkshop(),
    ]);
    const { running, next } = passes(spots, timers, own, units);
    const sheet = await washSheetPdf(
      restoration.title,
      [...running, ...next],
      spots.map((spot) => spotView(spot, own)),
      await loadViews(restoration.id, tubs, own, units),
    );
    return asFile(new Uint8Array(sheet), 'application/pdf', `${fileName(restoration.title)}-wash.pdf`);
  },
);

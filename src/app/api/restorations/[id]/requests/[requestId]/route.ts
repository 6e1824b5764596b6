import { insideOnly } from '@/edge/entered';
import { piecesOf } from '@/data/pieces';
import { requestsOf } from '@/data/requests';
import { findRestoration } from '@/data/restorations';
import { getWorkshop } from '@/data/workshop';
import { asFile, fileName } from '@/edge/fileName';
import { letterPdf } from '@/runsheet/letterPdf';
import { letterOf } from '@/runsheet/letters';

/** A request to the owner as PDF. */
export const GET = insideOnly(
  async (_request: Request, { params }: { params: Promise<{ id: string; requestId: string }> }): Promise<Response> => {
    const { id, requestId } = await params;
    const restoration = await findRestoration(id);
    const request = (await requestsOf(id)).find((known) => known.id === requestId);
    if (!restoration || !request) return new Response('This request is not here.', { status: 404 });
    const [pieces, workshop] = await Promise.all([piecesOf(id), getWorkshop()]);
    const sheet = await letterPdf(letterOf(request, restoration, pieces, workshop));
    return asFile(new Uint8Array(sheet), 'application/pdf', `${fileName(restoration.title)}-request.pdf`);
  },
);

import { inTrialWorkshop, trialPiece } from '@/work/trial';
import PiecePage from './restorations/[id]/pieces/[pieceId]/page';

inTrialWorkshop();

/** Where the parts of a page lead. */
function leadsTo(node: unknown): string[] {
  if (Array.isArray(node)) return node.flatMap(leadsTo);
  if (typeof node !== 'object' || node === null || !('props' in node)) return [];
  const { props } = node as { props: Record<string, unknown> };
  return [...(typeof props.href === 'string' ? [props.href] : []), ...Object.values(props).flatMap(leadsTo)];
}

it('peroxide is offered for plastic alone; what is of metal goes on to its finish', async () => {
  const next = async (plastic: string) => {
    const { id: pieceId, restorationId: id } = await trialPiece({ plastic });
    const page = await PiecePage({ params: Promise.resolve({ id, pieceId }) });
    return leadsTo(page).map((href) => href.replace(id, 'ID').replace(pieceId, 'PIECE'));
  };
  expect(await next('ABS')).toEqual(['/restorations/ID/brighten?piece=PIECE']);
  expect(await next('metal')).toEqual(['/restorations/ID/finish']);
});

import { inTrialWorkshop, trialPiece } from '@/work/trial';
import PiecePage from './restorations/[id]/pieces/[pieceId]/page';

inTrialWorkshop();

/** What stands on a page under one of the names of its parts: where they lead (`href`), what they say (`children`). */
function told(node: unknown, name: 'href' | 'children'): string[] {
  if (Array.isArray(node)) return node.flatMap((one) => told(one, name));
  if (typeof node !== 'object' || node === null || !('props' in node)) return [];
  const { props } = node as { props: Record<string, unknown> };
  const own = props[name];
  return [...(typeof own === 'string' ? [own] : []), ...Object.values(props).flatMap((one) => told(one, name))];
}

const pageOf = async (plastic: string) => {
  const { id: pieceId, restorationId: id } = await trialPiece({ plastic });
  const page = await PiecePage({ params: Promise.resolve({ id, pieceId }) });
  return { page, plain: (href: string) => href.replace(id, 'ID').replace(pieceId, 'PIECE') };
};

it('peroxide is offered for plastic alone; what is of metal goes on to its finish', async () => {
  const next = async (plastic: string) => {
    const { page, plain } = await pageOf(plastic);
    return told(page, 'href').map(plain);
  };
  expect(await next('ABS')).toEqual(['/restorations/ID/brighten?piece=PIECE']);
  expect(await next('metal')).toEqual(['/restorations/ID/finish']);
});

it('a hidden patch is asked for of plastic alone', async () => {
  const asks = async (plastic: string) => told((await pageOf(plastic)).page, 'children').join(' ');
  expect(await asks('ABS')).toContain(
    'Not measured yet. A photograph with a grey card and the hidden patch is enough.',
  );
  expect(await asks('metal')).toContain('Not measured yet. A photograph with a grey card is enough.');
});

import { listTubs, ownKnowledge } from '@/data/cleaning';
import { listStock } from '@/data/stock';
import { getWorkshop } from '@/data/workshop';
import { loadViews } from './loadViews';
import { TubPart } from './TubPart';
import { UsedPart } from './UsedPart';

/** What can share a bath, what was used of the stores, and the sheet for the wall. */
export async function BathsView({ restorationId }: { restorationId: string }) {
  const own = await ownKnowledge();
  const [tubs, stock, { units }] = await Promise.all([listTubs(), listStock(), getWorkshop()]);
  const [first, ...rest] = stock;
  return (
    <>
      <TubPart loads={await loadViews(restorationId, tubs, own, units)} tubs={tubs} />
      {first && <UsedPart restorationId={restorationId} bottles={[first, ...rest]} />}
      <p>
        <a
          href={`/api/restorations/${restorationId}/wash`}
          download
          style={{ textDecoration: 'underline', minHeight: 44, display: 'inline-block' }}
        >
          Sheet for the wall as PDF
        </a>
      </p>
    </>
  );
}

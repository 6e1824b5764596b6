import { needsEntered } from '@/edge/entered';
import { notFound } from 'next/navigation';
import { formatMoney } from '@/core/ledger/money';
import { piecesOf } from '@/data/pieces';
import { requestsOf } from '@/data/requests';
import { findRestoration } from '@/data/restorations';
import { getWorkshop } from '@/data/workshop';
import { ownerDrawn } from '@/runsheet/drawn';
import { letterTextOf } from '@/runsheet/letters';
import { OwnerScreen } from '@/runsheet/OwnerScreen';
import { ScreenHead } from '@/ui/layout';
import { TextLink } from '@/ui/links';

export default async function OwnerPage({ params }: { params: Promise<{ id: string }> }) {
  await needsEntered();
  const { id } = await params;
  const restoration = await findRestoration(id);
  if (!restoration) notFound();
  const [requests, pieces, workshop] = await Promise.all([requestsOf(id), piecesOf(id), getWorkshop()]);
  const { currency, timeZone } = workshop;
  const { owner, allowed } = restoration;
  return (
    <>
      <ScreenHead
        title="Owner"
        lead={<TextLink href={`/restorations/${id}`}>{restoration.title}</TextLink>}
        under="What may be done without asking, what was asked beyond it, and what was answered"
      />
      <OwnerScreen
        restorationId={id}
        owner={owner}
        allowed={allowed}
        spend={ownerDrawn(restoration, currency).spend}
        requests={requests}
        letters={Object.fromEntries(
          requests.map((request) => [request.id, letterTextOf(request, restoration, pieces, workshop)]),
        )}
        costs={Object.fromEntries(
          requests.flatMap(({ id: of, costMinor }) => (costMinor > 0 ? [[of, formatMoney(costMinor, currency)]] : [])),
        )}
        pieces={pieces}
        currency={currency}
        timeZone={timeZone}
      />
    </>
  );
}

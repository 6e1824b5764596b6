import { needsEntered } from '@/edge/entered';
import { notFound } from 'next/navigation';
import { roughMoney } from '@/core/ledger/money';
import { showMinutes, showTime } from '@/core/runsheet/time';
import { logPage } from '@/data/log';
import { findRestoration } from '@/data/restorations';
import { getWorkshop } from '@/data/workshop';
import { knownOf } from '@/runsheet/worth';
import { WorthForm } from '@/runsheet/WorthForm';
import { Part, ScreenHead } from '@/ui/layout';
import { TextLink } from '@/ui/links';

/** So many estimates are shown, the newest. */
const ESTIMATES = 40;

export default async function WorthPage({ params }: { params: Promise<{ id: string }> }) {
  await needsEntered();
  const { id } = await params;
  const restoration = await findRestoration(id);
  if (!restoration) notFound();
  const [known, { currency, timeZone }, log] = await Promise.all([
    knownOf(id),
    getWorkshop(),
    logPage({ restorationId: id, kind: 'estimate' }, null, ESTIMATES),
  ]);
  const estimates = [...log.entries].reverse();
  const rate =
    known.hourlyRate > 0 ? ` at ${roughMoney(known.hourlyRate, currency)} an hour` : ', not counted in money';
  return (
    <>
      <ScreenHead
        title="Worth it?"
        lead={<TextLink href={`/restorations/${id}`}>{restoration.title}</TextLink>}
        under={`So far: ${roughMoney(known.pricePaid, currency)} paid, ${roughMoney(known.spent, currency)} for material, ${showMinutes(60 * known.hoursWorked)} of own work${rate}`}
      />
      <Part title="What is still to come">
        <WorthForm restorationId={id} known={known} estimate={restoration.estimate} currency={currency} />
      </Part>
      {estimates.length > 0 && (
        <Part title="As it was estimated">
          <ol style={{ listStyle: 'none' }}>
            {estimates.map(({ id: entry, at, words }, i) => (
              <li key={entry}>
                <b>{i === 0 ? 'Before' : showTime(at, timeZone, 'd MMM yyyy')}</b>
                {i === 0 && ` (${showTime(at, timeZone, 'd MMM yyyy')})`}: {words}
              </li>
            ))}
          </ol>
        </Part>
      )}
    </>
  );
}

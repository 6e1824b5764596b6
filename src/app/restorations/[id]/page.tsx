import { needsEntered } from '@/edge/entered';
import { notFound } from 'next/navigation';
import { formatMoney } from '@/core/ledger/money';
import { showTime } from '@/core/runsheet/time';
import { powerDecided } from '@/data/firstPower';
import { photosOf } from '@/data/photos/store';
import { awayOf } from '@/data/putAway';
import { findRestoration } from '@/data/restorations';
import { getWorkshop } from '@/data/workshop';
import { runSheetRows } from '@/runsheet/facts';
import { PieceList } from '@/runsheet/PieceList';
import { BringOut, PutAway } from '@/runsheet/PutAway';
import { RunSheet } from '@/runsheet/RunSheet';
import { sightsOf } from '@/runsheet/sights';
import { EmptyPlace, Part, ScreenHead } from '@/ui/layout';
import { photoUrl } from '@/ui/photoUrl';
import { LinkButton } from '@/ui/links';
import { Fold } from '@/ui/Fold';
import { PowerBanner } from '@/ui/PowerBanner';
import { Wide } from '@/ui/Wide';

export default async function RunSheetPage({ params }: { params: Promise<{ id: string }> }) {
  await needsEntered();
  const { id } = await params;
  const restoration = await findRestoration(id);
  if (!restoration) notFound();
  const [rows, sights, { currency, timeZone }, power, away, photos] = await Promise.all([
    runSheetRows(id),
    sightsOf(id),
    getWorkshop(),
    powerDecided([id]),
    awayOf(id),
    photosOf(id),
  ]);
  const came = photos.find(({ stage }) => stage === 'intake') ?? photos[0];
  const under = [
    restoration.machine,
    `aim: ${restoration.aim}`,
    restoration.source && `from ${restoration.source}`,
    restoration.pricePaidMinor > 0 && `${formatMoney(restoration.pricePaidMinor, currency)} paid`,
    `opened ${showTime(restoration.openedAt, timeZone, 'd MMM yyyy')}`,
  ];
  return (
    <>
      <ScreenHead
        title={restoration.title}
        under={under.filter(Boolean).join(' · ')}
        action={
          <>
            <LinkButton href={`/restorations/${id}/owner`}>
              {restoration.owner ? `Owner: ${restoration.owner}` : 'Owner'}
            </LinkButton>
            <LinkButton href={`/restorations/${id}/worth`}>Worth it?</LinkButton>
            <LinkButton href={`/restorations/${id}/log`}>Log</LinkButton>
          </>
        }
      />
      {away && (
        <Part title={away.goesAt ? 'Deleted' : 'Put away'}>
          <BringOut
            restorationId={id}
            words={`It stands on no bench and in no list, and its bells do not ring. ${
              away.goesAt
                ? `On ${showTime(away.goesAt, timeZone, 'd MMM yyyy')} it goes for good, but for its log.`
                : 'All of it is kept.'
            }`}
          />
        </Part>
      )}
      <PowerBanner decided={power.get(id) ?? null} href={`/restorations/${id}/intake/power`} />
      <Wide
        main={
          <Part title="Run sheet">
            <RunSheet restorationId={id} rows={rows} />
          </Part>
        }
        side={
          <>
            {came && (
              // eslint-disable-next-line @next/next/no-img-element -- made small by its own route
              <img
                src={photoUrl(came.id, 'large')}
                alt={`${restoration.title} as it came`}
                style={{ width: '100%', maxHeight: 240, objectFit: 'cover', marginBottom: 20 }}
              />
            )}
            <Part title="Pieces" aside={<LinkButton href={`/restorations/${id}/pieces/new`}>Tag a piece</LinkButton>}>
              {sights.length === 0 ? (
                <EmptyPlace>
                  No pieces yet. Tag each plastic part: it gets a number on masking tape, and its own measuring.
                </EmptyPlace>
              ) : (
                <PieceList restorationId={id} sights={sights} />
              )}
            </Part>
          </>
        }
      />
      {!away && (
        <Fold summary="Put it away or delete it">
          <PutAway restorationId={id} />
        </Fold>
      )}
    </>
  );
}

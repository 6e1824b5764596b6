import { Text } from '@chakra-ui/react';
import { chooseRepair, crackEnd, MEND_SCHOOLS, verdictOf, type MendSchool } from '@/core/mending/repair/choose';
import { breakOf, LOADS, sizesFor } from '@/core/mending/repair/damage';
import { LOOK_WORDS, MEND, ORIGINAL_WORDS } from '@/core/mending/repair/ways';
import { formatMoney } from '@/core/ledger/money';
import { MATERIALS } from '@/core/runsheet/stages';
import { viewHref } from '@/core/runsheet/views';
import { askedFor } from '@/data/findings';
import { piecesOf } from '@/data/pieces';
import { repairsOf } from '@/data/repairs';
import type { Finding, RepairRow } from '@/data/rows';
import { donorsWithParts } from '@/data/donors';
import { listStock } from '@/data/stock';
import { getWorkshop } from '@/data/workshop';
import { triedMends } from '@/work/mend/repairs';
import { EmptyPlace } from '@/ui/layout';
import { LinkButton } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';
import { BreakForm } from './BreakForm';
import { BreakPick } from './BreakPick';
import { WaysPart, type WayView } from './WaysPart';

interface Asked {
  restorationId: string;
  finding?: string;
  school?: string;
  /** Measured again, though it was measured. */
  again?: string;
}

/** Which repair: the break measured once, then all ways that can work, side by side. */
export async function ChooseScreen({ restorationId, finding: asked, school: wanted, again }: Asked) {
  const [findings, repairs] = await Promise.all([askedFor(restorationId), repairsOf(restorationId)]);
  const begun = repairs.filter(({ way, endedAt }) => way !== null && endedAt === null);
  const open = (findings.get('mend') ?? []).filter(({ id }) => !begun.some(({ findingId }) => findingId === id));
  const finding = open.find(({ id }) => id === asked) ?? (asked === undefined ? open[0] : undefined);
  if (!finding)
    return (
      <>
        <EmptyPlace>
          {begun.length > 0
            ? 'Nothing is left to choose for. What is begun goes on under Now.'
            : 'Nothing here is broken, as far as anybody wrote down. Pin a crack, a missing part or a loose place as a finding first.'}
        </EmptyPlace>
        <MainAction>
          <LinkButton look="go" bench href={viewHref(restorationId, begun.length > 0 ? 'mend' : 'intake')}>
            {begun.length > 0 ? 'Go on with the repair' : 'Survey the machine'}
          </LinkButton>
        </MainAction>
      </>
    );
  const measured = repairs.find(({ findingId, endedAt }) => findingId === finding.id && endedAt === null);
  // What broke again is as long and as thick as it was.
  const before = measured ?? repairs.find(({ findingId }) => findingId === finding.id);
  const school = MEND_SCHOOLS.find((one) => one === wanted) ?? MEND_SCHOOLS[0];
  return (
    <>
      <BreakPick
        here={finding.id}
        breaks={open.map(({ id, kind, words }) => ({ id, name: [kind, words].filter(Boolean).join(', ') }))}
        href={viewHref(restorationId, 'mend', 'choose')}
      />
      {measured && again === undefined ? (
        <Ways repair={measured} school={school} />
      ) : (
        <Measure restorationId={restorationId} finding={finding} {...(before && { measured: before })} />
      )}
    </>
  );
}

/** The break, to be measured. */
async function Measure({
  restorationId,
  finding,
  measured,
}: {
  restorationId: string;
  finding: Finding;
  measured?: RepairRow;
}) {
  const piece = (await piecesOf(restorationId)).find(({ id }) => id === finding.pieceId);
  return (
    <BreakForm
      key={finding.id}
      {...{ restorationId, findingId: finding.id }}
      name={measured?.name ?? [piece?.tag, finding.words || finding.kind].filter(Boolean).join(' ').slice(0, 60)}
      kind={measured?.damage.kind ?? breakOf(finding.kind, finding.part)}
      load={measured?.damage.load ?? LOADS[0]}
      plastic={measured?.damage.plastic ?? piece?.plastic ?? 'not known'}
      plastics={MATERIALS}
      damage={measured?.damage ?? null}
    />
  );
}

const pulls = { along: 'along the joint', pried: 'prying it open' } as const;

/** All ways, the one that Kvell would take first. */
async function Ways({ repair, school }: { repair: RepairRow; school: MendSchool }) {
  const [{ currency, hourlyRateMinor }, stock, tried, donors] = await Promise.all([
    getWorkshop(),
    listStock(),
    triedMends(),
    donorsWithParts(),
  ]);
  const { damage } = repair;
  const onDonors = donors.some(({ parts }) => parts.some(({ restorationId }) => restorationId === null));
  const stores = [
    ...stock.filter(({ left }) => left === null || left > 0),
    // What sits on a donor is no bottle, and is here all the same.
    ...(onDonors ? [{ name: 'donor', priceMinor: null }] : []),
  ];
  const { options, out } = chooseRepair(damage, { school, tried, stores, hourMinor: hourlyRateMinor });
  const ways = options.map((option): WayView => {
    const words = MEND[option.way];
    const { held } = option;
    return {
      ...{ way: option.way, title: words.title, odds: option.odds, verdict: verdictOf(option.odds), from: option.from },
      ...{ minutes: option.minutes, waitMin: option.waitMin, missing: option.missing, notes: option.notes },
      cost: formatMoney(option.costMinor, currency),
      look: LOOK_WORDS[words.look],
      original: ORIGINAL_WORDS[words.original],
      ...{ undone: words.undone, risk: words.risk, check: words.check },
      held: held && {
        ...{ factor: held.factor, loadN: held.loadN, gives: held.gives, capacityN: held.capacityN },
        working: held.working,
      },
    };
  });
  const size =
    damage.load === 'screw'
      ? `boss ${damage.bossMm ?? '?'} mm, hole ${damage.holeMm ?? '?'} mm, screw ${damage.screwMm ?? '?'} mm`
      : sizesFor(damage.kind, damage.load).length > 0
        ? `${damage.lengthMm} × ${damage.wallMm} mm, ${pulls[damage.pull]}`
        : null;
  return (
    <>
      <Text mb="2">
        <b>{repair.name}</b>:{' '}
        {[
          damage.kind,
          damage.load !== 'nothing' && damage.load,
          size,
          damage.plastic,
          damage.seen ? 'seen' : 'out of sight',
          damage.windowGlue && damage.windowGlue !== 'not known' && `on ${damage.windowGlue}`,
          damage.wearsOut && 'too thin from the start',
        ]
          .filter(Boolean)
          .join(', ')}
        .
      </Text>
      <WaysPart
        key={`${repair.id}${repair.at}`}
        {...{ school, ways }}
        repairId={repair.id}
        restorationId={repair.restorationId}
        findingId={repair.findingId!}
        crackEnd={crackEnd(damage)}
        out={out.map(({ way, why }) => ({ title: MEND[way].title, why }))}
      />
    </>
  );
}

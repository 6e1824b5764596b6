import type { Metadata } from 'next';
import { formatMoney } from '@/core/ledger/money';
import { unitOf } from '@/core/ledger/left';
import { getWorkshop } from '@/data/workshop';
import { clock } from '@/edge/clock';
import { needsEntered } from '@/edge/entered';
import { AheadPart } from '@/stores/AheadPart';
import { storesAhead } from '@/stores/ahead';
import { EmptyPlace, ScreenHead } from '@/ui/layout';
import { LinkButton, TextLink } from '@/ui/links';

export const metadata: Metadata = { title: 'What runs out, stores' };

const text = (value: number | null | undefined): string => (value === null || value === undefined ? '' : String(value));

/** What plans use against what is there, by date. */
export default async function AheadPage() {
  await needsEntered();
  const [{ rows, items, thrown, planned }, { currency, timeZone }] = await Promise.all([
    storesAhead(clock()),
    getWorkshop(),
  ]);
  const total = rows.reduce((sum, { costMinor }) => sum + (costMinor ?? 0), 0);
  return (
    <>
      <ScreenHead
        title="What runs out"
        lead={<TextLink href="/stores">Stores</TextLink>}
        under="What the plan uses against what is there, by date"
        action={<LinkButton href="/api/stores/labels">Labels for the shelf</LinkButton>}
      />
      {!planned && (
        <EmptyPlace>There is no plan yet: as soon as a restoration is open, what it uses shows here.</EmptyPlace>
      )}
      <AheadPart
        rows={rows}
        costs={rows.map(({ costMinor }) => (costMinor === null ? '' : formatMoney(costMinor, currency)))}
        total={total > 0 ? formatMoney(total, currency) : ''}
        timeZone={timeZone}
        thrown={thrown.map(({ id, name }) => ({ id, name }))}
        items={items.map(({ id, name, kind, care }) => ({
          ...{ id, name, unit: unitOf(kind), low: text(care?.low), shelf: care?.shelf ?? '' },
          ...{ keepsDays: text(care?.keepsDays), deliveryDays: text(care?.deliveryDays) },
          openedAt: care?.openedAt?.slice(0, 10) ?? '',
        }))}
      />
    </>
  );
}

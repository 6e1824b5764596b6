import { Flex } from '@chakra-ui/react';
import { needsEntered } from '@/edge/entered';
import type { Metadata } from 'next';
import { formatMoney } from '@/core/ledger/money';
import { shelfWithCare } from '@/data/stockCare';
import { getWorkshop } from '@/data/workshop';
import { clock } from '@/edge/clock';
import { LinkButton } from '@/ui/links';
import { StockForm } from '@/stores/StockForm';
import { Shelf } from '@/stores/Shelf';
import { EmptyPlace, Part, ScreenHead } from '@/ui/layout';

export const metadata: Metadata = { title: 'Stores' };

export default async function StoresPage() {
  await needsEntered();
  const [stock, { currency, timeZone }] = await Promise.all([shelfWithCare(), getWorkshop()]);
  return (
    <>
      <ScreenHead
        title="Stores"
        under="What is on the shelf, by its label"
        action={
          <Flex gap="2" wrap="wrap">
            <LinkButton href="/stores/ahead">What runs out</LinkButton>
            <LinkButton href="/stores/orders">To buy</LinkButton>
            <LinkButton href="/stores/donors">Donors</LinkButton>
            <LinkButton href="/stores/agents">Cleaning agents</LinkButton>
          </Flex>
        }
      />
      <Part title="On the shelf">
        {stock.length === 0 ? (
          <EmptyPlace>
            The shelf is empty. Put the peroxide bottle in first: its strength decides every mixture.
          </EmptyPlace>
        ) : (
          <Shelf
            stock={stock}
            now={clock().toISOString()}
            timeZone={timeZone}
            prices={Object.fromEntries(
              stock.map(({ id, priceMinor }) => [id, priceMinor === null ? '' : formatMoney(priceMinor, currency)]),
            )}
          />
        )}
      </Part>
      <Part title="Put something into the stores">
        <StockForm currency={currency} />
      </Part>
    </>
  );
}

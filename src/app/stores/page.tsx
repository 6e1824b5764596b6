import type { Metadata } from 'next';
import { formatMoney } from '@/core/ledger/money';
import { listStock } from '@/data/stock';
import { getWorkshop } from '@/data/workshop';
import { LinkButton } from '@/ui/links';
import { CountForm } from '@/stores/CountForm';
import { StockForm } from '@/stores/StockForm';
import { StockTable } from '@/stores/StockTable';
import { Text } from '@chakra-ui/react';
import { EmptyPlace, Part, ScreenHead } from '@/ui/layout';

export const metadata: Metadata = { title: 'Stores' };

export default async function StoresPage() {
  const [stock, { currency }] = await Promise.all([listStock(), getWorkshop()]);
  return (
    <>
      <ScreenHead title="Stores" under="What is on the shelf, by its label" action={<LinkButton href="/stores/agents">Cleaning agents</LinkButton>} />
      <Part title="On the shelf">
        {stock.length === 0 ? (
          <EmptyPlace>The shelf is empty. Put the peroxide bottle in first: its strength decides every mixture.</EmptyPlace>
        ) : (
          <StockTable
            stock={stock}
            prices={Object.fromEntries(stock.map(({ id, priceMinor }) => [id, priceMinor === null ? '' : formatMoney(priceMinor, currency)]))}
          />
        )}
      </Part>
      {stock.length > 0 && (
        <Part title="How much is left" id="left">
          <Text mb="3">What an exposure or a wash takes is taken off by itself. What was spilt, given away or misjudged is put right here.</Text>
          <CountForm stock={stock} />
        </Part>
      )}
      <Part title="Put something into the stores">
        <StockForm currency={currency} />
      </Part>
    </>
  );
}

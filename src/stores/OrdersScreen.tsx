import { Box, Flex, Text } from '@chakra-ui/react';
import { formatMoney } from '@/core/ledger/money';
import { isLate, nextStep, type OrderStep } from '@/core/mending/orderSteps';
import { showTime } from '@/core/runsheet/time';
import { fittedOrders, openOrders } from '@/data/orders';
import { restorationsPage, titlesOf } from '@/data/restorations';
import type { OrderRow } from '@/data/rows';
import { getWorkshop } from '@/data/workshop';
import { Fold } from '@/ui/Fold';
import { EmptyPlace, Part, ScreenHead } from '@/ui/layout';
import { TextLink } from '@/ui/links';
import { OrderForm, OrderTap } from './OrderTap';

/** So many restorations may want something: those that were worked on last. */
const MACHINES = 40;
/** So many that are done with are shown; the others stand in the records of their machines, and are found by their words. */
const FITTED = 40;

const WAITS: Record<OrderStep, string> = {
  ordered: 'To order',
  arrived: 'On its way',
  compared: 'Here: hold it beside the old one',
  fitted: 'Here, and right: to be fitted',
};

/** What is to be bought and how far each thing is, what hands can do about it first. */
export async function OrdersScreen({ now }: { now: Date }) {
  const [orders, fitted, { restorations }, { currency, timeZone }] = await Promise.all([
    openOrders(),
    fittedOrders(FITTED),
    restorationsPage('open', '', 0, MACHINES),
    getWorkshop(),
  ]);
  const titles = await titlesOf([...orders, ...fitted.orders].flatMap(({ restorationId }) => restorationId ?? []));
  const of = (step: OrderStep) => orders.filter((order) => nextStep(order) === step);
  const line = (order: OrderRow) => (
    <OrderLine
      key={order.id}
      {...{ order, currency, timeZone, now }}
      machine={order.restorationId && (titles.get(order.restorationId) ?? '')}
    />
  );
  return (
    <>
      <ScreenHead
        title="To buy"
        lead={<TextLink href="/stores">Stores</TextLink>}
        under="What is wanted, on its way, and here"
      />
      {orders.length === 0 && (
        <EmptyPlace>Nothing is wanted. A repair that waits for a part puts it here by itself.</EmptyPlace>
      )}
      {(['compared', 'fitted', 'arrived', 'ordered'] as const).map((step) => {
        const some = of(step);
        if (step === 'arrived') some.sort((a, b) => (a.dueAt ?? '9').localeCompare(b.dueAt ?? '9'));
        return (
          some.length > 0 && (
            <Part key={step} title={WAITS[step]}>
              {some.map(line)}
            </Part>
          )
        );
      })}
      <Part title="Something is wanted">
        <OrderForm machines={restorations.map(({ id, title }) => ({ value: id, label: title }))} />
      </Part>
      {fitted.all > 0 && (
        <Fold
          quiet
          summary={`Bought and fitted: ${fitted.all}${fitted.all > FITTED ? `, the last ${FITTED} of them here` : ''}`}
        >
          {fitted.orders.map(line)}
        </Fold>
      )}
    </>
  );
}

function OrderLine({
  order,
  machine,
  currency,
  timeZone,
  now,
}: {
  order: OrderRow;
  machine: string | null;
  currency: string;
  timeZone: string;
  now: Date;
}) {
  const { id, what, words, priceMinor, dueAt, orderedAt, arrivedAt, comparedAt, fittedAt, restorationId } = order;
  const day = (at: string) => showTime(at, timeZone, 'd MMM');
  return (
    <Flex gap="4" wrap="wrap" align="start" borderTopWidth="1px" borderColor="line" py="3">
      <Box flex="1 1 260px">
        <Text fontWeight="650">{what}</Text>
        <Text color="soft">
          {restorationId && machine !== null ? (
            <TextLink href={`/restorations/${restorationId}`}>{machine}</TextLink>
          ) : (
            'for the stores'
          )}
          {words && `. ${words}`}
        </Text>
        <Text>
          {[
            priceMinor !== null && formatMoney(priceMinor, currency),
            orderedAt && `ordered ${day(orderedAt)}`,
            arrivedAt ? `here since ${day(arrivedAt)}` : dueAt && `due ${day(dueAt)}`,
            fittedAt && `fitted ${day(fittedAt)}`,
          ]
            .filter(Boolean)
            .join(', ')}
        </Text>
        {isLate(order, now) && (
          <Text borderLeftWidth="8px" borderColor="amber" pl="3" fontWeight="650">
            It should be here by now. Ask where it is.
          </Text>
        )}
      </Box>
      <Box flex="1 1 260px">
        <OrderTap orderId={id} what={what} times={{ orderedAt, arrivedAt, comparedAt, fittedAt }} currency={currency} />
      </Box>
    </Flex>
  );
}

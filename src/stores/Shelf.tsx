'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import dynamic from 'next/dynamic';
import { unitOf } from '@/core/ledger/left';
import { showTime } from '@/core/runsheet/time';
import { agedSince, agedWords, FOUND, monthsSince, percentOf } from '@/core/peroxide/bottle';
import { peroxideStrength } from '@/core/peroxide/strength';
import type { Shelved } from '@/data/stock';
import { Fold } from '@/ui/Fold';
import { useAmount } from '@/ui/units';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { Bottle } from './Bottle';
import { CountForm } from './CountForm';
import { strengthWords } from './strengthChoices';

// Comes when somebody asks whether a bottle is still as strong.
const TestForm = dynamic(() => import('./TestForm').then((part) => part.TestForm));

interface Props {
  stock: readonly Shelved[];
  /** Of each, in the workshop's money. */
  prices: Record<string, string>;
  /** The instant that ages are counted to, ISO 8601. */
  now: string;
  timeZone: string;
}

/** The shelf: each bottle as full as it is, its label, and what that means by weight. */
export function Shelf({ stock, prices, now, timeZone }: Props) {
  return (
    <Grid as="ul" listStyleType="none" templateColumns={{ base: '1fr', lg: '1fr 1fr' }} columnGap="10">
      {stock.map((item) => (
        <Flex as="li" key={item.id} id={item.id} gap="4" py="3">
          <Bottle left={item.left} size={item.sizeMl} />
          <Box flex="1" minWidth="0">
            <Text fontWeight="650" fontSize="18px">
              {item.name}
            </Text>
            <Left {...item} />
            <Text color="soft">{[item.kind, strengthOf(item), prices[item.id]].filter(Boolean).join(', ')}</Text>
            {item.words && <Text color="soft">{item.words}</Text>}
            <Strength bottle={item} now={now} timeZone={timeZone} />
            <Fold summary="Note what is really left" quiet>
              <CountForm bottle={item} />
              <TakeThingBack what="bottle" id={item.id} name={item.name} />
            </Fold>
          </Box>
        </Flex>
      ))}
    </Grid>
  );
}

/** What it was found to hold, or may hold by its age, and a way to find out. */
function Strength({ bottle, now, timeZone }: { bottle: Shelved } & Pick<Props, 'now' | 'timeZone'>) {
  if (percentOf(bottle) === null) return null;
  const aged = agedSince(bottle, new Date(now));
  const { tested } = bottle;
  return (
    <>
      {tested && (
        <Text>
          Counts with <b>{tested.percentWW.toFixed(1)} %</b>, {FOUND[tested.how]} on{' '}
          {showTime(tested.at, timeZone, 'd MMM yyyy')}.
        </Text>
      )}
      {aged && <Text>{agedWords(aged)}</Text>}
      <Fold summary="Is it still as strong?" quiet>
        <TestForm bottle={bottle} months={monthsSince(bottle.addedAt, new Date(now))} />
      </Fold>
    </>
  );
}

/** Share of a bottle under which another is worth buying. */
const NEARLY_EMPTY = 0.2;

function Left({ left, sizeMl, kind }: Shelved) {
  const amount = useAmount();
  const unit = unitOf(kind);
  if (left === null) return <Text>How much is in it is not known.</Text>;
  return (
    <Text>
      <Text as="span" fontFamily="mono" fontSize="24px">
        {left === 0 ? 'Empty' : amount(left, unit)}
      </Text>
      {left > 0 && ' left'}
      {sizeMl !== null && ` of ${amount(sizeMl, unit)}`}
      {sizeMl !== null && left > 0 && left < NEARLY_EMPTY * sizeMl && ', nearly empty'}
    </Text>
  );
}

/** The strength of a label, and by weight where the label counts in something else. */
function strengthOf({ strengthValue, strengthUnit }: Shelved): string {
  if (strengthValue === null || strengthUnit === null) return '';
  const words = strengthWords(strengthValue, strengthUnit);
  return strengthUnit === 'percentWW'
    ? words
    : `${words} (${peroxideStrength(strengthValue, strengthUnit).percentWW.toFixed(1)} % by weight)`;
}

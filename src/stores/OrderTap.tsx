'use client';

import { Box, Flex } from '@chakra-ui/react';
import { lastStep, nextStep, type OrderStep, type OrderTimes } from '@/core/mending/orderSteps';
import { AnswerForm } from '@/ui/AnswerForm';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { delayTheOrder, moveOnOrder, placeTheOrder, takeOrderStepBack, wantIt } from './actions';

const TAP: Record<Exclude<OrderStep, 'ordered'>, string> = {
  arrived: 'It is here',
  compared: 'Same as the old one',
  fitted: 'Fitted',
};
const BACK: Record<OrderStep, string> = {
  ordered: 'Not ordered after all',
  arrived: 'Not here after all',
  compared: 'It is another one',
  fitted: 'Not fitted after all',
};

/** What is done next about something on the list, and the way back. */
export function OrderTap({
  orderId,
  what,
  times,
  currency,
}: {
  orderId: string;
  what: string;
  times: OrderTimes;
  currency: string;
}) {
  const { wrong, busy, send } = useSend();
  const [next, last] = [nextStep(times), lastStep(times)];
  const place = (
    <AnswerForm
      draftKey={`order-${orderId}`}
      fields={[
        {
          name: 'price',
          label: 'Price with postage',
          kind: 'number',
          unit: currency,
          fixedUnit: true,
          half: true,
          optional: true,
        },
        {
          name: 'dueDays',
          label: 'Expected in',
          kind: 'number',
          unit: 'days',
          fixedUnit: true,
          half: true,
          optional: true,
        },
      ]}
      initial={{ price: '', dueDays: '' }}
      submit="It is ordered"
      done="Ordered; its price is booked."
      send={(values) => placeTheOrder({ ...values, orderId })}
    />
  );
  return (
    <Box>
      {next === 'ordered' && (
        <Fold quiet summary={`Ordered: ${what}`}>
          {place}
        </Fold>
      )}
      {next === 'arrived' && (
        <Fold quiet summary={`Comes on another day: ${what}`}>
          <AnswerForm
            draftKey={`delay-${orderId}`}
            fields={[
              { name: 'dueDays', label: 'Expected in', kind: 'number', unit: 'days', fixedUnit: true, half: true },
            ]}
            initial={{ dueDays: '' }}
            submit="Expect it then"
            done="Kept. What waits for it moves with it."
            send={(values) => delayTheOrder({ ...values, orderId })}
          />
        </Fold>
      )}
      <Flex gap="2" wrap="wrap" align="center">
        {next !== null && next !== 'ordered' && (
          <Button
            look="go"
            disabled={busy}
            aria-label={`${TAP[next]}: ${what}`}
            onClick={() =>
              send(
                (once) => moveOnOrder(once({ orderId, step: next })),
                () => say('Noted.'),
              )
            }
          >
            {TAP[next]}
          </Button>
        )}
        {last !== null ? (
          <Button
            look="bare"
            disabled={busy}
            aria-label={`${BACK[last]}: ${what}`}
            onClick={() =>
              send(
                (once) => takeOrderStepBack(once({ orderId })),
                () => say('Taken back.'),
              )
            }
          >
            {BACK[last]}
          </Button>
        ) : (
          <TakeThingBack what="order" id={orderId} name={what} />
        )}
      </Flex>
      <Wrong words={wrong} />
    </Box>
  );
}

/** Something that is to be bought. */
export function OrderForm({ machines }: { machines: readonly { value: string; label: string }[] }) {
  return (
    <AnswerForm
      draftKey="order"
      fields={[
        { name: 'what', label: 'What', half: true },
        {
          ...{ name: 'restorationId', label: 'For which machine', kind: 'choice', half: true },
          options: [{ value: '', label: 'the stores' }, ...machines],
        },
        { name: 'words', label: 'Where from, and what stands in meanwhile', optional: true },
      ]}
      initial={{ what: '', restorationId: '', words: '' }}
      submit="Put it on the list"
      done="On the list."
      send={({ restorationId = '', ...values }) => wantIt({ ...values, restorationId: restorationId || null })}
    />
  );
}

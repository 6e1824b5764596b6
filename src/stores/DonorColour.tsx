'use client';

import { Text } from '@chakra-ui/react';
import dynamic from 'next/dynamic';
import type { Srgb } from '@/core/colour/types';
import type { KnownSheet } from '@/core/picture/greySheetPlan';
import { useCloseFold } from '@/ui/Fold';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { measureDonorPart } from './actions';

/** Worked on in the browser alone. */
const ColourLater = dynamic(() => import('./ColourOfFile').then((part) => part.ColourOfFile));

/** Measures the colour of a part of a donor off a photograph. */
export function DonorColour({
  partId,
  what,
  cardSrgb,
  sheets,
}: {
  partId: string;
  what: string;
  cardSrgb: Srgb;
  sheets: readonly KnownSheet[];
}) {
  const close = useCloseFold();
  const { wrong, busy, send } = useSend();
  return (
    <>
      <Text color="soft" my="2" maxWidth="62ch">
        Washed and dry, beside a grey card in even light, out of the shine of lamps.
      </Text>
      <ColourLater
        title={what}
        cardSrgb={cardSrgb}
        sheets={sheets}
        busy={busy}
        submit="Keep this colour"
        onColour={(lab) =>
          send(
            (once) => measureDonorPart(once({ partId, lab })),
            () => {
              say('Kept with the part.');
              close();
            },
          )
        }
      />
      <Wrong words={wrong} />
    </>
  );
}

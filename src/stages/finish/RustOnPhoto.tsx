'use client';

import { Box, Flex, Image, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { Srgb } from '@/core/colour/types';
import type { Corners } from '@/core/picture/corners';
import type { KnownSheet } from '@/core/picture/greySheetPlan';
import type { Point } from '@/core/picture/picture';
import type { CardPatch } from '@/core/picture/spec';
import { Button } from '@/ui/Button';
import { MainAction } from '@/ui/MainAction';
import { photoUrl } from '@/ui/photoUrl';
import { FieldOnPhoto, firstCorners } from '@/ui/picture/FieldOnPhoto';
import { byHandWords, handCard } from '@/ui/picture/handCard';
import type { PhotoToMark } from '@/ui/picture/photoToMark';
import { shapesOf, specOf } from '@/ui/picture/shapes';
import { pixelsUrl } from '@/ui/pixelsUrl';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Working } from '@/ui/Working';
import { Wrong } from '@/ui/Wrong';
import type { RustSeen } from '@/workers/picture.worker';
import { usePictureWorker } from '@/workers/usePictureWorker';
import { keepShare } from './actions';

interface Props {
  rustId: string;
  photo: PhotoToMark;
  cardSrgb: Srgb;
  sheets: readonly KnownSheet[];
  /** Where it goes back to. */
  back: string;
}

const percent = (share: number) => `${(100 * share).toFixed(1)} %`;

/** How much of a face of metal is rusty: its corners are set, the card is found, and the rust is drawn. */
export function RustOnPhoto({ rustId, photo, cardSrgb, sheets, back }: Props) {
  const router = useRouter();
  const [found, setFound] = useState<CardPatch[] | 'looking'>('looking');
  const [corners, setCorners] = useState<Corners>(() => firstCorners(photo));
  const [grey, setGrey] = useState<Point>([0.1 * photo.width, 0.1 * photo.height]);
  const [seen, setSeen] = useState<RustSeen | null>(null);
  const { share, errors, run, stop } = usePictureWorker();
  const { wrong, busy, send } = useSend();
  useEffect(() => {
    void run('Looking for the card', (remote) => remote.find({ url: photoUrl(photo.id) }, cardSrgb, sheets)).then(
      (on) =>
        setFound(on ? specOf(shapesOf(on, cardSrgb, sheets), null).card.filter(({ kind }) => kind === 'known') : []),
    );
    return stop;
    // Once for each photograph: the hooks of the worker are new with every drawing.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [photo.id]);
  if (found === 'looking') return <Working share={null} words="Looking for the card" onStop={stop} />;
  const byHand = found.length === 0;
  const measure = async () => {
    const card = byHand ? handCard(grey, photo.width, cardSrgb) : found;
    setSeen((await run('Measuring the rust', (remote) => remote.rust(photoUrl(photo.id), card, corners))) ?? null);
  };
  return (
    <>
      <Text mb="2" maxWidth="62ch">
        {byHand ? `${byHandWords(cardSrgb)}.` : 'The card is found.'} Move the four corners onto the corners of the bare
        metal that is compared, before and after alike.
      </Text>
      <FieldOnPhoto
        photo={photo}
        what="the face of metal"
        corners={corners}
        cornersTitle="Face of metal"
        onChange={(moved) => {
          setCorners(moved);
          setSeen(null);
        }}
        {...(byHand && {
          marks: [{ title: 'Grey card', at: grey }],
          onMarks: ([at]: Point[]) => at && setGrey(at),
        })}
      />
      {share !== null && <Working share={null} words="Measuring the rust" onStop={stop} />}
      {seen && (
        <Flex gap="4" wrap="wrap" align="start" mt="3" aria-live="polite">
          <Image
            src={pixelsUrl(seen.pixels, seen.columns, seen.rows)}
            alt={`The face with its rust: ${percent(seen.share)} of it`}
            width="280px"
            borderWidth="1px"
            borderColor="line"
          />
          <Box flex="1 1 240px">
            <Text fontSize="28px" fontFamily="mono">
              {percent(seen.share)}
            </Text>
            <Text>
              of the face is rusty: between {percent(seen.low)} and {percent(seen.high)}, as half-covered places are
              counted. Dark pits: {percent(seen.pits)}.
            </Text>
          </Box>
        </Flex>
      )}
      <MainAction>
        {seen ? (
          <Button
            look="go"
            bench
            disabled={busy}
            onClick={() =>
              send(
                (once) =>
                  keepShare(
                    once({
                      ...{ rustId, photoId: photo.id, share: seen.share, low: seen.low },
                      ...{ high: seen.high, pits: seen.pits },
                    }),
                  ),
                () => {
                  say('Kept.');
                  router.push(back);
                },
              )
            }
          >
            Keep this share
          </Button>
        ) : (
          <Button look="go" bench disabled={share !== null} onClick={() => void measure()}>
            Measure the rust
          </Button>
        )}
      </MainAction>
      <Wrong words={[...errors, ...(wrong ?? [])]} />
    </>
  );
}

'use client';

import { Flex, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { Haze } from '@/core/finish/haze';
import type { PolishStep } from '@/core/finish/polish';
import { POLISH_STEPS } from '@/core/finish/polish';
import { NINE_IN_TEN_SD } from '@/core/numbers';
import type { Point } from '@/core/picture/picture';
import { Button } from '@/ui/Button';
import { LabelledBox } from '@/ui/LabelledBox';
import { MainAction } from '@/ui/MainAction';
import { photoUrl } from '@/ui/photoUrl';
import { FieldOnPhoto } from '@/ui/picture/FieldOnPhoto';
import type { PhotoToMark } from '@/ui/picture/photoToMark';
import { Select } from '@/ui/Select';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Working } from '@/ui/Working';
import { Wrong } from '@/ui/Wrong';
import { usePictureWorker } from '@/workers/usePictureWorker';
import { keepHaze } from './actions';

interface Props {
  restorationId: string;
  photo: PhotoToMark;
  pieces: readonly { value: string; label: string }[];
  /** The window that was measured last. */
  last: { name: string; pieceId: string | null } | null;
  back: string;
}

const TITLES = ['White, bare', 'Black, bare', 'White through it', 'Black through it'] as const;
const FIRST: readonly Point[] = [
  [0.3, 0.35],
  [0.45, 0.35],
  [0.3, 0.65],
  [0.45, 0.65],
];
const percent = (share: number) => `${(100 * share).toFixed(0)} %`;

/** How much of the contrast a window takes: four marks on printed stripes, half of them seen through it. */
export function HazeOnPhoto({ restorationId, photo, pieces, last, back }: Props) {
  const router = useRouter();
  const [places, setPlaces] = useState<Point[]>(() =>
    FIRST.map(([x, y]): Point => [x * photo.width, y * photo.height]),
  );
  const [seen, setSeen] = useState<Haze | null>(null);
  const [name, setName] = useState(last?.name ?? '');
  const [pieceId, setPieceId] = useState(last?.pieceId ?? '');
  const [after, setAfter] = useState<PolishStep | ''>('');
  const { share, errors, run, stop } = usePictureWorker();
  const { wrong, busy, send } = useSend();
  // Once for each photograph: the hooks of the worker are new with every drawing.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  useEffect(() => stop, [photo.id]);
  const measure = async () => {
    const [white, black, whiteThrough, blackThrough] = places as [Point, Point, Point, Point];
    const marks = { white, black, whiteThrough, blackThrough };
    setSeen((await run('Reading the contrast', (remote) => remote.haze(photoUrl(photo.id), marks))) ?? null);
  };
  return (
    <>
      <Text mb="2" maxWidth="62ch">
        Two marks onto the bare print, white and black; the other two onto white and black seen through the window, or
        in a glossy face.
      </Text>
      <FieldOnPhoto
        photo={photo}
        what="white and black, bare and through the window"
        corners={null}
        marks={TITLES.map((title, i) => ({ title, at: places[i]! }))}
        onMarks={(moved) => {
          setPlaces(places.map((place, i) => moved[i] ?? place));
          setSeen(null);
        }}
      />
      <Flex gap="3" wrap="wrap" mt="3" align="end">
        <LabelledBox
          label="Which window or face"
          placeholder="window of the lid"
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <label>
          <Text fontSize="15px">Piece</Text>
          <Select
            value={pieceId}
            options={[{ value: '', label: 'none named' }, ...pieces]}
            onChange={(event) => setPieceId(event.target.value)}
          />
        </label>
        <label>
          <Text fontSize="15px">Measured</Text>
          <Select
            value={after}
            options={[
              { value: '', label: 'before anything' },
              ...POLISH_STEPS.map((value) => ({ value, label: `after: ${value}` })),
            ]}
            onChange={(event) => setAfter(event.target.value as PolishStep | '')}
          />
        </label>
      </Flex>
      {share !== null && <Working share={null} words="Reading the contrast" onStop={stop} />}
      {seen && (
        <Text aria-live="polite" mt="3">
          <Text as="span" fontSize="28px" fontFamily="mono">
            {percent(seen.haze)}
          </Text>{' '}
          of the contrast is lost, give or take {percent(NINE_IN_TEN_SD * seen.sd)}.
        </Text>
      )}
      <MainAction>
        {seen ? (
          <Button
            look="go"
            bench
            disabled={busy}
            onClick={() =>
              send(
                (once) => keepHaze(once({ ...{ restorationId, pieceId, photoId: photo.id, name, after }, ...seen })),
                () => {
                  say('Kept.');
                  router.push(back);
                },
              )
            }
          >
            Keep this haze
          </Button>
        ) : (
          <Button look="go" bench disabled={share !== null} onClick={() => void measure()}>
            Read the contrast
          </Button>
        )}
      </MainAction>
      <Wrong words={[...errors, ...(wrong ?? [])]} />
    </>
  );
}

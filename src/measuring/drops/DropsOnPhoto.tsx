'use client';

import { Flex, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { Srgb } from '@/core/colour/types';
import { BASE_G, type DropUse } from '@/core/finish/dropUses';
import type { KnownSheet } from '@/core/picture/greySheetPlan';
import type { Point } from '@/core/picture/picture';
import type { CardPatch } from '@/core/picture/spec';
import { viewHref } from '@/core/runsheet/views';
import { withPoint } from '@/core/units';
import { Button } from '@/ui/Button';
import { LabelledBox } from '@/ui/LabelledBox';
import { MainAction } from '@/ui/MainAction';
import { photoUrl } from '@/ui/photoUrl';
import { byHandWords, handCard } from '@/ui/picture/handCard';
import { FieldOnPhoto } from '@/ui/picture/FieldOnPhoto';
import type { PhotoToMark } from '@/ui/picture/photoToMark';
import { shapesOf, specOf } from '@/ui/picture/shapes';
import { Select } from '@/ui/Select';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Working } from '@/ui/Working';
import { Wrong } from '@/ui/Wrong';
import { usePictureWorker } from '@/workers/usePictureWorker';
import { keepDrop } from '../actions';
import { USE_WORDS } from './useWords';

interface Props {
  restorationId: string;
  use: DropUse;
  photo: PhotoToMark;
  cardSrgb: Srgb;
  sheets: readonly KnownSheet[];
  pieces: readonly { value: string; label: string }[];
  /** What went into each base before. */
  pigments: Readonly<Record<string, readonly string[]>>;
  /** The drop before: the next is mostly of the same base for the same piece. */
  last: { base: string; pieceId: string | null } | null;
  /** How many drops were kept off this photograph. */
  kept: number;
}

const isNumber = (typed: string) => typed.trim() === '' || Number(withPoint(typed)) >= 0;

/** One test drop after another on a photograph: what is in it, its colour, and the plastic beside it. */
export function DropsOnPhoto({ restorationId, use, photo, cardSrgb, sheets, pieces, pigments, last, kept }: Props) {
  const words = USE_WORDS[use];
  const router = useRouter();
  const [found, setFound] = useState<CardPatch[] | 'looking'>('looking');
  const [places, setPlaces] = useState<Point[]>(() =>
    [
      [0.5, 0.5],
      [0.5, 0.6],
      [0.2, 0.2],
    ].map(([x, y]): Point => [x! * photo.width, y! * photo.height]),
  );
  const [base, setBase] = useState(last?.base ?? '');
  const [pieceId, setPieceId] = useState(last?.pieceId ?? '');
  const [amounts, setAmounts] = useState<Record<string, string>>({});
  const [another, setAnother] = useState({ name: '', drops: '' });
  const { share, errors, setErrors, run, stop } = usePictureWorker();
  const { wrong, busy, send } = useSend();
  useEffect(() => {
    void run('Looking for the card', (remote) => remote.find({ url: photoUrl(photo.id) }, cardSrgb, sheets)).then(
      (seen) =>
        setFound(
          seen ? specOf(shapesOf(seen, cardSrgb, sheets), null).card.filter(({ kind }) => kind === 'known') : [],
        ),
    );
    return stop;
    // Once for each photograph: the hooks of the worker are new with every drawing.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [photo.id]);
  if (found === 'looking') return <Working share={null} words="Looking for the card" onStop={stop} />;
  const byHand = found.length === 0;
  const known = pigments[base.trim()] ?? [];
  const titles = [words.one === 'drop' ? 'Drop' : 'Test card', words.beside, ...(byHand ? ['Grey card'] : [])];
  const card = byHand ? handCard(places[2]!, photo.width, cardSrgb) : found;
  const keep = async () => {
    const mixed = { ...amounts, ...(another.name.trim() !== '' && { [another.name.trim()]: another.drops }) };
    const odd = Object.entries(mixed).find(([, typed]) => !isNumber(typed));
    if (odd || (another.name.trim() === '' && another.drops.trim() !== '')) {
      setErrors([odd ? `${odd[0]}: a number of drops from 0 on.` : `Say which ${words.adds} the drops are of.`]);
      return;
    }
    const colours = await run('Reading the colours', (remote) =>
      remote.drop(photoUrl(photo.id), card, places[0]!, places[1]!),
    );
    if (!colours) return;
    await send(
      (once) =>
        keepDrop(
          once({
            ...{ restorationId, pieceId, use, base, ...colours, photoId: photo.id },
            amounts: Object.fromEntries(
              Object.entries(mixed).flatMap(([id, typed]) =>
                typed.trim() === '' ? [] : [[id, Number(withPoint(typed))]],
              ),
            ),
          }),
        ),
      () => {
        say(`Kept. Move the marks onto the next ${words.one}.`);
        setAmounts({});
        setAnother({ name: '', drops: '' });
      },
    );
  };
  return (
    <>
      <Text mb="2" maxWidth="62ch">
        {byHand
          ? `${byHandWords(cardSrgb)}, and the other two onto a ${words.one} and the ${words.side} beside it.`
          : `The grey card is found. Move one mark into the middle of a ${words.one}, the other onto the ${words.side} beside it.`}
      </Text>
      <FieldOnPhoto
        photo={photo}
        what={`a ${words.one} and what it is to match`}
        corners={null}
        marks={titles.map((title, i) => ({ title, at: places[i]! }))}
        onMarks={(moved) => setPlaces(places.map((place, i) => moved[i] ?? place))}
      />
      <Flex gap="3" wrap="wrap" mt="3" align="end">
        <LabelledBox
          label={words.into}
          placeholder={words.like}
          value={base}
          onChange={(event) => setBase(event.target.value)}
        />
        <label>
          <Text fontSize="15px">To match</Text>
          <Select
            value={pieceId}
            options={[{ value: '', label: 'no piece' }, ...pieces]}
            onChange={(event) => setPieceId(event.target.value)}
          />
        </label>
        {known.map((pigment) => (
          <LabelledBox
            key={pigment}
            label={`${pigment}, drops in ${BASE_G} g`}
            inputMode="decimal"
            figures
            placeholder="0"
            value={amounts[pigment] ?? ''}
            onChange={(event) => setAmounts({ ...amounts, [pigment]: event.target.value })}
          />
        ))}
        <LabelledBox
          label={known.length > 0 ? `Another ${words.adds}` : words.adds === 'pigment' ? 'Pigment' : 'A paint in it'}
          placeholder="none"
          value={another.name}
          onChange={(event) => setAnother({ ...another, name: event.target.value })}
        />
        <LabelledBox
          label={`Its drops in ${BASE_G} g`}
          inputMode="decimal"
          figures
          placeholder="0"
          value={another.drops}
          onChange={(event) => setAnother({ ...another, drops: event.target.value })}
        />
      </Flex>
      {kept > 0 && (
        <Text mt="2" color="soft">
          Kept off this photograph: {kept}
        </Text>
      )}
      {share !== null && <Working share={null} words="Reading the colours" onStop={stop} />}
      <MainAction>
        <Button look="go" bench disabled={busy || share !== null} onClick={() => void keep()}>
          Keep this {words.one}
        </Button>
        <Button bench onClick={() => router.push(viewHref(restorationId, words.stage, words.view))}>
          To the mixture
        </Button>
      </MainAction>
      <Wrong words={[...errors, ...(wrong ?? [])]} />
    </>
  );
}

'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { labToCss, srgbToLab } from '@/core/colour/lab';
import type { Lab, Srgb } from '@/core/colour/types';
import type { KnownSheet } from '@/core/picture/greySheetPlan';
import type { Point } from '@/core/picture/picture';
import type { CardPatch } from '@/core/picture/spec';
import { Button } from '@/ui/Button';
import { FileButton } from '@/ui/FileButton';
import { Working } from '@/ui/Working';
import { Wrong } from '@/ui/Wrong';
import { usePictureWorker } from '@/workers/usePictureWorker';
import { byHandWords, handCard } from '@/ui/picture/handCard';
import { MarksOnPicture } from '@/ui/picture/FieldOnPhoto';
import { shapesOf, specOf } from '@/ui/picture/shapes';

interface Props {
  /** What the mark is moved onto. */
  title: string;
  cardSrgb: Srgb;
  sheets: readonly KnownSheet[];
  busy: boolean;
  /** Takes the colour once somebody has looked at it. */
  onColour: (lab: Lab) => void;
  submit: string;
}

interface Opened {
  file: File;
  url: string;
  width: number;
  height: number;
  card: CardPatch[];
}

/** The colour of something by a photograph with the card, which is read here and kept nowhere. */
export function ColourOfFile({ title, cardSrgb, sheets, busy, onColour, submit }: Props) {
  const [opened, setOpened] = useState<Opened | null>(null);
  const [places, setPlaces] = useState<Point[]>([]);
  const [lab, setLab] = useState<Lab | null>(null);
  const { share, errors, run, stop } = usePictureWorker();
  const url = opened?.url;
  useEffect(() => () => (url ? URL.revokeObjectURL(url) : undefined), [url]);
  const open = async (file: File) => {
    setLab(null);
    const seen = await run('Looking for the card', (remote) => remote.findOn(file, cardSrgb, sheets));
    if (!seen) return;
    const { width, height, found } = seen;
    const card = specOf(shapesOf(found, cardSrgb, sheets), null).card.filter(({ kind }) => kind === 'known');
    setPlaces([
      [0.5 * width, 0.5 * height],
      [0.2 * width, 0.2 * height],
    ]);
    setOpened({ ...{ file, width, height, card }, url: URL.createObjectURL(file) });
  };
  const byHand = opened?.card.length === 0;
  const titles = [title, ...(byHand ? ['Grey card'] : [])];
  const read = async () => {
    const { file, width, card } = opened!;
    const colour = await run('Reading the colour', (remote) =>
      remote.colour(file, byHand ? handCard(places[1]!, width, cardSrgb) : card, { title, at: places[0]! }),
    );
    setLab(colour ? srgbToLab(colour) : null);
  };
  return (
    <>
      <FileButton
        label={`Photograph of: ${title}`}
        accept="image/*"
        busy={share !== null}
        onFile={(file) => void open(file)}
      >
        Take a photograph with the card
      </FileButton>
      {share !== null && <Working share={null} words="Reading the picture" onStop={stop} />}
      {opened && (
        <Box mt="3">
          <Text mb="2" maxWidth="62ch">
            {byHand
              ? `${byHandWords(cardSrgb)}, and the other into the middle of what is measured.`
              : 'The card is found. Move the mark into the middle of what is measured, out of edges and shine.'}
          </Text>
          <MarksOnPicture
            picture={{ ...opened, small: opened.url, original: opened.url, name: opened.file.name }}
            what={title}
            marks={titles.map((one, i) => ({ title: one, at: places[i]! }))}
            onMarks={(moved) => {
              setPlaces(places.map((place, i) => moved[i] ?? place));
              setLab(null);
            }}
          />
          <Flex gap="3" mt="3" wrap="wrap" align="center" aria-live="polite">
            {lab === null ? (
              <Button look="go" bench disabled={share !== null} onClick={() => void read()}>
                Read the colour
              </Button>
            ) : (
              <>
                <Box aria-hidden width="56px" height="44px" borderRadius="4px" style={{ background: labToCss(lab) }} />
                <Text fontFamily="mono">
                  L* {lab[0].toFixed(1)}, a* {lab[1].toFixed(1)}, b* {lab[2].toFixed(1)}
                </Text>
                <Button look="go" bench disabled={busy} onClick={() => onColour(lab)}>
                  {submit}
                </Button>
              </>
            )}
          </Flex>
        </Box>
      )}
      <Wrong words={errors} />
    </>
  );
}

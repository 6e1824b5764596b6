'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { srgbToLab } from '@/core/colour/lab';
import type { Srgb } from '@/core/colour/types';
import { MOST_SHEETS, type FoundSheet, type SheetGreys } from '@/core/picture/greySheetPlan';
import { showTime } from '@/core/runsheet/time';
import type { GreySheetRow } from '@/data/rows';
import { Button } from '@/ui/Button';
import { FileButton } from '@/ui/FileButton';
import { Part } from '@/ui/layout';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Working } from '@/ui/Working';
import { Wrong } from '@/ui/Wrong';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { usePictureWorker } from '@/workers/usePictureWorker';
import { keepGreys } from './actions';
import { CardPatchFields } from './CardPatchFields';
import { GreysLaid } from './GreysLaid';
import { PictureBoard, type View } from '@/ui/picture/PictureBoard';
import { newShape, specOf, type Shape } from '@/ui/picture/shapes';

interface Props {
  calibrations: readonly GreySheetRow[];
  timeZone: string;
  /** The colour that this workshop's card was given last. */
  cardSrgb: Srgb;
}

/** The printed sheets of greys: print one, say once what its greys are by a photograph beside a known card. */
export function GreysPart({ calibrations, timeZone, cardSrgb }: Props) {
  const counting = calibrations.filter(({ number }, i) => calibrations.findIndex((one) => one.number === number) === i);
  const next = Math.min(MOST_SHEETS, 1 + Math.max(0, ...counting.map(({ number }) => number)));
  const prints = [...new Set([next, ...counting.map(({ number }) => number)])].sort((a, b) => a - b);
  return (
    <>
      <Text maxWidth="62ch" mb="4">
        One grey card undoes the colour of the light; several greys, one of them about as light as the plastic, undo
        more. Kvell prints them, finds them in each photograph, and knows what they are once it has seen them beside a
        card whose colour is known.
      </Text>
      <Grid templateColumns={{ base: '1fr', lg: 'minmax(0, 1fr) 420px' }} gap="6" alignItems="start">
        <Box>
          <Flex gap="2" wrap="wrap" mb="4">
            {prints.map((number) => (
              <Button key={number} asChild look={counting.length === 0 ? 'go' : 'quiet'}>
                <a href={`/api/workshop/greys?number=${number}`} download>
                  Print sheet {number}
                </a>
              </Button>
            ))}
          </Flex>
          <Calibrate cardSrgb={cardSrgb} />
          {counting.length > 0 && (
            <Part title="What the sheets are">
              {calibrations.map(({ id, number, greys, at }) => (
                <Flex key={id} borderTopWidth="1px" borderColor="line" py="2" gap="3" align="center" wrap="wrap">
                  <Text fontWeight="650" minWidth="76px">
                    Sheet {number}
                  </Text>
                  <Greys greys={greys} />
                  <Text color="soft" flex="1 1 160px">
                    {showTime(at, timeZone)}
                    {counting.some((one) => one.id === id) ? '' : ', no longer counts'}
                  </Text>
                  <TakeThingBack what="sheet" id={id} name={`calibration of sheet ${number}`} />
                </Flex>
              ))}
            </Part>
          )}
        </Box>
        <GreysLaid />
      </Grid>
    </>
  );
}

/** Greys as they were found, with their lightness. */
function Greys({ greys }: { greys: SheetGreys }) {
  return (
    <Flex as="ul" listStyleType="none" gap="1" wrap="wrap">
      {greys.map((srgb, i) => (
        <Box as="li" key={i} width="58px" textAlign="center">
          <Box
            height="30px"
            borderWidth="1px"
            borderColor="lineStrong"
            style={srgb ? { background: `rgb(${srgb.map(Math.round).join()})` } : {}}
          />
          <Text fontFamily="mono" fontSize="14px">
            {srgb ? `L* ${Math.round(srgbToLab(srgb)[0])}` : 'not told'}
          </Text>
        </Box>
      ))}
    </Flex>
  );
}

interface Seen {
  url: string;
  file: File;
  width: number;
  height: number;
  sheet: FoundSheet;
}

function Calibrate({ cardSrgb }: { cardSrgb: Srgb }) {
  const { share, errors, setErrors, run, stop } = usePictureWorker();
  const { wrong, busy, send } = useSend();
  const [seen, setSeen] = useState<Seen | null>(null);
  const [shapes, setShapes] = useState<Shape[]>([]);
  const [view, setView] = useState<View>({ x: 0, y: 0, width: 1, height: 1 });
  const [found, setFound] = useState<{ number: number; greys: SheetGreys } | null>(null);
  const url = seen?.url;
  useEffect(() => () => (url ? URL.revokeObjectURL(url) : undefined), [url]);

  async function look(file: File) {
    setFound(null);
    setSeen(null);
    const picture = await run('Looking for the sheet', (remote) => remote.findSheet(file));
    if (!picture) return;
    const { width, height, sheet } = picture;
    if (!sheet) {
      setErrors([
        'No sheet of greys is found in this picture. Show all of it with its white rim, flat, in even light and large enough.',
      ]);
      return;
    }
    const whole = { x: 0, y: 0, width, height };
    setView(whole);
    setSeen({ url: URL.createObjectURL(file), file, width, height, sheet });
    setShapes([newShape('card', whole, 0, cardSrgb)]);
  }
  async function calibrate() {
    if (!seen) return;
    const done = await run('The calibration', (remote) => remote.calibrate(seen.file, specOf(shapes, null).card));
    if (done) setFound({ number: done.number, greys: done.greys });
  }
  const change = (next: Shape[]) => {
    setShapes(next);
    setFound(null);
  };
  return (
    <Part title="Calibrate a sheet">
      <Text mb="3" maxWidth="60ch">
        Lay the sheet and a card whose colour you know close together, flat, in daylight without sun. The photograph is
        read here and not kept.
      </Text>
      <FileButton
        label="Photograph of sheet and card"
        accept="image/*"
        busy={share !== null && !seen}
        onFile={(file) => void look(file)}
      >
        {seen ? 'Another photograph' : 'Choose the photograph'}
      </FileButton>
      {share !== null && <Working share={share} words="Working on the picture." onStop={stop} />}
      {errors.map((message) => (
        <Box key={message} role="alert" borderLeftWidth="8px" borderColor="hazard" pl="3" my="3">
          {message}
        </Box>
      ))}
      {seen && (
        <Box mt="3">
          <Text mb="2">
            Sheet {seen.sheet.number} is found. Drag the frame onto the card, well inside its rim, and say its colour;
            one frame for each patch that you know.
          </Text>
          <PictureBoard
            width={seen.width}
            height={seen.height}
            small={seen.url}
            original={seen.url}
            alt={`Photograph ${seen.file.name} of a sheet of greys`}
            shapes={shapes}
            holes={[seen.sheet.corners]}
            onChange={change}
            heats={[]}
            onView={setView}
          />
          <Box my="3">
            {shapes.map((shape) => (
              <CardPatchFields
                key={shape.id}
                shape={shape}
                paperToo={false}
                onChange={(next) => change(shapes.map((s) => (s.id === next.id ? next : s)))}
                onRemove={() => change(shapes.filter(({ id }) => id !== shape.id))}
              />
            ))}
            <Button onClick={() => change([...shapes, newShape('card', view, shapes.length, cardSrgb)])}>
              One more patch
            </Button>
          </Box>
          {found ? (
            <Box aria-live="polite">
              <Greys greys={found.greys} />
              {found.greys.includes(null) && (
                <Text color="soft" my="2">
                  What is much lighter or darker than the card is not told by it: cameras bend there. More patches on
                  the card tell more.
                </Text>
              )}
              <Button
                look="go"
                bench
                width="100%"
                disabled={busy}
                mt="3"
                onClick={() =>
                  send(
                    (once) => keepGreys(once({ number: found.number, greys: found.greys })),
                    () => {
                      say(`Sheet ${found.number} is known now.`);
                      setSeen(null);
                      setFound(null);
                    },
                  )
                }
              >
                Keep these greys
              </Button>
              <Wrong words={wrong} />
            </Box>
          ) : (
            <Button
              look="go"
              bench
              width="100%"
              disabled={share !== null || shapes.length === 0}
              onClick={() => void calibrate()}
            >
              Read the greys
            </Button>
          )}
        </Box>
      )}
    </Part>
  );
}

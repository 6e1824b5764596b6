'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Typed';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import type { Srgb } from '@/core/colour/types';
import type { Went } from '@/core/fade/unevenness';
import type { KnownSheet } from '@/core/picture/greySheetPlan';
import type { Stage } from '@/core/runsheet/stages';
import type { Photo, Piece } from '@/data/rows';
import { EmptyPlace } from '@/ui/layout';
import { PhotoStrip } from '@/ui/PhotoStrip';
import { PhotoUpload } from '@/ui/PhotoUpload';
import { photoUrl } from '@/ui/photoUrl';
import { Fold } from '@/ui/Fold';
import { TextLink } from '@/ui/links';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { Working } from '@/ui/Working';
import { keepReading } from './actions';
import { CardPatchFields } from './CardPatchFields';
import { PictureBoard, type View } from '@/ui/picture/PictureBoard';
import { GreysLaid } from './GreysLaid';
import {
  missingWords,
  newShape,
  SHAPE_WORDS,
  shapesOf,
  sheetWords,
  specOf,
  type Shape,
  type ShapeKind,
} from '@/ui/picture/shapes';
import { useMeasurement } from './useMeasurement';
import { Check } from '@/ui/Check';
import { Select } from '@/ui/Select';

// What is read comes when something was measured.
const ReadingPanel = dynamic(() => import('./ReadingPanel').then((part) => part.ReadingPanel));
const VerdictLine = dynamic(() => import('./ReadingPanel').then((part) => part.VerdictLine));

interface Props {
  piece: Piece;
  stage: Stage;
  photo: Photo | null;
  photos: readonly Photo[];
  /** When the photograph was taken, as far as anybody knows, as a time in the workshop's zone. */
  takenAt: string;
  /** What the piece went through last before that. */
  went: Went;
  /** The colour that this workshop's card was given last. */
  cardSrgb: Srgb;
  /** What its printed sheets of greys are known to be. */
  sheets: readonly KnownSheet[];
}

/** Measure a piece from a photograph: choose or take it, mark card, piece and hidden patch, measure, keep. */
export function MeasureScreen({ piece, stage, photo, photos, takenAt, went, cardSrgb, sheets }: Props) {
  const router = useRouter();
  const here = `/restorations/${piece.restorationId}/pieces/${piece.id}/measure?stage=${stage}`;
  const choose = (id: string) => `${here}&photo=${id}`;
  if (photo)
    return (
      <Marking
        key={photo.id}
        piece={piece}
        stage={stage}
        photo={photo}
        photos={photos}
        takenAt={takenAt}
        went={went}
        cardSrgb={cardSrgb}
        sheets={sheets}
      />
    );
  return (
    <Box>
      <EmptyPlace>
        Lay greys beside the piece, in the same light, with its hidden patch in view: a grey card, better two greys one
        of which is about as light as the plastic, or the sheet that Kvell prints. No flash, no glare. Then take or
        choose the photograph.
      </EmptyPlace>
      <Fold summary="How to lay them">
        <GreysLaid />
        <Text mt="2">
          <TextLink href="/workshop/greys">Print a sheet of greys</TextLink>, once for the workshop.
        </Text>
      </Fold>
      <Box mt="4">
        <PhotoUpload
          restorationId={piece.restorationId}
          stage={stage}
          pieceId={piece.id}
          onAdded={([first]) => first && router.push(choose(first))}
        />
      </Box>
      {photos.length > 0 && (
        <>
          <Text mt="6" fontWeight="650">
            Or one that is here already
          </Text>
          <PhotoStrip
            photos={photos.map(({ id, originalName, stage: taken }) => ({
              id,
              alt: `Measure on ${originalName}`,
              under: `${taken} · ${originalName}`,
            }))}
            href={choose}
          />
        </>
      )}
    </Box>
  );
}

function Marking({ piece, stage, photo, photos, takenAt: known, went, cardSrgb, sheets }: Props & { photo: Photo }) {
  const [takenAt, setTakenAt] = useState(known);
  const router = useRouter();
  const [shapes, setShapes] = useState<Shape[]>([]);
  const [view, setView] = useState<View>({ x: 0, y: 0, width: photo.width, height: photo.height });
  const [showHeat, setShowHeat] = useState(true);
  const [flat, setFlat] = useState('');
  const [foundWords, setFoundWords] = useState('');
  const { share, reading, errors, measure, find, stop, forget } = useMeasurement();
  const { wrong, busy, send } = useSend();
  const has = (kind: ShapeKind) => shapes.some((shape) => shape.kind === kind);
  const change = (next: Shape[]) => {
    setShapes(next);
    if (reading) forget();
  };
  const add = (kind: ShapeKind) =>
    change([...shapes, newShape(kind, view, shapes.filter((shape) => shape.kind === kind).length, cardSrgb)]);
  const measureThese = (these: readonly Shape[]) =>
    void measure(
      photoUrl(photo.id),
      { ...specOf(these, piece.hiddenLab), ...(flat && { flatField: flat }) },
      flat ? photoUrl(flat) : undefined,
    );
  /** Looks for all that is to be outlined; where nothing is missing it is measured at once, and somebody looks it over. */
  async function findAll() {
    const found = await find(photoUrl(photo.id), cardSrgb, sheets);
    if (!found) return;
    const these = shapesOf(found, cardSrgb, sheets);
    const missing = missingWords(found, piece.hiddenLab !== null);
    change(these);
    setFoundWords(
      [
        sheetWords(found.sheet, sheets),
        missing || 'Found by itself. Check that each frame lies where it belongs; if not, drag its corners.',
      ]
        .filter(Boolean)
        .join(' '),
    );
    if (missing === '') measureThese(these);
  }
  const begun = useRef(false);
  useEffect(() => {
    if (begun.current) return;
    begun.current = true;
    void findAll();
    // Once for a photograph: what is put on by hand afterwards is not looked for again.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  const keepIt = () =>
    reading &&
    send(
      (once) =>
        keepReading(
          once({ pieceId: piece.id, photoId: photo.id, stage, spec: reading.spec, result: reading.result, takenAt }),
        ),
      () => {
        say('Measurement kept.');
        router.push(`/restorations/${piece.restorationId}/pieces/${piece.id}`);
      },
    );
  const sheet = shapes.find((shape) => shape.sheet !== undefined)?.sheet;
  const holes = reading?.spec.regions.find(({ id }) => id === 'piece')?.holes ?? [];
  return (
    <Grid templateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1.75fr) minmax(320px, 1fr)' }} gap="6">
      <Box>
        <PictureBoard
          width={photo.width}
          height={photo.height}
          small={photoUrl(photo.id, 'large')}
          original={photoUrl(photo.id)}
          alt={`Photograph ${photo.originalName} of ${piece.name}`}
          shapes={shapes}
          holes={holes}
          onChange={change}
          heats={showHeat && reading ? reading.heats : []}
          onView={setView}
        />
        {reading && <VerdictLine result={reading.result} heat={showHeat} />}
      </Box>
      <Box>
        {share !== null && <Working share={share} words="Working on the picture." onStop={stop} />}
        {foundWords && share === null && (!reading || sheet !== undefined) && <Text mb="3">{foundWords}</Text>}
        {errors.map((message) => (
          <Box key={message} role="alert" borderLeftWidth="8px" borderColor="hazard" pl="3" mb="3">
            {message}
          </Box>
        ))}
        {reading && (
          <>
            <Box as="label" display="block" mb="3">
              <Text fontSize="15px">Photographed at: what is measured counts for then</Text>
              <TextBox type="datetime-local" value={takenAt} onChange={(event) => setTakenAt(event.target.value)} />
            </Box>
            <Button look="go" bench width="100%" disabled={busy} onClick={keepIt}>
              Keep this measurement
            </Button>
            <Wrong words={wrong} />
            {holes.length > 0 && (
              <Text color="soft" fontSize="15px" mt="2">
                {holes.length === 1 ? 'One part' : `${holes.length} parts`} inside the outline{' '}
                {holes.length === 1 ? 'is' : 'are'} left out: not the plastic along its edge.
              </Text>
            )}
            <Check checked={showHeat} onChange={(checked) => setShowHeat(checked)}>
              Show the map on the picture
            </Check>
            <ReadingPanel result={reading.result} went={went} />
          </>
        )}
        <Frames title={reading ? 'Frames on the picture' : null}>
          <Box as="ol" listStyleType="none" mb="4">
            {(['card', 'piece', 'hidden'] as const).map((kind, i) => (
              <Flex as="li" key={kind} gap="3" align="start" borderTopWidth="1px" borderColor="line" py="2">
                <Text fontFamily="mono" fontSize="22px">
                  {i + 1}
                </Text>
                <Box flex="1">
                  <Text fontWeight="650">{SHAPE_WORDS[kind].title}</Text>
                  <Text fontSize="15px" color="soft">
                    {kind === 'hidden' && piece.hiddenLab && !has('hidden')
                      ? 'Known from an earlier measurement; mark it again where the picture shows it.'
                      : SHAPE_WORDS[kind].how}
                  </Text>
                </Box>
                {has(kind) && kind !== 'card' ? (
                  <Button
                    aria-label={`Take off: ${SHAPE_WORDS[kind].title}`}
                    onClick={() => change(shapes.filter((shape) => shape.kind !== kind))}
                  >
                    Take off
                  </Button>
                ) : (
                  <Button
                    look={has(kind) ? 'quiet' : 'go'}
                    onClick={() => add(kind)}
                    aria-label={
                      kind === 'card' && has('card') ? 'One more Grey card patch' : `Put on: ${SHAPE_WORDS[kind].title}`
                    }
                  >
                    {kind === 'card' && has('card') ? 'One more' : 'Put on'}
                  </Button>
                )}
              </Flex>
            ))}
          </Box>
          {shapes
            .filter(({ kind, sheet }) => kind === 'card' && sheet === undefined)
            .map((shape) => (
              <CardPatchFields
                key={shape.id}
                shape={shape}
                onChange={(next) => change(shapes.map((s) => (s.id === next.id ? next : s)))}
                onRemove={() => change(shapes.filter(({ id }) => id !== shape.id))}
              />
            ))}
          {sheet !== undefined && (
            <Flex justify="space-between" align="center" gap="2" borderTopWidth="1px" borderColor="line" py="2" mb="3">
              <Text fontWeight="650">Sheet of greys {sheet}</Text>
              <Button
                look="bare"
                onClick={() => change(shapes.filter((shape) => shape.sheet === undefined))}
                aria-label={`Take off: sheet of greys ${sheet}`}
              >
                Take off
              </Button>
            </Flex>
          )}
          {share === null && !reading && (
            <Button width="100%" mb="3" onClick={() => void findAll()}>
              Look for all of it again
            </Button>
          )}
          {photos.length > 1 && !reading && (
            <Box as="label" display="block" mb="3">
              <Text fontSize="15px">Even the light by a picture of a plain sheet, if one was taken</Text>
              <Select
                value={flat}
                onChange={(event) => setFlat(event.target.value)}
                options={[
                  { value: '', label: 'none was taken' },
                  ...photos
                    .filter(({ id }) => id !== photo.id)
                    .map(({ id, originalName }) => ({ value: id, label: originalName })),
                ]}
              />
            </Box>
          )}
          {share === null && !reading && (
            <Button look="go" bench width="100%" disabled={!has('piece')} onClick={() => measureThese(shapes)}>
              Measure
            </Button>
          )}
        </Frames>
      </Box>
    </Grid>
  );
}

/** The frames by name: open while they are put on, folded away once there is something to read. */
function Frames({ title, children }: { title: string | null; children: React.ReactNode }) {
  return title === null ? <>{children}</> : <Fold summary={title}>{children}</Fold>;
}

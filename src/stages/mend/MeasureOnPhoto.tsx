'use client';

import { Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import type { Size } from '@/core/mending/marks/sizes';
import { MARKS_OF, SIZE_KINDS, UNIT_OF, type SizeKind } from '@/core/mending/marks/sizeKinds';
import { NINE_IN_TEN_SD } from '@/core/numbers';
import type { Point } from '@/core/picture/picture';
import type { PhotoToMark } from '@/ui/picture/photoToMark';
import { Button } from '@/ui/Button';
import { Chips } from '@/ui/Chips';
import { LabelledBox } from '@/ui/LabelledBox';
import { MainAction } from '@/ui/MainAction';
import { photoUrl } from '@/ui/photoUrl';
import { FieldOnPhoto, type NamedMark } from '@/ui/picture/FieldOnPhoto';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Working } from '@/ui/Working';
import { Wrong } from '@/ui/Wrong';
import { usePictureWorker } from '@/workers/usePictureWorker';
import { keepSize } from './actions';
import { overOf, scaleOf } from './scale';
import { ScalePart, useScale } from './useScale';

const WORDS: Record<SizeKind, string> = { length: 'Length', round: 'Round thing', angle: 'Angle', area: 'Face' };
const HOW: Record<SizeKind, string> = {
  length: 'Move both marks near the edges that it is measured between: each is drawn to its edge.',
  round: 'Move the mark into the hole, or onto the round thing: its circle is found.',
  angle: 'Move the middle mark to the corner, the other two along its sides.',
  area: 'Move the mark onto the face: it is found to its edge, holes and all that is of another colour left in.',
};
const TITLES: Record<SizeKind, readonly string[]> = {
  length: ['One end', 'Other end'],
  round: ['Round thing'],
  angle: ['One side', 'Corner', 'Other side'],
  area: ['Face'],
};

/** Where the marks lie before a hand has moved them. */
function firstMarks(kind: SizeKind, { width, height }: PhotoToMark): Point[] {
  const n = MARKS_OF[kind];
  return Array.from({ length: n }, (_, i) => [
    ((i + 1) * width) / (n + 1),
    (kind === 'angle' && i === 1 ? 0.6 : 0.5) * height,
  ]);
}

const digits = ({ kind, sd }: Size) => (kind === 'area' ? 0 : sd < 0.03 ? 2 : 1);

/** Sizes on a photograph: what is measured, its marks, and how sure it is. */
export function MeasureOnPhoto({
  restorationId,
  photo,
  bar,
}: {
  restorationId: string;
  photo: PhotoToMark;
  bar: string;
}) {
  const scaled = useScale(photo, bar);
  const { scale, setScale, looked } = scaled;
  const [kind, setKind] = useState<SizeKind>('length');
  const [marks, setMarks] = useState<Point[]>(() => firstMarks('length', photo));
  const [over, setOver] = useState('');
  const [name, setName] = useState('');
  const [found, setFound] = useState<Size | null>(null);
  const { share, errors, setErrors, run, stop } = usePictureWorker();
  const { wrong, busy, send } = useSend();
  const anew = (change: () => void) => {
    setFound(null);
    change();
  };
  const measure = async () => {
    const [by, overMm] = [scaleOf(scale), overOf(over)];
    if (typeof by === 'string' || typeof overMm === 'string') {
      setErrors([by, overMm].filter((one) => typeof one === 'string'));
      return;
    }
    const size = await run('Measuring', (remote) => remote.size(photoUrl(photo.id), { ...by, kind, marks, overMm }));
    if (!size) return;
    setFound(size);
    if (size.drawn.length === marks.length) setMarks(size.drawn.map(([x, y]): Point => [x, y]));
  };
  const keep = (size: Size) => {
    const by = scaleOf(scale);
    return send(
      (once) =>
        keepSize(
          once({
            ...{ restorationId, name, kind: size.kind, value: size.value, sd: size.sd, photoId: photo.id },
            barMm: typeof by === 'string' ? null : (by.barMm ?? null),
          }),
        ),
      () => {
        say('Size kept.');
        setName('');
        setFound(null);
      },
    );
  };
  return (
    <>
      <ScalePart {...scaled} />
      {looked !== 'looking' && (
        <>
          <Chips
            label="What is measured"
            of={SIZE_KINDS}
            words={WORDS}
            chosen={kind}
            onChoose={(one) =>
              anew(() => {
                setKind(one);
                setMarks(firstMarks(one, photo));
              })
            }
            bench
          />
          {found ? (
            <SizeWords size={found} />
          ) : (
            <Text mb="2" color="soft">
              {HOW[kind]}
            </Text>
          )}
          <FieldOnPhoto
            photo={photo}
            what="what is measured"
            kind="known"
            corners={scale.bySheet ? null : scale.corners}
            onChange={(corners) => anew(() => setScale({ ...scale, corners }))}
            marks={marks.map((at, i): NamedMark => ({ title: TITLES[kind][i]!, at }))}
            onMarks={(places) => anew(() => setMarks(places))}
            rings={found && found.drawn.length > MARKS_OF[found.kind] ? [found.drawn] : []}
          />
          <Flex gap="3" wrap="wrap" mt="3">
            <LabelledBox
              label="It lies over the ground by, mm"
              inputMode="decimal"
              figures
              placeholder="0"
              value={over}
              onChange={(event) => anew(() => setOver(event.target.value))}
            />
            {found && <LabelledBox label="Name" value={name} onChange={(event) => setName(event.target.value)} />}
          </Flex>
          {share !== null && <Working share={null} words="Measuring" onStop={stop} />}
          <MainAction>
            {found ? (
              <Button look="go" bench disabled={busy} onClick={() => keep(found)}>
                Keep this size
              </Button>
            ) : (
              <Button look="go" bench disabled={share !== null} onClick={() => void measure()}>
                Measure
              </Button>
            )}
          </MainAction>
          <Wrong words={[...errors, ...(wrong ?? [])]} />
        </>
      )}
    </>
  );
}

function SizeWords({ size }: { size: Size }) {
  const { kind, value, sd, byHand, outOfRoundMm } = size;
  return (
    <Text mb="2" aria-live="polite">
      <Text as="span" fontFamily="mono" fontSize="30px">
        {kind === 'round' && 'Ø '}
        {value.toFixed(digits(size))} {UNIT_OF[kind]}
      </Text>
      , give or take {(NINE_IN_TEN_SD * sd).toFixed(digits(size))}: so nine of ten lie.
      {outOfRoundMm !== null && ` Off a circle by ${outOfRoundMm.toFixed(2)} mm.`}
      {byHand > 0 &&
        ` No edge is seen beside ${byHand === 1 ? 'one mark' : `${byHand} marks`}: it stays where the hand set it.`}
    </Text>
  );
}

'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Outline } from '@/core/mending/outline/outline';
import { NINE_IN_TEN_SD } from '@/core/numbers';
import type { Point } from '@/core/picture/picture';
import { viewHref } from '@/core/runsheet/views';
import { withPoint } from '@/core/units';
import type { PhotoToMark } from '@/ui/picture/photoToMark';
import { Button } from '@/ui/Button';
import { LabelledBox } from '@/ui/LabelledBox';
import { LinkButton } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';
import { photoUrl } from '@/ui/photoUrl';
import { FieldOnPhoto } from '@/ui/picture/FieldOnPhoto';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Working } from '@/ui/Working';
import { Wrong } from '@/ui/Wrong';
import { usePictureWorker } from '@/workers/usePictureWorker';
import { keepPart } from './actions';
import { PartDrawing } from './PartDrawing';
import { overOf, scaleOf } from './scale';
import { ScalePart, useScale } from './useScale';
import { warningWords } from './warningWords';

const MARGIN_MM = 3;

/** The outline of a part on its photograph: its scale, a mark on the part, and the drawing looked over. */
export function OutlineOnPhoto({
  restorationId,
  photo,
  bar,
}: {
  restorationId: string;
  photo: PhotoToMark;
  bar: string;
}) {
  const router = useRouter();
  const scaled = useScale(photo, bar);
  const { scale, setScale } = scaled;
  const [inside, setInside] = useState<Point>([photo.width / 2, photo.height / 2]);
  const [thickness, setThickness] = useState('');
  const [name, setName] = useState('');
  const [found, setFound] = useState<Outline | null>(null);
  const { share, errors, setErrors, run, stop } = usePictureWorker();
  const { wrong, busy, send } = useSend();
  const back = viewHref(restorationId, 'mend', 'make');
  const look = async () => {
    const [by, thicknessMm] = [scaleOf(scale), overOf(thickness)];
    if (typeof by === 'string' || typeof thicknessMm === 'string') {
      setErrors([by, thicknessMm].filter((one) => typeof one === 'string'));
      return;
    }
    const outline = await run('Finding the outline', (remote) =>
      remote.outline(photoUrl(photo.id), { ...by, inside, thicknessMm }),
    );
    if (outline) setFound(outline);
  };
  const keep = (outline: Outline) =>
    send(
      (once) =>
        keepPart(
          once({
            ...{ restorationId, name, family: 'plate', photoId: photo.id },
            sizes: { outline: outline.outline, holes: outline.holes, thicknessMm: withPoint(thickness).trim() },
          }),
        ),
      () => {
        say('Part drawn.');
        router.push(back);
      },
    );
  if (!found)
    return (
      <>
        <ScalePart {...scaled} />
        <FieldOnPhoto
          photo={photo}
          what="the part"
          kind="known"
          corners={scale.bySheet ? null : scale.corners}
          onChange={(corners) => setScale({ ...scale, corners })}
          marks={[{ title: 'The part', at: inside }]}
          onMarks={([place]) => place && setInside(place)}
        />
        <Flex gap="3" wrap="wrap" mt="3">
          <LabelledBox
            label="Thickness, mm"
            inputMode="decimal"
            figures
            value={thickness}
            onChange={(event) => setThickness(event.target.value)}
          />
        </Flex>
        {share !== null && <Working share={null} words="Finding the outline" onStop={stop} />}
        <MainAction>
          <Button look="go" bench disabled={share !== null} onClick={() => void look()}>
            Find the outline
          </Button>
          <LinkButton href={back}>Leave it</LinkButton>
        </MainAction>
        <Wrong words={errors} />
      </>
    );
  const [xs, ys] = [found.outline.map(([x]) => x), found.outline.map(([, y]) => y)];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const [w, h] = [Math.max(...xs) - left, Math.max(...ys) - top];
  const path = [found.outline, ...found.holes].map((ring) => `M${ring.map((p) => p.join()).join(' L')} Z`).join(' ');
  // A length lies between two places, each as unsure as is said.
  const band = (NINE_IN_TEN_SD * Math.SQRT2 * found.sdMm).toFixed(1);
  return (
    <>
      <PartDrawing
        label="Outline that was found"
        box={[left - MARGIN_MM, top - MARGIN_MM, w + 2 * MARGIN_MM, h + 2 * MARGIN_MM]}
        path={path}
      />
      <Text mt="2" aria-live="polite">
        <b>
          {w.toFixed(1)} × {h.toFixed(1)} mm
        </b>
        , give or take {band}; {(found.areaMm2 / 100).toFixed(2)} cm²,{' '}
        {found.holes.length === 0 ? 'no hole' : found.holes.length === 1 ? 'one hole' : `${found.holes.length} holes`}.
        Check one length with a caliper.
      </Text>
      {found.warnings.map((warning) => (
        <Box key={warning.kind} borderLeftWidth="8px" borderColor="amber" pl="3" mt="2">
          <Text>{warningWords(warning)}</Text>
        </Box>
      ))}
      <Flex gap="3" wrap="wrap" mt="3">
        <LabelledBox label="Name" value={name} onChange={(event) => setName(event.target.value)} />
        <LabelledBox
          label="Thickness, mm"
          inputMode="decimal"
          figures
          value={thickness}
          onChange={(event) => setThickness(event.target.value)}
        />
      </Flex>
      <MainAction>
        <Button look="go" bench disabled={busy} onClick={() => keep(found)}>
          Keep this part
        </Button>
        <Button onClick={() => setFound(null)}>Mark it anew</Button>
      </MainAction>
      <Wrong words={wrong} />
    </>
  );
}

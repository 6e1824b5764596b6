'use client';

import { Flex } from '@chakra-ui/react';
import { useState } from 'react';
import type { Outline } from '@/core/mending/outline/outline';
import type { Point } from '@/core/picture/picture';
import { viewHref } from '@/core/runsheet/views';
import type { PhotoToMark } from '@/ui/picture/photoToMark';
import { Button } from '@/ui/Button';
import { LabelledBox } from '@/ui/LabelledBox';
import { LinkButton } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';
import { photoUrl } from '@/ui/photoUrl';
import { FieldOnPhoto } from '@/ui/picture/FieldOnPhoto';
import { Working } from '@/ui/Working';
import { Wrong } from '@/ui/Wrong';
import { usePictureWorker } from '@/workers/usePictureWorker';
import { OutlineFound } from './OutlineFound';
import { overOf, scaleOf } from './scale';
import { ScalePart, useScale } from './useScale';

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
  const scaled = useScale(photo, bar);
  const { scale, setScale } = scaled;
  const [inside, setInside] = useState<Point>([photo.width / 2, photo.height / 2]);
  const [thickness, setThickness] = useState('');
  const [found, setFound] = useState<Outline | null>(null);
  const { share, errors, setErrors, run, stop } = usePictureWorker();
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
  return (
    <OutlineFound
      {...{ restorationId, found, thickness }}
      photoId={photo.id}
      onThickness={setThickness}
      onAgain={() => setFound(null)}
    />
  );
}

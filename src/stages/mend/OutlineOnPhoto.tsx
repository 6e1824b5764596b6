'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Outline, OutlineWarning } from '@/core/mending/outline/outline';
import type { Corners } from '@/core/picture/corners';
import type { Point } from '@/core/picture/picture';
import { viewHref } from '@/core/runsheet/views';
import { withPoint } from '@/core/units';
import type { PhotoToMark } from '@/ui/picture/photoToMark';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';
import { photoUrl } from '@/ui/photoUrl';
import { FieldOnPhoto, firstCorners } from '@/ui/picture/FieldOnPhoto';
import { say } from '@/ui/toast';
import { TextBox } from '@/ui/Typed';
import { useSend } from '@/ui/useSend';
import { Working } from '@/ui/Working';
import { Wrong } from '@/ui/Wrong';
import { usePictureWorker } from '@/workers/usePictureWorker';
import { keepPart } from './actions';
import { PartDrawing } from './PartDrawing';

/** A card as everybody carries one, mm. */
const CARD = { width: '85.6', height: '54' } as const;
const MARGIN_MM = 3;

function warningWords(warning: OutlineWarning): string {
  switch (warning.kind) {
    case 'coarse':
      return `A pixel of this picture is ${warning.mmPerPx.toFixed(2)} mm: go nearer for tenths of a millimetre.`;
    case 'far from the known thing':
      return 'The part reaches far beyond the thing of known size: lay a longer one beside it, or go by a measured length.';
    case 'edge not seen':
      return `No edge is seen along ${Math.round(100 * warning.share)} % of it: look there, or choose a ground of another colour.`;
    case 'marks left out':
      return warning.count === 1
        ? 'One mark on it was taken for print or glare, not for a hole.'
        : `${warning.count} marks on it were taken for print or glare, not for holes.`;
  }
}

/** The outline of a part on its photograph: mark a thing of known size, put a mark on the part, look the drawing over. */
export function OutlineOnPhoto({ restorationId, photo }: { restorationId: string; photo: PhotoToMark }) {
  const router = useRouter();
  const [corners, setCorners] = useState<Corners>(() => firstCorners(photo));
  const [inside, setInside] = useState<Point>([photo.width / 2, 0.15 * photo.height]);
  const [width, setWidth] = useState<string>(CARD.width);
  const [height, setHeight] = useState<string>(CARD.height);
  const [thickness, setThickness] = useState('');
  const [name, setName] = useState('');
  const [found, setFound] = useState<Outline | null>(null);
  const { share, errors, setErrors, run, stop } = usePictureWorker();
  const { wrong, busy, send } = useSend();
  const back = viewHref(restorationId, 'mend', 'make');
  const [widthMm, heightMm] = [width, height].map((typed) => Number(withPoint(typed))) as [number, number];
  const look = async () => {
    if (!(widthMm >= 5 && widthMm <= 2000 && heightMm >= 5 && heightMm <= 2000)) {
      setErrors(['Type how wide and high the thing of known size is, in mm from 5 to 2000. A bank card is 85.6 × 54.']);
      return;
    }
    const outline = await run('Finding the outline', (remote) =>
      remote.outline(photoUrl(photo.id), { plane: { corners, widthMm, heightMm }, inside }),
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
        <Text mb="3" maxWidth="62ch">
          Move the four corners onto the corners of the card, as its sides would meet, and the dashed mark onto the
          part.
        </Text>
        <FieldOnPhoto
          photo={photo}
          what="the thing of known size, and the mark onto the part"
          kind="known"
          corners={corners}
          onChange={setCorners}
          inside={inside}
          onInside={setInside}
        />
        <Flex gap="3" wrap="wrap" mt="3">
          <label>
            <Text fontSize="15px">Width of the known thing, mm</Text>
            <TextBox inputMode="decimal" figures value={width} onChange={(event) => setWidth(event.target.value)} />
          </label>
          <label>
            <Text fontSize="15px">Height of the known thing, mm</Text>
            <TextBox inputMode="decimal" figures value={height} onChange={(event) => setHeight(event.target.value)} />
          </label>
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
  const band = (2 * found.sdMm).toFixed(1);
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
        <label>
          <Text fontSize="15px">Name</Text>
          <TextBox value={name} onChange={(event) => setName(event.target.value)} />
        </label>
        <label>
          <Text fontSize="15px">Thickness, mm</Text>
          <TextBox
            inputMode="decimal"
            figures
            value={thickness}
            onChange={(event) => setThickness(event.target.value)}
          />
        </label>
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

'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Outline } from '@/core/mending/outline/outline';
import { mirroredCorners, ringOf, smoothed, type Corner } from '@/core/mending/outline/smooth';
import { mirrored } from '@/core/mending/part/rings';
import { NINE_IN_TEN_SD } from '@/core/numbers';
import { viewHref } from '@/core/runsheet/views';
import { withPoint } from '@/core/units';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { LabelledBox } from '@/ui/LabelledBox';
import { MainAction } from '@/ui/MainAction';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { keepPart } from './actions';
import { CornerPart } from './CornerPart';
import { PartDrawing } from './PartDrawing';
import { addedSizes, AddedPart, NOTHING_ADDED } from './AddedPart';
import { warningWords } from './warningWords';

const MARGIN_MM = 3;
/** A side may lie so far off what was traced: by how unsure that is, between these, mm. What is unsure of its scale is no bend of it. */
const TOLERANCE = { least: 0.12, sd: 0.5, most: 0.25 } as const;

interface Props {
  restorationId: string;
  photoId: string;
  found: Outline;
  thickness: string;
  onThickness: (typed: string) => void;
  onAgain: () => void;
}

/** An outline that was found: straight sides and arcs, put right by its corners, mirrored, given what it needs, and kept. */
export function OutlineFound({ restorationId, photoId, found, thickness, onThickness, onAgain }: Props) {
  const router = useRouter();
  const { wrong, busy, send } = useSend();
  const toleranceMm = Math.min(TOLERANCE.most, Math.max(TOLERANCE.least, TOLERANCE.sd * found.sdMm));
  const [name, setName] = useState('');
  const [corners, setCorners] = useState<readonly Corner[]>(() => smoothed(found.outline, toleranceMm));
  const [holes, setHoles] = useState<readonly (readonly Corner[])[]>(() =>
    found.holes.map((hole) => smoothed(hole, toleranceMm)),
  );
  const [traced, setTraced] = useState(false);
  const [flipped, setFlipped] = useState(false);
  const [chosen, setChosen] = useState<number | null>(null);
  const [added, setAdded] = useState(NOTHING_ADDED);
  const seen = (ring: Outline['outline']) => (flipped ? mirrored(ring) : ring);
  const outline = traced ? seen(found.outline) : ringOf(corners);
  const within = traced ? found.holes.map(seen) : holes.map(ringOf);
  const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const [w, h] = [Math.max(...xs) - left, Math.max(...ys) - top];
  const path = [outline, ...within].map((ring) => `M${ring.map((p) => p.join()).join(' L')} Z`).join(' ');
  // A length lies between two places, each as unsure as is said.
  const band = (NINE_IN_TEN_SD * Math.SQRT2 * found.sdMm).toFixed(1);
  const mirror = () => {
    setCorners(mirroredCorners(corners));
    setHoles(holes.map(mirroredCorners));
    setFlipped(!flipped);
    setChosen(null);
  };
  const keep = () =>
    send(
      (once) =>
        keepPart(
          once({
            ...{ restorationId, name, family: 'plate', photoId },
            sizes: {
              ...{ outline, holes: within, thicknessMm: withPoint(thickness).trim() },
              ...addedSizes(added, [left, top]),
            },
          }),
        ),
      () => {
        say('Part drawn.');
        router.push(viewHref(restorationId, 'mend', 'make'));
      },
    );
  return (
    <>
      <PartDrawing
        label="Outline that was found"
        box={[left - MARGIN_MM, top - MARGIN_MM, w + 2 * MARGIN_MM, h + 2 * MARGIN_MM]}
        path={path}
        corners={traced ? [] : corners.map(({ at }) => at)}
        chosen={chosen}
        from={[left, top]}
        onChoose={setChosen}
        onMove={(i, at) => setCorners(corners.map((one, k) => (k === i ? { ...one, at } : one)))}
      />
      <Text mt="2" aria-live="polite">
        <b>
          {w.toFixed(1)} × {h.toFixed(1)} mm
        </b>
        , give or take {band},{' '}
        {found.holes.length === 0 ? 'no hole' : found.holes.length === 1 ? 'one hole' : `${found.holes.length} holes`}
        {!traced && `, ${corners.length} corners`}. Check one length with a caliper.
      </Text>
      <Flex gap="2" wrap="wrap" mt="2">
        <Button aria-pressed={traced} look={traced ? 'go' : 'quiet'} onClick={() => setTraced(!traced)}>
          As it was traced
        </Button>
        <Button aria-pressed={flipped} look={flipped ? 'go' : 'quiet'} onClick={mirror}>
          Mirror it: left from right
        </Button>
      </Flex>
      {!traced && (
        <CornerPart corners={corners} from={[left, top]} chosen={chosen} onChoose={setChosen} onChange={setCorners} />
      )}
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
          onChange={(event) => onThickness(event.target.value)}
        />
      </Flex>
      <Fold summary="Chamfer, screw holes, pins and ribs">
        <AddedPart added={added} onChange={setAdded} />
      </Fold>
      <MainAction>
        <Button look="go" bench disabled={busy} onClick={keep}>
          Keep this part
        </Button>
        <Button onClick={onAgain}>Mark it anew</Button>
      </MainAction>
      <Wrong words={wrong} />
    </>
  );
}

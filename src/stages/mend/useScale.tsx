'use client';

import { Flex, Text } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import type { PhotoToMark } from '@/ui/picture/photoToMark';
import { Button } from '@/ui/Button';
import { firstCorners } from '@/ui/picture/FieldOnPhoto';
import { photoUrl } from '@/ui/photoUrl';
import { LabelledBox } from '@/ui/LabelledBox';
import { Working } from '@/ui/Working';
import { usePictureWorker } from '@/workers/usePictureWorker';
import { CARD, type ScaleState } from './scale';

/** What is known of the scale of a photograph: its sheet of marks is looked for as the page opens. */
export function useScale(photo: PhotoToMark, bar: string) {
  const [scale, setScale] = useState<ScaleState>(() => ({
    ...{ bySheet: false, bar, corners: firstCorners(photo), width: CARD.width, height: CARD.height },
  }));
  const [looked, setLooked] = useState<'looking' | 'none' | { share: number }>('looking');
  const { run, stop, errors } = usePictureWorker();
  useEffect(() => {
    void run('Looking for the sheet of marks', (remote) => remote.marks(photoUrl(photo.id))).then((found) => {
      setLooked(found ? { share: found.share } : 'none');
      if (found) setScale((is) => ({ ...is, bySheet: true }));
    });
    return stop;
    // Once for each photograph: the hooks of the worker are new with every drawing.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [photo.id]);
  return { scale, setScale, looked, errors };
}

/** What gives the scale, in words, with the figures that go with it. */
export function ScalePart({ scale, setScale, looked, errors }: ReturnType<typeof useScale>) {
  const set = (change: Partial<ScaleState>) => setScale({ ...scale, ...change });
  if (looked === 'looking' && errors.length === 0)
    return <Working share={null} words="Looking for the sheet of marks" />;
  return (
    <>
      {scale.bySheet ? (
        <Text mb="2">
          <b>The sheet of marks gives the scale</b>
          {typeof looked === 'object' && `, ${Math.round(100 * looked.share)} % of its dots seen`}. The bend of the lens
          is taken out by it.
        </Text>
      ) : (
        <Text mb="2" maxWidth="62ch">
          {errors[0] ?? 'No sheet of marks is seen.'} Move the four corners onto the corners of the card, as its sides
          would meet.
        </Text>
      )}
      <Flex gap="3" wrap="wrap" align="end" mb="2">
        {scale.bySheet ? (
          <LabelledBox
            label="Bar on the sheet, mm"
            inputMode="decimal"
            figures
            value={scale.bar}
            onChange={(event) => set({ bar: event.target.value })}
          />
        ) : (
          <>
            <LabelledBox
              label="Width of the known thing, mm"
              inputMode="decimal"
              figures
              value={scale.width}
              onChange={(event) => set({ width: event.target.value })}
            />
            <LabelledBox
              label="Height of the known thing, mm"
              inputMode="decimal"
              figures
              value={scale.height}
              onChange={(event) => set({ height: event.target.value })}
            />
          </>
        )}
        {typeof looked === 'object' && (
          <Button onClick={() => set({ bySheet: !scale.bySheet })}>
            {scale.bySheet ? 'Go by a card instead' : 'Go by the sheet of marks'}
          </Button>
        )}
      </Flex>
    </>
  );
}

'use client';

import { Flex, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { KEYBOARD_KINDS, KIND, type KeyboardKind } from '@/core/keyboard/kinds';
import { namedInRows } from '@/core/keyboard/layout';
import { SURE_KEY, type FoundKey } from '@/core/keyboard/photo/found';
import type { Corners } from '@/core/picture/corners';
import { withPoint } from '@/core/units';
import { viewHref } from '@/core/runsheet/views';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';
import { photoUrl } from '@/ui/photoUrl';
import { Select } from '@/ui/Select';
import { say } from '@/ui/toast';
import { TextBox } from '@/ui/Typed';
import { useSend } from '@/ui/useSend';
import { Working } from '@/ui/Working';
import { Wrong } from '@/ui/Wrong';
import { usePictureWorker } from '@/workers/usePictureWorker';
import { drawFromPhoto } from './actions';
import { BoardDrawing, type Mark } from './BoardDrawing';
import { FieldOnPhoto, firstCorners } from '@/ui/picture/FieldOnPhoto';
import type { KeyPhoto } from './view';

const round = (mm: number) => Math.max(0, Math.round(10 * mm) / 10);
const UNSURE: Mark = { tone: 'warn', sign: '?', words: 'not sure that it is a key' };
const LEFT_OUT: Mark = { tone: 'bad', sign: '×', words: 'left out' };

/** A keyboard drawn from its photograph: mark its field, say how large it is, look the found keys over. */
export function FromPhoto({ restorationId, photo, first }: { restorationId: string; photo: KeyPhoto; first: boolean }) {
  const router = useRouter();
  const [corners, setCorners] = useState<Corners>(() => firstCorners(photo));
  const [width, setWidth] = useState('');
  const [height, setHeight] = useState('');
  const [name, setName] = useState(first ? 'main keyboard' : '');
  const [kind, setKind] = useState<KeyboardKind>('domes');
  const [found, setFound] = useState<FoundKey[] | null>(null);
  const [out, setOut] = useState<readonly string[]>([]);
  const { share, errors, setErrors, run, stop } = usePictureWorker();
  const { wrong, busy, send } = useSend();
  const [widthMm, heightMm] = [width, height].map((typed) => Number(withPoint(typed))) as [number, number];
  const look = async () => {
    if (!(widthMm >= 20 && widthMm <= 1500 && heightMm >= 10 && heightMm <= 1500)) {
      setErrors([
        'Measure the field with a ruler and type both in mm: from the outer edge of its first key to that of its last, like 290 and 102.',
      ]);
      return;
    }
    const keys = await run('Finding the keys', (remote) =>
      remote.findKeys(photoUrl(photo.id), { corners, widthMm, heightMm }),
    );
    if (!keys) return;
    setFound(keys);
    setOut([]);
  };
  const drawn =
    found && namedInRows(found.map((key) => ({ x: round(key.x), y: round(key.y), w: round(key.w), h: round(key.h) })));
  // Names are given row by row, as the found keys are listed.
  const unsure = drawn ? drawn.filter((_, i) => found[i]!.confidence < SURE_KEY).map(({ id }) => id) : [];
  const left = unsure.filter((id) => !out.includes(id));
  const marks: Record<string, Mark> = Object.fromEntries([
    ...unsure.map((id) => [id, UNSURE] as const),
    ...out.map((id) => [id, LEFT_OUT] as const),
  ]);
  const keep = () =>
    drawn &&
    send(
      (once) =>
        drawFromPhoto(
          once({
            ...{ restorationId, name, kind, widthMm, heightMm, photoId: photo.id, corners },
            keys: drawn.filter(({ id }) => !out.includes(id)).map(({ x, y, w, h }) => ({ x, y, w, h })),
          }),
        ),
      (id: string) => {
        say('Drawn from its photograph.');
        router.push(`${viewHref(restorationId, 'keys')}?board=${id}`);
      },
    );
  return (
    <>
      <Text mb="3" maxWidth="62ch">
        {drawn
          ? 'Look the keys over. Tap what is none; what is missing or not quite right is added and moved on the board.'
          : 'Move the four corners onto the corners of the field that the keys stand on, and say how large that field is.'}
      </Text>
      {drawn ? (
        <>
          <BoardDrawing
            board={{ widthMm, heightMm, keys: drawn }}
            label={`${drawn.length} keys found on ${photo.originalName}`}
            marks={marks}
            onTap={(id) => setOut(out.includes(id) ? out.filter((one) => one !== id) : [...out, id])}
          />
          <Text mt="2" aria-live="polite">
            <b>{drawn.length - out.length}</b> keys.{' '}
            {left.length > 0
              ? `Not sure of ${left.length}, marked “?”: where a cap is off, or a badge looks like one.`
              : 'None is in doubt.'}
          </Text>
          <Flex gap="3" wrap="wrap" mt="3">
            <label>
              <Text fontSize="15px">Name</Text>
              <TextBox value={name} onChange={(event) => setName(event.target.value)} />
            </label>
            <label>
              <Text fontSize="15px">How it is built</Text>
              <Select
                value={kind}
                onChange={(event) => setKind(event.target.value as KeyboardKind)}
                options={KEYBOARD_KINDS.map((one) => ({ value: one, label: KIND[one].title }))}
              />
            </label>
          </Flex>
          <MainAction>
            <Button look="go" bench disabled={busy} onClick={keep}>
              Keep this drawing
            </Button>
            <Button onClick={() => setFound(null)}>Mark the field anew</Button>
          </MainAction>
        </>
      ) : (
        <>
          <FieldOnPhoto photo={photo} what="the field of the keys" corners={corners} onChange={setCorners} />
          <Flex gap="3" wrap="wrap" mt="3">
            <label>
              <Text fontSize="15px">Width of the field, mm</Text>
              <TextBox inputMode="decimal" figures value={width} onChange={(event) => setWidth(event.target.value)} />
            </label>
            <label>
              <Text fontSize="15px">Height of the field, mm</Text>
              <TextBox inputMode="decimal" figures value={height} onChange={(event) => setHeight(event.target.value)} />
            </label>
          </Flex>
          {share !== null && <Working share={null} words="Finding the keys" onStop={stop} />}
          <MainAction>
            <Button look="go" bench disabled={share !== null} onClick={() => void look()}>
              Find the keys
            </Button>
            <LinkButton href={viewHref(restorationId, 'keys')}>Leave it</LinkButton>
          </MainAction>
        </>
      )}
      <Wrong words={[...errors, ...wrong]} />
    </>
  );
}

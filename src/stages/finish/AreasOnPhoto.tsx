'use client';

import { Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import type { AreaUse } from '@/core/finish/areas';
import type { Corners } from '@/core/picture/corners';
import type { Point, Share } from '@/core/picture/picture';
import { Button } from '@/ui/Button';
import { LabelledBox } from '@/ui/LabelledBox';
import { LinkButton } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';
import { FieldOnPhoto, firstCorners } from '@/ui/picture/FieldOnPhoto';
import type { PhotoToMark } from '@/ui/picture/photoToMark';
import { Select } from '@/ui/Select';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { keepArea } from './actions';

const OUTLINED: Partial<Record<AreaUse, string>> = { piece: 'a piece', private: 'what nobody else is to see' };

interface Props {
  restorationId: string;
  photo: PhotoToMark;
  /** What may be outlined; the first is taken at first. */
  uses: readonly AreaUse[];
  pieces: readonly { value: string; label: string }[];
  pieceId: string | null;
  /** What is outlined on it already. */
  kept: readonly (readonly Share[])[];
  back: string;
}

/** One outline after another on a photograph: four corners, and what lies in them. */
export function AreasOnPhoto({ restorationId, photo, uses, pieces, pieceId: first, kept, back }: Props) {
  const [corners, setCorners] = useState<Corners>(() => firstCorners(photo));
  const [use, setUse] = useState<AreaUse>(uses[0]!);
  const [pieceId, setPieceId] = useState(first ?? '');
  const [name, setName] = useState('');
  const { wrong, busy, send } = useSend();
  return (
    <>
      <Text mb="2" maxWidth="62ch">
        Move the four corners round {OUTLINED[uses[0]!] ?? 'what no coat may come to'}, say what it is, and keep it;
        then the next.
      </Text>
      <FieldOnPhoto
        photo={photo}
        what={`the corners of ${OUTLINED[uses[0]!] ?? 'what is covered'}`}
        corners={corners}
        cornersTitle="Outline"
        onChange={setCorners}
        rings={kept.map((ring) => ring.map(({ x, y }): Point => [x * photo.width, y * photo.height]))}
      />
      <Flex gap="3" wrap="wrap" mt="3" align="end">
        {uses.length > 1 && (
          <label>
            <Text fontSize="15px">What it is</Text>
            <Select
              value={use}
              options={uses.map((value) => ({ value, label: value }))}
              onChange={(event) => setUse(event.target.value as AreaUse)}
            />
          </label>
        )}
        <label>
          <Text fontSize="15px">Of which piece</Text>
          <Select
            value={pieceId}
            options={[{ value: '', label: use === 'piece' ? 'choose' : 'the machine' }, ...pieces]}
            onChange={(event) => setPieceId(event.target.value)}
          />
        </label>
        <LabelledBox
          label={use === 'piece' ? 'Which part, if not all of it' : 'Which one'}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
      </Flex>
      <MainAction>
        <Button
          look="go"
          bench
          disabled={busy}
          onClick={() =>
            send(
              (once) =>
                keepArea(
                  once({
                    ...{ restorationId, photoId: photo.id, pieceId, use, name },
                    corners: corners.map(([x, y]) => ({
                      x: Math.min(1, Math.max(0, x / photo.width)),
                      y: Math.min(1, Math.max(0, y / photo.height)),
                    })),
                  }),
                ),
              () => {
                say('Outlined. Move the corners round the next one.');
                setName('');
              },
            )
          }
        >
          Keep this outline
        </Button>
        <LinkButton bench href={back}>
          That is all
        </LinkButton>
      </MainAction>
      <Wrong words={wrong} />
    </>
  );
}

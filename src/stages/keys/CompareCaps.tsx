'use client';

import { Box, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { CapChange } from '@/core/keyboard/photo/compareCaps';
import type { Corners } from '@/core/picture/corners';
import type { KeyboardPictureRow, KeyboardRow } from '@/data/rows';
import { Button } from '@/ui/Button';
import { LinkButton } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';
import { photoUrl } from '@/ui/photoUrl';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Working } from '@/ui/Working';
import { Wrong } from '@/ui/Wrong';
import { usePictureWorker } from '@/workers/usePictureWorker';
import { markThePicture } from './actions';
import { BoardDrawing, type Mark } from './BoardDrawing';
import { FieldOnPhoto, firstCorners } from '@/ui/picture/FieldOnPhoto';
import { capChangeWords } from './marks';
import type { KeyPhoto } from './view';

interface Props {
  board: KeyboardRow;
  /** Pictures with the field marked, the oldest first: it shows where the caps belong. */
  pictures: readonly KeyboardPictureRow[];
  photo: KeyPhoto;
  here: string;
}

/** The field marked on a photograph; and, where an earlier one shows where caps belong, which stand otherwise now. */
export function CompareCaps({ board, pictures, photo, here }: Props) {
  const router = useRouter();
  const known = pictures.find(({ photoId }) => photoId === photo.id);
  const first = pictures.find(({ photoId }) => photoId !== photo.id);
  const [corners, setCorners] = useState<Corners>(known?.corners ?? firstCorners(photo));
  const [changes, setChanges] = useState<Record<string, CapChange> | null>(null);
  const { share, errors, run, stop } = usePictureWorker();
  const { wrong, busy, send } = useSend();
  const keep = () =>
    send(
      (once) => markThePicture(once({ keyboardId: board.id, photoId: photo.id, corners })),
      () => {
        say('Field marked.');
        if (!first) router.push(here);
        else void compare(first);
      },
    );
  const compare = async (before: KeyboardPictureRow) => {
    const found = await run('Comparing the caps', (remote) =>
      remote.compareCaps(
        board.keys,
        { widthMm: board.widthMm, heightMm: board.heightMm },
        { url: photoUrl(before.photoId), corners: before.corners },
        { url: photoUrl(photo.id), corners },
      ),
    );
    if (found) setChanges(found);
  };
  const told = Object.entries(changes ?? {}).filter(([, { kind }]) => kind !== 'same');
  const sure = told.filter(([, { kind }]) => kind !== 'unclear');
  const marks: Record<string, Mark> = Object.fromEntries(
    told.map(([key, change]) => [
      key,
      {
        tone: change.kind === 'unclear' ? 'warn' : 'bad',
        sign: change.kind === 'unclear' ? '?' : '×',
        words: change.kind,
      },
    ]),
  );
  return (
    <>
      {changes ? (
        <>
          <BoardDrawing board={board} label={`Caps of ${board.name} against the first photograph`} marks={marks} />
          <Box mt="3" aria-live="polite">
            <Text fontWeight="650" fontSize="20px">
              {sure.length === 0
                ? 'No cap is seen to stand otherwise than on the first photograph.'
                : `${sure.length === 1 ? 'One cap stands' : `${sure.length} caps stand`} otherwise than on the first photograph.`}
            </Text>
            <Box as="ul" ps="5">
              {told.map(([key, change]) => (
                <li key={key}>{capChangeWords(key, change)}</li>
              ))}
            </Box>
            <Text color="soft">
              By their print: caps that look the same cannot be told apart, and of a cap without print only whether it
              is there.
            </Text>
          </Box>
          <MainAction>
            <LinkButton look="go" bench href={here}>
              To the caps
            </LinkButton>
            <Button onClick={() => setChanges(null)}>Mark the field anew</Button>
          </MainAction>
        </>
      ) : (
        <>
          <Text mb="3" maxWidth="62ch">
            Move the four corners onto the same corners of the field{first ? ' as on the first photograph' : ''}.
          </Text>
          <FieldOnPhoto photo={photo} what="the field of the keys" corners={corners} onChange={setCorners} />
          {share !== null && <Working share={null} words="Comparing the caps" onStop={stop} />}
          <MainAction>
            <Button look="go" bench disabled={busy || share !== null} onClick={keep}>
              {first ? 'Compare the caps' : 'Keep it as the photograph before'}
            </Button>
            <LinkButton href={here}>Leave it</LinkButton>
          </MainAction>
        </>
      )}
      <Wrong words={[...errors, ...wrong]} />
    </>
  );
}

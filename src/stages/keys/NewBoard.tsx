'use client';

import { Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { KEYBOARD_KINDS, KIND } from '@/core/keyboard/kinds';
import { BLOCK_WORDS, BLOCKS } from '@/core/keyboard/layout';
import { viewHref } from '@/core/runsheet/views';
import { AnswerForm } from '@/ui/AnswerForm';
import { Fold } from '@/ui/Fold';
import { FileButton } from '@/ui/FileButton';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { KEYBOARD_PHOTO } from './asked';
import { drawFromBlock, drawFromFile } from './actions';
import { PhotoPick } from '@/ui/picture/PhotoPick';
import type { KeyPhoto } from './view';

/** A keyboard begins with its photograph, as a plain block, or out of a file. */
export function NewBoard({
  restorationId,
  photos,
  first,
}: {
  restorationId: string;
  photos: readonly KeyPhoto[];
  first: boolean;
}) {
  const router = useRouter();
  const { wrong, busy, send } = useSend();
  const show = (id: string) => router.push(`${viewHref(restorationId, 'keys')}?board=${id}`);
  return (
    <>
      <Text mb="3" maxWidth="62ch">
        {first && 'Everything after it is tapped on this drawing: caps, tests, lines, repairs. '}From a photograph its
        keys are found by themselves.
      </Text>
      <PhotoPick
        {...KEYBOARD_PHOTO}
        restorationId={restorationId}
        photos={photos}
        href={viewHref(restorationId, 'keys')}
      />
      <Fold summary="Without a photograph: from a plain block">
        <AnswerForm<string>
          draftKey={`keyboard-${restorationId}`}
          fields={[
            { name: 'name', label: 'Name', hint: 'Main keyboard, number pad, game pad', half: true },
            {
              name: 'kind',
              label: 'How it is built',
              kind: 'choice',
              half: true,
              options: KEYBOARD_KINDS.map((kind) => ({ value: kind, label: KIND[kind].title })),
            },
            {
              name: 'block',
              label: 'Begin from',
              kind: 'chips',
              options: BLOCKS.map((block) => ({ value: block, label: BLOCK_WORDS[block] })),
            },
            { name: 'across', label: 'Keys in its widest row', kind: 'number', half: true },
            { name: 'down', label: 'Rows', kind: 'number', half: true },
          ]}
          initial={{ name: first ? 'main keyboard' : '', kind: 'domes', block: 'staggered', across: '12', down: '5' }}
          submit="Draw it"
          done="Drawn. Tap a key to give it its own name, size and place."
          send={(values) => drawFromBlock({ restorationId, ...values })}
          onDone={show}
        />
      </Fold>
      <Fold summary="From a file">
        <Text mb="2">JSON as Kvell writes it, or CSV with key, x, y, w, h in mm.</Text>
        <FileButton
          label="Keyboard file"
          accept=".json,.csv,application/json,text/csv"
          busy={busy}
          onFile={(file) =>
            void file.text().then((text) =>
              send(
                (once) => drawFromFile(once({ restorationId, name: file.name, text })),
                (id: string) => {
                  say('Drawn from the file.');
                  show(id);
                },
              ),
            )
          }
        >
          Choose a file
        </FileButton>
        <Wrong words={wrong} />
      </Fold>
    </>
  );
}

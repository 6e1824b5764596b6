'use client';

import { Box, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { KEYBOARD_KINDS, KIND } from '@/core/keyboard/kinds';
import { BLOCK_WORDS, BLOCKS } from '@/core/keyboard/layout';
import { viewHref } from '@/core/runsheet/views';
import { AnswerForm } from '@/ui/AnswerForm';
import { FileButton } from '@/ui/FileButton';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { drawFromBlock, drawFromFile } from './actions';

/** A keyboard begins as a plain block, or comes out of a file. */
export function NewBoard({ restorationId, first }: { restorationId: string; first: boolean }) {
  const router = useRouter();
  const { wrong, busy, send } = useSend();
  const show = (id: string) => router.push(`${viewHref(restorationId, 'keys')}?board=${id}`);
  return (
    <>
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
        bench={first}
        onDone={show}
      />
      <Box mt="4">
        <Text mb="2">Or take it from a file: JSON as Kvell writes it, or CSV with key, x, y, w, h in mm.</Text>
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
      </Box>
    </>
  );
}

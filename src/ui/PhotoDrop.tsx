'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { Camera, ImageUp } from 'lucide-react';
import { useRef, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import type { FieldError } from '@/core/sums/fieldErrors';
import type { Answered } from './outbox/answerIn';
import { KEPT_WORDS, keeperHere } from './outbox/keeper';
import { say } from './toast';
import { Working } from './Working';

export interface PhotoDropProps {
  restorationId: string;
  stage: string;
  pieceId: string | null;
  onAdded: (photoIds: string[]) => void;
}

type Answer = { ok: true; value: { id: string } } | { ok: false; errors: FieldError[] };

/** Photographs by camera, file picker or drag, several at once; each is sent by itself, so one bad file stops no other. */
export function PhotoDrop({ restorationId, stage, pieceId, onAdded }: PhotoDropProps) {
  const [progress, setProgress] = useState<{ done: number; all: number } | null>(null);
  const [errors, setErrors] = useState<string[]>([]);
  const cameraRef = useRef<HTMLInputElement>(null);
  const stop = useRef<AbortController | null>(null);

  async function send(files: readonly File[]) {
    if (files.length === 0) return;
    const controller = new AbortController();
    stop.current = controller;
    const wrong: string[] = [];
    const added: string[] = [];
    let kept = 0;
    setErrors([]);
    for (const [i, file] of files.entries()) {
      setProgress({ done: i, all: files.length });
      const form = new FormData();
      form.set('restorationId', restorationId);
      form.set('stage', stage);
      if (pieceId) form.set('pieceId', pieceId);
      form.set('photo', file);
      try {
        const response = await fetch('/api/photos', { method: 'POST', body: form, signal: controller.signal });
        const answer = (await response.json()) as Answer;
        if (answer.ok) added.push(answer.value.id);
        else wrong.push(...answer.errors.map(({ message }) => `${file.name}: ${message}`));
      } catch (failure) {
        if (controller.signal.aborted) break;
        const later = (answer: Answered) => answer.ok && onAdded([(answer.value as { id: string }).id]);
        if (failure instanceof TypeError && (await (await keeperHere())?.keepPhoto(form, file.name, later))) {
          kept += 1;
          continue;
        }
        wrong.push(`${file.name}: it did not arrive (${(failure as Error).message}). Send it again.`);
      }
    }
    setProgress(null);
    setErrors(wrong);
    if (kept > 0) say(KEPT_WORDS);
    if (added.length > 0) {
      say(`${added.length === 1 ? 'Photograph' : `${added.length} photographs`} kept.`);
      onAdded(added);
    }
  }

  const { getRootProps, getInputProps, open, isDragActive } = useDropzone({
    onDrop: (files) => void send(files),
    noClick: true,
    noKeyboard: true,
  });
  return (
    <Box
      {...getRootProps()}
      borderWidth="2px"
      borderStyle="dashed"
      borderColor={isDragActive ? 'work' : 'lineStrong'}
      bg="sheet"
      p="4"
    >
      <input {...getInputProps({ 'aria-label': 'Choose photographs' })} />
      <input
        ref={cameraRef}
        type="file"
        accept="image/*"
        capture="environment"
        hidden
        aria-label="Take a photograph"
        onChange={(event) => {
          void send([...(event.target.files ?? [])]);
          event.target.value = '';
        }}
      />
      {progress ? (
        <Working
          share={progress.done / progress.all}
          words={`Keeping photograph ${progress.done + 1} of ${progress.all}.`}
          onStop={() => stop.current?.abort()}
        />
      ) : (
        <Flex gap="3" wrap="wrap" align="center">
          <Button onClick={() => cameraRef.current?.click()} display={{ base: 'inline-flex', md: 'none' }} look="quiet">
            <Camera aria-hidden /> Take a photograph
          </Button>
          <Button onClick={open} look="quiet">
            <ImageUp aria-hidden /> Choose photographs
          </Button>
          <Text color="soft" display={{ base: 'none', md: 'block' }}>
            or drop them here: JPEG, PNG or WebP, several at once
          </Text>
        </Flex>
      )}
      {errors.length > 0 && (
        <Box role="alert" mt="3" borderLeftWidth="8px" borderColor="hazard" pl="3">
          {errors.map((message) => (
            <Text key={message}>{message}</Text>
          ))}
        </Box>
      )}
    </Box>
  );
}

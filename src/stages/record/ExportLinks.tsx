'use client';

import { Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { MainAction } from '@/ui/MainAction';
import { Select } from '@/ui/Select';
import { READER_WORDS, READERS, type Reader } from './readerWords';

/** The record as files: told to one of its readers, as a page, on paper, as text, as pictures; and whole, to come in again. */
export function ExportLinks({ restorationId }: { restorationId: string }) {
  const [reader, setReader] = useState<Reader>('me');
  const href = (form: string) => `/api/restorations/${restorationId}/export?as=${form}&for=${reader}`;
  return (
    <>
      <MainAction>
        <Button asChild look="go" bench>
          <a href={href('html')} download>
            Save as one page
          </a>
        </Button>
        <Button asChild bench>
          <a href={href('zip')} download>
            Save as ZIP with photographs
          </a>
        </Button>
      </MainAction>
      <Fold summary="For whom, and in which form">
        <label>
          <Text fontSize="15px">Told</Text>
          <Select
            value={reader}
            onChange={(event) => setReader(event.target.value as Reader)}
            options={READERS.map((one) => ({ value: one, label: READER_WORDS[one].title }))}
          />
        </label>
        <Text color="soft" my="2">
          {READER_WORDS[reader].leaves}. Notes and findings go along as they were typed: read them first. The ZIP holds
          everything, nothing covered: it is for coming in again.
        </Text>
        <Flex gap="3" wrap="wrap">
          {(
            [
              ['html', 'One page'],
              ['pdf', 'PDF'],
              ['markdown', 'Text with pictures'],
              ['pictures', 'Before and after'],
              ['card', 'Card to exhibit'],
              ['label', 'Label for inside the case'],
            ] as const
          ).map(([form, words]) => (
            <Button key={form} asChild>
              <a href={href(form)} download>
                {words}
              </a>
            </Button>
          ))}
        </Flex>
      </Fold>
    </>
  );
}

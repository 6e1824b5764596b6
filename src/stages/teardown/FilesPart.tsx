'use client';

import { Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useRouter } from 'next/navigation';
import type { FieldError } from '@/core/sums/fieldErrors';
import { FileButton } from '@/ui/FileButton';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { PAPER_NAMES, PAPERS } from './papers';

type Answered = { ok: true; value: { added: number; known: number } } | { ok: false; errors: FieldError[] };

/** Sheet, labels and fasteners as files, and fasteners back in. */
export function FilesPart({ restorationId, lots }: { restorationId: string; lots: number }) {
  const router = useRouter();
  const { wrong, busy, send } = useSend();
  const address = `/api/restorations/${restorationId}/teardown`;
  const takeIn = (file: File) => {
    const form = new FormData();
    form.set('file', file);
    send(
      async () => (await (await fetch(address, { method: 'POST', body: form })).json()) as Answered,
      ({ added, known }) => {
        say(`${added} lots taken in${known > 0 ? `, ${known} were there already` : ''}.`);
        router.refresh();
      },
    );
  };
  return (
    <>
      <Wrong words={wrong} />
      {lots > 0 && (
        <Flex gap="3" wrap="wrap" align="center" mt="3">
          <Text>Labels for trays and bags:</Text>
          {PAPER_NAMES.map((name) => (
            <Button key={name} asChild>
              <a href={`${address}?as=labels&paper=${name}`} download>
                {PAPERS[name].title}
              </a>
            </Button>
          ))}
        </Flex>
      )}
      <Flex gap="3" wrap="wrap" mt="3">
        <Button asChild>
          <a href={`${address}?as=pdf`} download>
            Sheet as PDF
          </a>
        </Button>
        <Button asChild>
          <a href={address} download>
            Sheet as Markdown
          </a>
        </Button>
        <Button asChild>
          <a href={`${address}?as=csv`} download>
            Fasteners as CSV
          </a>
        </Button>
        <FileButton label="CSV of fasteners" accept=".csv,text/csv" busy={busy} onFile={takeIn}>
          Take fasteners in from CSV
        </FileButton>
      </Flex>
    </>
  );
}

'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import type { FieldError } from '@/core/sums/fieldErrors';
import { Button } from '@/ui/Button';
import { Confirm } from '@/ui/Confirm';
import { FileButton } from '@/ui/FileButton';
import { Fold } from '@/ui/Fold';
import { LabelledBox } from '@/ui/LabelledBox';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Working } from '@/ui/Working';
import { Wrong } from '@/ui/Wrong';
import type { BackupLook } from '@/work/keeping/keeping';
import { lookIntoCopy, putCopyBack } from './keepingActions';

interface Props {
  copies: readonly { id: string; words: string; sealed: boolean }[];
}

/** So many stand open. */
const FIRST = 4;

type Answered<T> = { ok: true; value: T } | { ok: false; errors: FieldError[] };

/** Sends a backup that was saved as a file, to be looked into or put back. */
async function sendFile<T>(file: File, passphrase: string, look: boolean): Promise<Answered<T>> {
  const response = await fetch(`/api/workshop/restore?look=${look}`, {
    method: 'POST',
    body: file,
    headers: { 'backup-passphrase': encodeURIComponent(passphrase) },
  });
  return (await response.json()) as Answered<T>;
}

/** The backups there are; each is looked into before it is put back. */
export function RestorePart({ copies }: Props) {
  const { wrong, busy, send } = useSend();
  const [chosen, setChosen] = useState<{ file: File | null; id: string; words: string } | null>(null);
  const [passphrase, setPassphrase] = useState('');
  const [look, setLook] = useState<BackupLook | null>(null);
  const lookAt = (one: NonNullable<typeof chosen>) => {
    setChosen(one);
    setLook(null);
    send(
      () => (one.file ? sendFile<BackupLook>(one.file, passphrase, true) : lookIntoCopy(one.id, passphrase)),
      setLook,
    );
  };
  const putBack = (one: NonNullable<typeof chosen>) =>
    send(
      () => (one.file ? sendFile<void>(one.file, passphrase, false) : putCopyBack(one.id, passphrase)),
      () => {
        setLook(null);
        setChosen(null);
        say('Put back. What was here before is a backup of its own.');
      },
    );
  const line = ({ id, words, sealed }: Props['copies'][number]) => (
    <Flex key={id} gap="3" align="center" wrap="wrap" borderTopWidth="1px" borderColor="line" py="2">
      <Text flex="1" minWidth="16ch">
        {words}
        {sealed && ', sealed'}
      </Text>
      <Button
        disabled={busy}
        aria-label={`Look into it: the backup of ${words}`}
        onClick={() => lookAt({ file: null, id, words })}
      >
        Look into it
      </Button>
    </Flex>
  );
  return (
    <>
      {copies.length === 0 && <Text color="soft">There is none in the folder yet.</Text>}
      {copies.slice(0, FIRST).map(line)}
      {copies.length > FIRST && <Fold summary={`${copies.length - FIRST} older`}>{copies.slice(FIRST).map(line)}</Fold>}
      <Flex gap="3" align="flex-end" wrap="wrap" my="3">
        <LabelledBox
          label="Passphrase, where it is sealed"
          type="password"
          autoComplete="off"
          value={passphrase}
          onChange={(event) => setPassphrase(event.target.value)}
        />
        <FileButton
          label="A backup that was saved as a file"
          accept=".zip,.age"
          busy={busy}
          onFile={(file) => lookAt({ file, id: '', words: file.name })}
        >
          Look into a file
        </FileButton>
      </Flex>
      {busy && <Working share={null} words="Reading the backup." />}
      <Wrong words={wrong} />
      {chosen && wrong.length > 0 && !busy && (
        <Button onClick={() => lookAt(chosen)}>{`Look into ${chosen.words} again`}</Button>
      )}
      {look && chosen && (
        <Box borderWidth="1px" borderColor="lineStrong" bg="sheet" p="4" mt="3">
          <Text fontWeight="650">
            {look.workshop || 'A workshop without a name'}, {chosen.words}
          </Text>
          <Text>
            {count(look.restorations.length, 'restoration', 'restorations')}
            {look.restorations.length > 0 && `: ${listed(look.restorations.map(({ title }) => title))}`}.{' '}
            {count(look.photos, 'photograph', 'photographs')}.
            {look.missing > 0 && ` ${look.missing} more were gone when it was made.`}
          </Text>
          <Text fontWeight="650" color={look.gone.length > 0 ? 'hazard' : undefined}>
            {look.gone.length > 0
              ? `Not in it, and gone from here then: ${listed(look.gone)}.`
              : 'No restoration that is here is missing from it.'}{' '}
            {look.newer > 0 && `${count(look.newer, 'change', 'changes')} here came after it.`}
          </Text>
          <Flex gap="3" mt="3">
            <Confirm
              trigger={<Button look="hazard">Put it back</Button>}
              title="Put this backup in the place of everything that is here?"
              yes="Put it back"
              hazard
              onYes={() => putBack(chosen)}
            >
              <Text>
                What is here now is backed up first, so this can be taken back the same way. Whoever works at another
                device sees the older state at once.
              </Text>
            </Confirm>
            <Button onClick={() => setLook(null)}>Leave it</Button>
          </Flex>
        </Box>
      )}
    </>
  );
}

const count = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`;
const listed = (words: readonly string[]) =>
  `${words.slice(0, 6).join(', ')}${words.length > 6 ? ` and ${words.length - 6} more` : ''}`;

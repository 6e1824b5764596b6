'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { AnswerForm } from '@/ui/AnswerForm';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Working } from '@/ui/Working';
import { Wrong } from '@/ui/Wrong';
import { letThemLieOpen, makeBackup, saveAsFile, saveKeeping, sealThem } from './keepingActions';

interface Props {
  /** How things stand, in a sentence; and whether that is a good thing. */
  state: string;
  good: boolean;
  folder: string;
  ownFolder: boolean;
  daily: boolean;
  sealed: boolean;
}

const PASSPHRASE = [
  {
    name: 'passphrase',
    label: 'Passphrase',
    kind: 'secret' as const,
    half: true,
    hint: 'Nobody can open them without it, Kvell neither: write it down',
  },
  { name: 'again', label: 'The same again', kind: 'secret' as const, half: true },
];

/** How far everything is safe, one tap to make it so, and where, how often and behind what backups lie. */
export function BackupPart({ state, good, folder, ownFolder, daily, sealed }: Props) {
  const { wrong, busy, send } = useSend();
  return (
    <>
      <Text fontWeight="650" borderLeftWidth="8px" borderColor={good ? 'work' : 'hazard'} pl="3" mb="3" role="status">
        {state}
      </Text>
      {busy ? (
        <Working share={null} words="Copying, and reading it back. Work on meanwhile." />
      ) : (
        <Button
          look="go"
          bench
          data-main-action
          onClick={() => send(makeBackup, () => say('Backed up, and read back.'))}
        >
          Back up now
        </Button>
      )}
      <Wrong words={wrong} />
      <Text color="soft" my="3">
        {daily ? 'By itself once a day on which something was written' : 'Only when somebody asks'}, into{' '}
        <code>{folder}</code>
        {sealed ? ', sealed' : ''}. Kept: all of the last day, and one for each of 7 days, 4 weeks and 12 months.
      </Text>
      <Fold summary="Save it as a file">
        <AnswerForm
          draftKey="backup-file"
          fields={[
            {
              name: 'passphrase',
              label: 'Sealed with the passphrase',
              kind: 'secret',
              optional: true,
              hint: 'Empty: a ZIP that anybody can open. Sealed: a file of the open age format',
            },
          ]}
          initial={{ passphrase: '' }}
          submit="Save the file"
          send={saveAsFile}
          onDone={(address) => location.assign(address)}
          done="It comes as a file."
        />
      </Fold>
      <Fold summary="Where, how often, sealed">
        <AnswerForm
          draftKey="keeping"
          fields={[
            {
              name: 'folder',
              label: 'Folder',
              optional: true,
              hint: 'The whole path, best on another disk. Empty: beside the data, which helps against mistakes and not against a broken disk',
            },
            {
              name: 'daily',
              label: 'How often',
              kind: 'choice',
              options: [
                { value: 'true', label: 'By itself, once a day' },
                { value: 'false', label: 'Only when somebody asks' },
              ],
            },
          ]}
          initial={{ folder: ownFolder ? folder : '', daily: daily ? 'true' : 'false' }}
          submit="Keep"
          send={saveKeeping}
          done="Kept."
        />
        <Box mt="4">
          <AnswerForm
            draftKey="seal"
            fields={PASSPHRASE}
            initial={{ passphrase: '', again: '' }}
            submit={sealed ? 'Seal with this one from now on' : 'Seal them from now on'}
            send={sealThem}
            done="Backups are sealed from now on. Older ones stay as they are."
          />
          {sealed && (
            <Flex mt="3">
              <Button disabled={busy} onClick={() => send(letThemLieOpen, () => say('Backups lie open from now on.'))}>
                Seal no more
              </Button>
            </Flex>
          )}
        </Box>
      </Fold>
    </>
  );
}

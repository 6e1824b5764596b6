'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { AnswerForm } from '@/ui/AnswerForm';
import { Fold } from '@/ui/Fold';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { newPassphrase, setDoorOpen, signOut } from './actions';

interface Props {
  hasPassphrase: boolean;
  open: boolean;
  /** This server listens to the network already. */
  onLan: boolean;
  /** Where a phone finds it, each with its code as SVG. */
  places: readonly { address: string; code: string }[];
}

/** What lets a phone of the same network in, what it needs first, and the code that the phone reads. */
export function DoorPart({ hasPassphrase, open, onLan, places }: Props) {
  const { wrong, busy, send } = useSend();
  return (
    <>
      <Text mb="3">
        A phone or tablet in the same network can open Kvell at the sink. Whoever is let in can read and change
        everything, so it stands behind a passphrase, and every device enters once, this one too. Only do it in a
        network that is your own.
      </Text>
      <Text fontWeight="650" mb="3">
        {!hasPassphrase
          ? 'No passphrase yet: nobody but this machine is let in.'
          : !open
            ? 'The network is shut out.'
            : onLan
              ? 'Open to the network, behind the passphrase.'
              : 'Open, but this Kvell was started for this machine only. Stop it and run npm start again; it listens to the network from then on.'}
      </Text>
      <Wrong words={wrong} />
      {onLan && open && (
        <Flex gap="6" wrap="wrap" mb="4">
          {places.map(({ address, code }) => (
            <Box key={address}>
              {/* eslint-disable-next-line @next/next/no-img-element */}
              <img
                src={`data:image/svg+xml,${encodeURIComponent(code)}`}
                alt={`Code for ${address}`}
                width={220}
                height={220}
              />
              <Text fontFamily="mono">{address}</Text>
            </Box>
          ))}
        </Flex>
      )}
      <Flex gap="3" wrap="wrap" mb="3">
        <Button
          look={open ? 'quiet' : 'go'}
          role="switch"
          aria-checked={open}
          loading={busy}
          onClick={() =>
            send(
              () => setDoorOpen(!open),
              () => say(open ? 'The network is shut out.' : 'The network is let in.'),
            )
          }
        >
          {open ? 'Shut the network out' : 'Let the network in'}
        </Button>
        {hasPassphrase && (
          <Button disabled={busy} onClick={() => send(signOut, () => say('Every device has to enter again.'))}>
            Sign every device out
          </Button>
        )}
      </Flex>
      <Fold summary={hasPassphrase ? 'Another passphrase' : 'Set a passphrase'} openAtFirst={!hasPassphrase}>
        <AnswerForm
          draftKey="passphrase"
          fields={[
            ...(hasPassphrase && onLan
              ? [{ name: 'before', label: 'Passphrase until now', kind: 'secret' as const }]
              : []),
            {
              name: 'passphrase',
              label: 'Passphrase',
              kind: 'secret',
              half: true,
              hint: 'Four words that nobody would guess are better than one odd word',
            },
            { name: 'again', label: 'The same again', kind: 'secret', half: true },
          ]}
          initial={{ before: '', passphrase: '', again: '' }}
          submit="Set the passphrase"
          done="Passphrase set. Every device has to enter with it."
          send={newPassphrase}
        />
      </Fold>
    </>
  );
}

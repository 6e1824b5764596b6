'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { goesAt, STAYS_DAYS } from '@/core/runsheet/deleted';
import { showTime } from '@/core/runsheet/time';
import type { DeletedRestoration } from '@/data/putAway';
import type { TakenBackAnywhere } from '@/data/takenBack';
import { bringItBack } from '@/undo/actions';
import { Button } from '@/ui/Button';
import { EmptyPlace, Part } from '@/ui/layout';
import { TextLink } from '@/ui/links';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { bringItOut } from './actions';

interface Props {
  restorations: readonly DeletedRestoration[];
  taken: readonly TakenBackAnywhere[];
  /** How many things were taken back in all, of which the newest are shown. */
  all: number;
  gone: readonly { id: string; title: string; goneAt: string }[];
  timeZone: string;
}

/** What was deleted or taken back, of every machine, each with the day on which it goes for good and the way back. */
export function DeletedPart({ restorations, taken, all, gone, timeZone }: Props) {
  const { wrong, busy, send } = useSend();
  const day = (at: string) => showTime(at, timeZone, 'd MMM yyyy');
  const row = (key: string, what: ReactNode, goes: string, back: () => ReturnType<typeof bringItBack>) => (
    <Flex as="li" key={key} gap="3" wrap="wrap" align="center" borderBottomWidth="1px" borderColor="line" py="2">
      <Text flex="1 1 260px">
        {what}
        <Text as="span" color="soft">
          , goes for good on {day(goes)}
        </Text>
      </Text>
      <Button disabled={busy} onClick={() => send(back, () => say('It is back.'))}>
        Bring it back
      </Button>
    </Flex>
  );
  const isEmpty = restorations.length + taken.length + gone.length === 0;
  return (
    <>
      <Text color="soft" mb="4" maxWidth="760px">
        What was deleted or taken back stays here for {STAYS_DAYS} days. Then it goes for good, photographs and all; the
        log keeps its words, and backups made before that day still have it.
      </Text>
      <Wrong words={wrong} />
      {isEmpty && <EmptyPlace>Nothing was deleted or taken back in the last {STAYS_DAYS} days.</EmptyPlace>}
      {restorations.length > 0 && (
        <Part title="Restorations">
          <Box as="ul" listStyleType="none">
            {restorations.map(({ id, title, at, goesAt: goes }) =>
              row(
                id,
                <>
                  <TextLink href={`/restorations/${id}`}>{title}</TextLink>, deleted {day(at)}
                </>,
                goes!,
                () => bringItOut(id),
              ),
            )}
          </Box>
        </Part>
      )}
      {taken.length > 0 && (
        <Part title="Pieces, pictures and entries">
          <Box as="ul" listStyleType="none">
            {taken.map(({ id, what, at, title }) =>
              row(id, title === null ? what : `${what}, of ${title}`, goesAt(at), () => bringItBack(id)),
            )}
          </Box>
          {all > taken.length && (
            <Text color="soft">
              These are the newest {taken.length} of {all}; the log of each machine has its own.
            </Text>
          )}
        </Part>
      )}
      {gone.length > 0 && (
        <Part title="Gone for good">
          <Box as="ul" listStyleType="none">
            {gone.map(({ id, title, goneAt }) => (
              <Text as="li" key={id} borderBottomWidth="1px" borderColor="line" py="2">
                <TextLink href={`/restorations/${id}/log`}>The log of {title}</TextLink>, gone {day(goneAt)}
              </Text>
            ))}
          </Box>
        </Part>
      )}
    </>
  );
}

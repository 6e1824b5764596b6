'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { useSend } from '@/ui/useSend';
import { Working } from '@/ui/Working';
import { Wrong } from '@/ui/Wrong';
import { lookHouseOver, mendTheHouse } from './keepingActions';

/** Looks everything over that is kept, and mends what can be mended after asking. */
export function HousePart() {
  const { wrong, busy, send } = useSend();
  const [found, setFound] = useState<{ words: string; lines: string[]; mendable: boolean } | null>(null);
  return (
    <>
      <Flex gap="3" wrap="wrap" mb="3">
        <Button disabled={busy} onClick={() => send(lookHouseOver, setFound)}>
          Look everything over
        </Button>
        {found?.mendable && (
          <Button
            disabled={busy}
            onClick={() =>
              send(mendTheHouse, (lines) =>
                setFound({ words: 'Mended what could be; nothing was thrown away.', lines, mendable: false }),
              )
            }
          >
            Mend what can be mended
          </Button>
        )}
      </Flex>
      {busy && <Working share={null} words="Reading the database and every photograph." />}
      <Wrong words={wrong} />
      {found && (
        <Box role="status">
          <Text fontWeight="650">{found.words}</Text>
          <Box as="ul" pl="5">
            {found.lines.map((line, i) => (
              <li key={i}>{line}</li>
            ))}
          </Box>
        </Box>
      )}
    </>
  );
}

'use client';

import { Box, Dialog, Portal, Text } from '@chakra-ui/react';
import { TextBox } from '@/ui/Typed';
import NextLink from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { search } from './actions';
import type { Found } from './find';

const NOTHING = {
  found: 'No machine, piece, stage or sum is called so.',
  away: 'Kvell does not answer: nothing was looked for. Type on once it does.',
};

/** What came for which words; nothing came where the server did not answer. */
interface Answered {
  words: string;
  found: Found[] | null;
}

/** Finds restorations, pieces, stages, sums and places by words. */
export function FindDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  const router = useRouter();
  const [words, setWords] = useState('');
  const [answered, setAnswered] = useState<Answered>({ words: '', found: [] });
  // Entered before its answer came: the first of what comes for it is opened, not of what stood there before.
  const entered = useRef<string>(null);
  const go = (first: Found | undefined) => {
    router.push(first?.href ?? `/find?${new URLSearchParams({ q: words }).toString()}`);
    onClose();
  };
  const arrived = useEffectEvent((found: Found[] | null) => {
    setAnswered({ words, found });
    if (found && words !== '' && entered.current === words) go(found[0]);
  });
  useEffect(() => {
    if (!open) return;
    let stale = false;
    const tell = (found: Found[] | null) => {
      if (!stale) arrived(found);
    };
    const timer = setTimeout(() => void search(words).then(tell, () => tell(null)), 120);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [open, words]);
  const found = answered.found ?? [];
  const isKnown = answered.words === words;
  return (
    <Dialog.Root open={open} onOpenChange={({ open: now }) => !now && onClose()} placement="top">
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content bg="sheet" borderRadius="3px" mx="4">
            <Dialog.Header>
              <Dialog.Title>Find anything</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body pb="5">
              <TextBox
                autoFocus
                aria-label="Words to find"
                value={words}
                onChange={(event) => {
                  entered.current = null;
                  setWords(event.target.value);
                }}
                onKeyDown={(event) => {
                  if (event.key !== 'Enter' || words.trim() === '') return;
                  if (isKnown && answered.found) go(found[0]);
                  else entered.current = words;
                }}
              />
              <Box mt="3" aria-live="polite">
                <Box as="ul" listStyleType="none">
                  {found.map(({ href, title, kind }) => (
                    <Box as="li" key={href} borderTopWidth="1px" borderColor="line">
                      <NextLink
                        prefetch={false}
                        href={href}
                        onClick={onClose}
                        style={{
                          display: 'flex',
                          justifyContent: 'space-between',
                          minHeight: 44,
                          alignItems: 'center',
                          gap: 12,
                        }}
                      >
                        <span>{title}</span>
                        <Text as="span" color="soft">
                          {kind}
                        </Text>
                      </NextLink>
                    </Box>
                  ))}
                </Box>
                {found.length === 0 && words.trim() !== '' && (
                  <Text color="soft">{isKnown ? NOTHING[answered.found ? 'found' : 'away'] : 'Looking.'}</Text>
                )}
              </Box>
              {words.trim() !== '' && (
                <NextLink
                  prefetch={false}
                  href={`/find?${new URLSearchParams({ q: words }).toString()}`}
                  onClick={onClose}
                  style={{ display: 'flex', minHeight: 44, alignItems: 'center', textDecoration: 'underline' }}
                >
                  {`Look for “${words.trim().slice(0, 40)}” in everything that was written`}
                </NextLink>
              )}
            </Dialog.Body>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}

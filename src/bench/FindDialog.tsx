'use client';

import { Box, Dialog, Portal, Text } from '@chakra-ui/react';
import { TextBox } from '@/ui/Typed';
import NextLink from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { search } from './actions';
import type { Found } from './find';

/** Finds restorations, pieces, stages, sums and places by words. */
export function FindDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  const router = useRouter();
  const [words, setWords] = useState('');
  const [found, setFound] = useState<Found[]>([]);
  useEffect(() => {
    if (!open) return;
    let stale = false;
    const timer = setTimeout(() => void search(words).then((results) => !stale && setFound(results)), 120);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
  }, [open, words]);
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
                onChange={(event) => setWords(event.target.value)}
                onKeyDown={(event) => {
                  if (event.key !== 'Enter' || words.trim() === '') return;
                  router.push(found[0]?.href ?? `/find?${new URLSearchParams({ q: words }).toString()}`);
                  onClose();
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
                {found.length === 0 && <Text color="soft">No machine, piece, stage or sum is called so.</Text>}
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

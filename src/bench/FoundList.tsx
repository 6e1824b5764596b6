'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { FOUND_KINDS, type FoundKind } from '@/core/runsheet/foundKinds';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { LabelledBox } from '@/ui/LabelledBox';
import { LinkButton } from '@/ui/links';
import { photoUrl } from '@/ui/photoUrl';
import { Select } from '@/ui/Select';

interface Row {
  id: number;
  href: string;
  kind: string;
  machine: string | null;
  at: string | null;
  words: string;
  photoId: string | null;
}

interface Props {
  words: string;
  kind: FoundKind | null;
  /** What was typed was longer than what was looked for. */
  cut: boolean;
  next: number | null;
  rows: readonly Row[];
}

const address = (words: string, kind: string | null, before?: number) =>
  `/find?${new URLSearchParams({ q: words, ...(kind && { kind }), ...(before && { before: String(before) }) }).toString()}`;

/** Words to find, and what holds them, each with its picture and where it stands. */
export function FoundList({ words, kind, cut, next, rows }: Props) {
  const router = useRouter();
  const [typed, setTyped] = useState(words);
  // Other words were looked for from elsewhere, or by going back: they stand in the box.
  const [looked, setLooked] = useState(words);
  if (looked !== words) {
    setLooked(words);
    setTyped(words);
  }
  return (
    <>
      <form
        role="search"
        action="/find"
        onSubmit={(event) => {
          event.preventDefault();
          router.push(address(typed, kind));
        }}
      >
        <Flex gap="3" align="flex-end" wrap="wrap" mb="3">
          <LabelledBox label="Words" name="q" value={typed} onChange={(event) => setTyped(event.target.value)} />
          <label>
            <Text fontSize="15px">Among</Text>
            <Select
              name="kind"
              value={kind ?? ''}
              onChange={(event) => router.push(address(typed, event.target.value))}
              options={[
                { value: '', label: 'everything' },
                ...Object.entries(FOUND_KINDS).map(([value, label]) => ({ value, label })),
              ]}
            />
          </label>
          <Button type="submit" look="go">
            Find
          </Button>
        </Flex>
      </form>
      {cut && <Text mb="3">That was very long: only its first 200 letters were looked for.</Text>}
      <Box as="ul" listStyleType="none">
        {rows.map(({ id, href, kind: name, machine, at, words: held, photoId }) => (
          <Box as="li" key={id} borderTopWidth="1px" borderColor="line">
            <a href={href} style={{ display: 'flex', gap: 12, padding: '8px 0', minHeight: 64 }}>
              {photoId ? (
                // eslint-disable-next-line @next/next/no-img-element
                <img
                  src={photoUrl(photoId, 'small')}
                  alt=""
                  loading="lazy"
                  width={72}
                  height={54}
                  style={{ objectFit: 'cover', flexShrink: 0 }}
                />
              ) : (
                <Box width="72px" flexShrink="0" />
              )}
              <Box minWidth="0">
                <Text lineClamp={2}>{held}</Text>
                <Text color="soft" fontSize="15px">
                  {[name, machine, at].filter(Boolean).join(', ')}
                </Text>
              </Box>
            </a>
          </Box>
        ))}
      </Box>
      {next !== null && <LinkButton href={address(words, kind, next)}>Older ones</LinkButton>}
    </>
  );
}

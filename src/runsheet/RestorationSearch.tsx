import { Box, Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Typed';
import type { Shown } from '@/data/restorations';
import { OtherPages } from '@/ui/links';
import { Select } from '@/ui/Select';

interface Props {
  shown: Shown;
  words: string;
  /** From 0. */
  page: number;
  pages: number;
  /** How many there are in all. */
  all: number;
}

const SHOWN: Record<Shown, string> = { all: 'all', open: 'open', finished: 'finished', 'put away': 'put away' };

/** Which restorations are listed, and the way to the next page of them. A plain form: it works before anything has loaded. */
export function RestorationSearch({ shown, words, page, pages, all }: Props) {
  const at = (to: number) =>
    `/restorations?${new URLSearchParams({ show: shown, words, page: String(to + 1) }).toString()}`;
  return (
    <Box mb="4">
      <form action="/restorations">
        <Flex gap="3" wrap="wrap" align="flex-end">
          <Box flex="1 1 260px" maxWidth="420px">
            <label htmlFor="words">Name, machine or owner</label>
            <TextBox id="words" name="words" defaultValue={words} maxLength={100} style={{ minHeight: 56 }} />
          </Box>
          <Box flex="0 0 150px">
            <label htmlFor="show">Show</label>
            <Select
              id="show"
              name="show"
              defaultValue={shown}
              options={Object.entries(SHOWN).map(([value, label]) => ({ value, label }))}
              style={{ minHeight: 56 }}
            />
          </Box>
          <Button type="submit" bench look="quiet">
            Look
          </Button>
        </Flex>
      </form>
      {pages > 1 && (
        <Flex gap="3" align="center" mt="3" wrap="wrap">
          <Text color="soft">
            Page {page + 1} of {pages}, {all} in all, the last worked on first
          </Text>
          <OtherPages
            of="Other pages"
            back={page > 0 ? { href: at(page - 1), words: 'Newer' } : null}
            on={page + 1 < pages ? { href: at(page + 1), words: 'Older' } : null}
          />
        </Flex>
      )}
    </Box>
  );
}

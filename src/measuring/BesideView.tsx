import { Box, Grid, Text } from '@chakra-ui/react';
import { figured } from '@/core/colour/signed';
import { showMinutes, showTime } from '@/core/runsheet/time';
import { EmptyPlace } from '@/ui/layout';
import { LinkButton, TextLink } from '@/ui/links';
import { Tag } from '@/ui/Tag';
import type { Beside, Candidate } from './beside';
import { BesideSearch } from './BesideSearch';

const FIGURES: readonly [name: string, of: (one: Beside, timeZone: string) => string][] = [
  ['Machine', ({ title }) => title],
  ['Plastic', ({ plastic }) => plastic],
  ['Measured', ({ last }, timeZone) => showTime(last.measuredAt, timeZone, 'd MMM yyyy')],
  ['b* now', ({ last }) => (last.lab ? figured(last.lab[2]) : '–')],
  ['b* at first', ({ first }) => (first.lab ? figured(first.lab[2]) : '–')],
  ['Over its own hidden patch', ({ last }) => (last.deltaB === null ? '–' : figured(last.deltaB))],
  ['Yellowness index', ({ last }) => last.yellownessIndex?.toFixed(1) ?? '–'],
  ['ΔE00 to the hidden patch', ({ last }) => last.deltaE00?.toFixed(1) ?? '–'],
  ['Verdict', ({ last }) => last.verdict ?? '–'],
  [
    'Sessions',
    ({ sessions, minutes }) => (sessions === 0 ? 'none' : `${sessions}, ${showMinutes(Math.round(minutes))}`),
  ],
];

/** Two measured pieces in the same view and the same light, with their figures beside one another. */
export function BesideView({ pair, timeZone }: { pair: readonly [Beside, Beside]; timeZone: string }) {
  return (
    <>
      <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="4" mb="4">
        {pair.map((one) => (
          <Box key={one.id}>
            <Text fontWeight="650" mb="2">
              <Tag>{one.tag}</Tag> {one.name},{' '}
              <TextLink href={`/restorations/${one.restorationId}`}>{one.title}</TextLink>
            </Text>
            {one.faceUrl ? (
              // eslint-disable-next-line @next/next/no-img-element
              <img
                src={one.faceUrl}
                alt={`${one.tag} ${one.name}, straight on and in the light of its card`}
                style={{ width: '100%', display: 'block' }}
              />
            ) : (
              <EmptyPlace>The photograph that it was measured on is gone, or has no outline.</EmptyPlace>
            )}
          </Box>
        ))}
      </Grid>
      <div className="table" tabIndex={0} role="region" aria-label="Figures of both">
        <table>
          <caption>Both on their own plane and in the light of their grey card</caption>
          <thead>
            <tr>
              <th scope="col">Figure</th>
              {pair.map(({ id, tag, title }) => (
                <th key={id} scope="col" className="figure">
                  {tag} {title}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {FIGURES.map(([name, of]) => (
              <tr key={name}>
                <th scope="row">{name}</th>
                {pair.map((one) => (
                  <td key={one.id} className="figure">
                    {of(one, timeZone)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

/** Pieces that can be laid beside one. */
export function BesideChoice({ a, words, found }: { a: string; words: string; found: readonly Candidate[] }) {
  return (
    <>
      <BesideSearch key={a} a={a} words={words} />
      {found.length === 0 && <EmptyPlace>No other measured piece is called so.</EmptyPlace>}
      <Box as="ul" listStyleType="none" mt="3">
        {found.map(({ id, words: name }) => (
          <Box as="li" key={id} borderTopWidth="1px" borderColor="line" py="2">
            <LinkButton href={`/beside?a=${a}&b=${id}`}>{name}</LinkButton>
          </Box>
        ))}
      </Box>
    </>
  );
}

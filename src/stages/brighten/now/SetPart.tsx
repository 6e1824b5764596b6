import { assumed, assumedLine } from '@/core/assumptions/assumptions';
import { Box, Grid, Text } from '@chakra-ui/react';
import type { Lab } from '@/core/colour/types';
import type { CommonTarget } from '@/core/fade/commonTarget';
import { Part } from '@/ui/layout';
import { PlasticScale } from '@/ui/PlasticScale';
import { scaleMarks } from '@/ui/scaleMarks';
import { Tag } from '@/ui/Tag';
import { Worked } from '@/ui/Worked';

const NO_COLOURS = { first: null, now: null };
/** The target is a place on the scale; how light it is there says nothing. */
const TARGET_LA = [87, 0] as const;

interface Props {
  set: CommonTarget;
  /** Colours of each piece by its id: at first, and as last measured. */
  colours: ReadonlyMap<string, { first: Lab | null; now: Lab | null }>;
}

/** Pieces that sit together, each on the plastic scale: how far it still is from the colour that all go for. */
export function SetPart({ set, colours }: Props) {
  const leads = set.places.find(({ id }) => id === set.leads);
  return (
    <Part title="Together" id="together">
      <Text mb="2">
        Pieces that sit together go for one colour, b* {set.targetB.toFixed(1)}: the middle of their hidden patches.{' '}
        {leads ? (
          <>
            <b>{leads.tag} leads</b>: it is furthest, so it gets the next session.
          </>
        ) : (
          'All that are measured are there.'
        )}{' '}
        {set.past.length > 0 &&
          `${set.past.join(', ')} ${set.past.length === 1 ? 'is' : 'are'} past it; the others do not follow. `}
        {set.apart.length > 0 &&
          `The hidden patch of ${set.apart.join(', ')} stands apart from the others: check again that light never reached it.`}
      </Text>
      {set.places.map(({ id, tag, targetB, aboveB }) => (
        <Grid key={id} templateColumns={{ base: 'auto 1fr', md: 'auto 1fr 14ch' }} alignItems="center" columnGap="3">
          <Tag>{tag}</Tag>
          <Box order={{ base: 1, md: 0 }} gridColumn={{ base: '1 / -1', md: 'auto' }}>
            <PlasticScale
              marks={scaleMarks({ ...(colours.get(id) ?? NO_COLOURS), hidden: [...TARGET_LA, targetB] })}
              compact
            />
          </Box>
          <Text fontFamily="mono" textAlign="right" fontWeight={id === set.leads ? 650 : undefined}>
            {aboveB === null
              ? 'not measured'
              : aboveB < 0
                ? `${(-aboveB).toFixed(1)} past it`
                : `${aboveB.toFixed(1)} b* to go`}
          </Text>
        </Grid>
      ))}
      <Worked
        lines={[
          {
            what: 'Common target',
            how: `median b* of the hidden patches = ${set.targetB.toFixed(1)}; a patch more than ${assumed('patch apart')} from it is not followed`,
          },
          { what: 'To go', how: 'b* as last measured − the target, or − its own hidden patch where that is yellower' },
          assumedLine(['there together', 'patch apart']),
        ]}
        source="A convention of Kvell: all pieces that sit together to the same colour, not each to its own best."
      />
    </Part>
  );
}

'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import type { ObstacleRow } from '@/data/rows';
import { AnswerForm } from '@/ui/AnswerForm';
import { SkyRing } from '@/ui/SkyRing';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { removeInTheWay, addInTheWay } from './actions';

const direction = (name: string, label: string) => ({ name, label, kind: 'number', unit: '°', third: true }) as const;

/** The horizon where pieces are laid out, as one draws it: each thing with its two edges and its height. */
export function HorizonPart({ obstacles }: { obstacles: readonly ObstacleRow[] }) {
  const { wrong, busy, send } = useSend();
  return (
    <Grid templateColumns={{ base: '1fr', md: '320px minmax(0, 1fr)' }} gap="6" alignItems="start">
      <SkyRing
        obstacles={obstacles}
        label={`The horizon, ${obstacles.length === 0 ? 'open all round' : obstacles.map(({ name }) => name).join(', ')}`}
      />
      <Box>
        <Text mb="3">
          Stand where the pieces lie, and name what hides the sky: the direction of its left and its right edge (0°
          north, 90° east, 180° south, 270° west), and its height. A fist at arm’s length is about 10°.
        </Text>
        <Wrong words={wrong} />
        {obstacles.map(({ id, name, fromDeg, toDeg, heightDeg }) => (
          <Flex key={id} borderTopWidth="1px" borderColor="line" py="2" gap="3" align="center" justify="space-between">
            <Text>
              <b>{name}</b> {fromDeg}° to {toDeg}°, {heightDeg}° high
            </Text>
            <Button disabled={busy} onClick={() => send(() => removeInTheWay(id))} aria-label={`Remove: ${name}`}>
              Remove
            </Button>
          </Flex>
        ))}
        <AnswerForm
          draftKey="obstacle"
          fields={[
            { name: 'name', label: 'What it is', hint: 'House wall, fence, tree' },
            direction('fromDeg', 'Left edge'),
            direction('toDeg', 'Right edge'),
            direction('heightDeg', 'Height'),
          ]}
          initial={{ name: '', fromDeg: '', toDeg: '', heightDeg: '' }}
          submit="It stands in the way"
          done="Counted from now on."
          send={(values) => addInTheWay(values)}
        />
      </Box>
    </Grid>
  );
}

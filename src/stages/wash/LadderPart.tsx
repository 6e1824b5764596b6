'use client';

import { END_WORDS, LEAVE_WORDS } from '@/core/cleaning/ladderWords';
import { assumedLine, type AssumptionName } from '@/core/assumptions/assumptions';
import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { viewHref } from '@/core/runsheet/views';
import { VISIBLE } from '@/core/cleaning/ladder';
import { AnswerForm, options } from '@/ui/AnswerForm';
import { Fold } from '@/ui/Fold';
import { LinkButton } from '@/ui/links';
import { nameWhatItIs, leaveSpot } from './actions';
import type { RungView, SpotView } from './view';

const LADDER_ASSUMES: readonly AssumptionName[] = [
  'a spot in front',
  'a spot underneath',
  'a spot inside',
  'what eats on',
  'a test spot',
  'waiting at the sink',
  'wear of the delicate',
  'a twin',
  'weight of the data set',
];
const STATE = { done: 'done', running: 'at the sink', next: 'next', ahead: '' } as const;

/** A spot and its ladder, from the gentlest rung up; what is ruled out and why stands folded below. */
export function LadderPart({ restorationId, spot }: { restorationId: string; spot: SpotView }) {
  const looks = spot.choices.find(({ value }) => value === spot.soil)?.looks;
  return (
    <Box borderTopWidth="1px" borderColor="lineStrong" py="3" id={`spot-${spot.id}`}>
      <Flex justify="space-between" gap="3" wrap="wrap">
        <Text>
          <b>{spot.place}</b>: {spot.name}
        </Text>
        <Text color="soft">
          {spot.settled ?? [spot.soilTitle ?? 'not named yet', spot.severity, spot.visible].join(' · ')}
        </Text>
      </Flex>
      {spot.settled === null && (
        <>
          {spot.soil !== null && spot.rungs.length > 0 && (
            <Box as="ol" listStyleType="none" my="2" aria-label={`Ladder for ${spot.name}`}>
              {spot.rungs.map((rung) => (
                <RungRow
                  key={rung.agent}
                  rung={rung}
                  takeHref={`${viewHref(restorationId, 'wash')}?spot=${spot.id}&rung=${rung.agent}`}
                />
              ))}
            </Box>
          )}
          {spot.soil !== null && spot.rungs.length > 0 && (
            <Text color="soft" fontSize="15px">
              The bar is how rough it is, teal gentle to red; beside it the chance and the minutes of one try.
            </Text>
          )}
          {spot.end !== null && (
            <Text color="soft" mb="1">
              {END_WORDS[spot.end]}
            </Text>
          )}
          <Fold
            summary={spot.soil === null ? 'Say what it is' : 'It is something else'}
            openAtFirst={spot.soil === null}
          >
            <AnswerForm
              draftKey={`soil:${spot.id}`}
              fields={[
                { name: 'soil', label: 'What it is', kind: 'choice', half: true, options: spot.choices },
                {
                  name: 'visible',
                  label: 'Seen from, when it is together',
                  kind: 'choice',
                  half: true,
                  options: options(VISIBLE),
                },
              ]}
              initial={{ soil: spot.soil ?? spot.choices[0]!.value, visible: spot.visible }}
              submit="That is it"
              done="Its ladder stands."
              keeps
              send={(values) => nameWhatItIs({ findingId: spot.id, ...values })}
            >
              {(form) => (
                <Text color="soft">
                  {spot.choices.find(({ value }) => value === form.watch('soil'))?.looks ?? looks}
                </Text>
              )}
            </AnswerForm>
          </Fold>
          {spot.soil !== null && (
            <Fold summary="What this ladder assumes" quiet>
              <Text fontSize="15px">
                {assumedLine(LADDER_ASSUMES).how}; chances, minutes and wear of the data set (guesses, moved by your own
                passes).
              </Text>
            </Fold>
          )}
          {spot.ruledOut.length > 0 && (
            <Fold summary={`Ruled out: ${spot.ruledOut.length}`} quiet>
              {spot.ruledOut.map(({ title, why }) => (
                <Text key={title}>
                  <b>{title}</b>: {why}
                </Text>
              ))}
            </Fold>
          )}
          <Fold summary="Leave it" quiet>
            <AnswerForm
              draftKey={`leave:${spot.id}`}
              fields={[{ name: 'words', label: 'Why it is left', hint: 'It goes into the record' }]}
              initial={{
                words: LEAVE_WORDS[spot.end ?? 'worth no more'],
              }}
              submit="Leave it"
              done="Left on purpose."
              send={(values) => leaveSpot({ findingId: spot.id, ...values })}
            />
          </Fold>
        </>
      )}
    </Box>
  );
}

/** A rung: how rough it is as a bar, how likely, how long. */
function RungRow({ rung, takeHref }: { rung: RungView; takeHref: string }) {
  const again = rung.state === 'done' ? 'Once more' : 'Take this one';
  const here = rung.state === 'next' || rung.state === 'running';
  return (
    <Grid
      as="li"
      templateColumns={{ base: '40px minmax(0, 1fr) auto', md: '72px minmax(0, 1fr) 70px 76px' }}
      columnGap="3"
      alignItems="center"
      py="1"
      minHeight="44px"
      borderLeftWidth={here ? '8px' : '0'}
      borderColor="work"
      pl={here ? '3' : '0'}
    >
      <Box role="img" aria-label={`roughness ${rung.roughness} of 9`} height="10px" bg="line" position="relative">
        <Box
          position="absolute"
          insetY="0"
          left="0"
          bg={rung.roughness >= 7 ? 'hazard' : rung.roughness >= 5 ? 'sun' : 'work'}
          style={{ width: `${Math.max(4, (100 * rung.roughness) / 9)}%` }}
        />
      </Box>
      <Text fontWeight={here ? '650' : '400'} {...(rung.state === 'done' && { color: 'soft' })}>
        {rung.title}
        {rung.testSpot && ' (test spot first)'}
        {STATE[rung.state] && (
          <Text as="span" color="work" fontWeight="650" display={{ base: 'inline', md: 'none' }}>
            {' '}
            {STATE[rung.state]}
          </Text>
        )}
      </Text>
      <Text fontFamily="mono" fontSize="15px" textAlign="end">
        {Math.round(100 * rung.chance)} %<br />
        {Math.round(rung.minutes)} min
      </Text>
      <Text
        display={{ base: 'none', md: 'block' }}
        textAlign="end"
        color={here ? 'work' : 'soft'}
        fontWeight="650"
        fontSize="15px"
      >
        {STATE[rung.state]}
      </Text>
      <Text color="soft" fontSize="15px" gridColumn={{ base: '2 / 4', md: '2 / 3' }}>
        {rung.outcomes.length > 0 ? rung.outcomes.join(', ') : rung.why}
        {rung.byHand && (
          <LinkButton look="bare" href={takeHref} label={`${again}: ${rung.title}`}>
            {again}
          </LinkButton>
        )}
      </Text>
    </Grid>
  );
}

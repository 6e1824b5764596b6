'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useState } from 'react';
import { showMinutes, showTime } from '@/core/runsheet/time';
import { AnswerForm, options } from '@/ui/AnswerForm';
import { useSend } from '@/ui/useSend';
import { Worked } from '@/ui/Worked';
import { Wrong } from '@/ui/Wrong';
import { drawExercise, gradeExercise, rehearseSession } from '../actions';
import type { ExerciseView, Graded, RehearsalView } from './rehearsal';

interface Props {
  pieceId: string;
  timeZone: string;
  start: string;
}

/** A session tried out before it is done, and questions with a known answer. */
export function RehearsePart({ pieceId, timeZone, start }: Props) {
  const [view, setView] = useState<RehearsalView | null>(null);
  return (
    <>
      <AnswerForm
        draftKey={`rehearse:${pieceId}`}
        fields={[
          { name: 'start', label: 'From', kind: 'time', half: true },
          { name: 'durationMin', label: 'For', kind: 'number', unit: 'min', half: true },
          {
            name: 'film',
            label: 'Film',
            kind: 'choice',
            third: true,
            options: options(['smooth', 'wrinkled', 'none']),
          },
          {
            name: 'spread',
            label: 'Cream',
            kind: 'choice',
            third: true,
            options: options(['even', 'thick in places']),
          },
          { name: 'turned', label: 'Turned', kind: 'choice', third: true, options: options(['by the plan', 'never']) },
          { name: 'cloudPercent', label: 'Cloud', kind: 'number', unit: '% of the sky', half: true },
          { name: 'frothPercent', label: 'Froth over it', kind: 'number', unit: '%', half: true },
          { name: 'percentWW', label: 'Strength', kind: 'number', unit: '% by weight', half: true },
          { name: 'temperatureC', label: 'Warmth under the film', kind: 'number', unit: '°C', half: true },
        ]}
        initial={{
          start,
          durationMin: '240',
          film: 'wrinkled',
          spread: 'even',
          turned: 'never',
          cloudPercent: '10',
          frothPercent: '0',
          percentWW: '12',
          temperatureC: '35',
        }}
        submit="Try it out"
        keeps
        send={(values) => rehearseSession({ ...values, pieceId })}
        onDone={setView}
      />
      {view && (
        <Box aria-live="polite" mt="4">
          <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="5">
            <Face url={view.url} title="Done like this" median={view.median} spread={view.spread} />
            <Face
              url={view.bestUrl}
              title="The same window, no mistake"
              median={view.bestMedian}
              spread={view.bestSpread}
            />
          </Grid>
          <Text mt="2" fontWeight="650">
            {view.fault}
          </Text>
          {view.mistakes.length === 0 ? (
            <Text>Nothing to do better in this window.</Text>
          ) : (
            view.mistakes.map((words) => <Text key={words}>{words}</Text>)
          )}
          <Worked
            lines={[
              {
                what: 'Dose of the window',
                how: `∫ UV index × what the cover lets through dt = ${view.dose.toFixed(1)} UVI·h, and of each place a share of it`,
              },
              { what: 'Face', how: 'b* = target + (start − target) · exp(−k · (strength / usual)^0.6 · share · dose)' },
              { what: 'From palest to yellowest', how: '5th to 95th percentile of b* over the face' },
            ]}
            source="Sun by its position, UV index after Madronich (2007); mistakes by src/core/rehearse; the power 0.6 is a guess between the usual rates."
            sum={{ name: 'sun-dose', title: 'sun dose' }}
          />
          <Text color="soft" fontSize="15px" mt="2">
            Computed, not drawn: {view.dose.toFixed(1)} UVI·h of this window, place by place, through the fade at this
            way’s rate. An estimate.
          </Text>
        </Box>
      )}
      <Exercises timeZone={timeZone} />
    </>
  );
}

function Face({ url, title, median, spread }: { url: string; title: string; median: number; spread: number }) {
  return (
    <figure>
      {/* eslint-disable-next-line @next/next/no-img-element */}
      <img src={url} alt={title} style={{ width: '100%', borderRadius: 6 }} />
      <figcaption>
        <b>{title}</b>: b* {median.toFixed(1)} at the middle, {spread.toFixed(1)} from palest to yellowest
      </figcaption>
    </figure>
  );
}

/** Which of three windows brings the most: graded, with the reason; the progress is kept. */
function Exercises({ timeZone }: { timeZone: string }) {
  const { wrong, busy, send } = useSend();
  const [asked, setAsked] = useState<ExerciseView | null>(null);
  const [answer, setAnswer] = useState<Graded | null>(null);
  const ask = () =>
    send(drawExercise, (next) => {
      setAsked(next);
      setAnswer(null);
    });
  return (
    <Box mt="6">
      <Text fontFamily="heading" fontWeight="650" fontSize="20px">
        Exercise: which of three days
      </Text>
      <Wrong words={wrong} />
      {asked && (
        <Box aria-live="polite">
          <Text mb="2">
            Which window brings the most? Exercise {asked.seed}; {asked.right} of {asked.done} right so far.
          </Text>
          <Grid templateColumns={{ base: '1fr', md: 'repeat(3, 1fr)' }} gap="3">
            {asked.windows.map(({ start, durationMin, cloudPercent }, i) => (
              <Button
                key={start}
                bench
                height="auto"
                py="3"
                whiteSpace="normal"
                disabled={busy || answer !== null}
                onClick={() => send(() => gradeExercise({ seed: asked.seed, answered: i }), setAnswer)}
              >
                {showTime(start, timeZone, 'd MMM, HH:mm')}, {showMinutes(durationMin)}, {cloudPercent} % cloud
                {answer?.answer === i && ': this one'}
              </Button>
            ))}
          </Grid>
          {answer && (
            <Text mt="2">
              <b>{answer.right ? 'Right.' : 'Not this one.'}</b> {answer.why}
            </Text>
          )}
        </Box>
      )}
      <Flex mt="3">
        {(asked === null || answer !== null) && (
          <Button loading={busy} onClick={ask}>
            {asked === null ? 'Ask me' : 'Another'}
          </Button>
        )}
      </Flex>
    </Box>
  );
}

'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { CONNECTOR, segmentsBefore, type Point } from '@/core/keyboard/board';
import type { Reading } from '@/core/keyboard/evidence';
import { GRADES, meterShows, placesOf, practiceBoard, unknownBits, type Grade } from '@/core/keyboard/practice';
import { pointWords } from '@/core/keyboard/words';
import type { KeyPracticeRow } from '@/data/rows';
import { Button } from '@/ui/Button';
import { MainAction } from '@/ui/MainAction';
import { Select } from '@/ui/Select';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { answerThePractice } from './actions';
import { BoardDrawing } from './BoardDrawing';
import { Chips } from '@/ui/Chips';
import { marksOf } from './marks';

const GRADE_WORDS: Record<Grade, string> = {
  plain: 'Plain: one break',
  wide: 'Wide: a break and a bad contact',
  mean: 'Mean: two breaks, and the meter slips',
};

interface Break {
  line: string;
  segment: number;
}

/** Boards with hidden faults and a simulated meter: find each break with as few probes as can be. */
export function PracticePart({ practised }: { practised: readonly KeyPracticeRow[] }) {
  const [grade, setGrade] = useState<Grade>('plain');
  const next = (of: Grade) => 1 + practised.filter((one) => one.grade === of).length;
  // The board stays until another is asked for: its answer is read on it.
  const [seed, setSeed] = useState(() => next('plain'));
  return (
    <>
      <Chips
        label="How hard"
        of={GRADES}
        words={GRADE_WORDS}
        chosen={grade}
        onChoose={(one) => (setGrade(one), setSeed(next(one)))}
      />
      <Play key={`${grade} ${seed}`} grade={grade} seed={seed} onNext={() => setSeed(next(grade))} />
      {practised.length > 0 && (
        <Box mt="3">
          {GRADES.flatMap((one) => {
            const done = practised.filter((row) => row.grade === one);
            if (done.length === 0) return [];
            const sum = (of: 'probes' | 'ours') => done.reduce((all, row) => all + row[of], 0) / done.length;
            return (
              <Text key={one}>
                {GRADE_WORDS[one]}: {done.filter((row) => row.rightly).length} of {done.length} right,{' '}
                {sum('probes').toFixed(1)} probes each; ours {sum('ours').toFixed(1)}.
              </Text>
            );
          })}
        </Box>
      )}
    </>
  );
}

function Play({ grade, seed, onNext }: { grade: Grade; seed: number; onNext: () => void }) {
  const practice = useMemo(() => practiceBoard(grade, seed), [grade, seed]);
  const { board, seen, hidden } = practice;
  const [lineId, setLineId] = useState(board.lines[0]!.id);
  const [ends, setEnds] = useState<Point[]>([CONNECTOR]);
  const [readings, setReadings] = useState<Reading[]>([]);
  const [told, setTold] = useState<number[]>([]);
  const [said, setSaid] = useState<Break[]>([]);
  const [answer, setAnswer] = useState<KeyPracticeRow | null>(null);
  const { wrong, busy, send } = useSend();
  const line = board.lines.find(({ id }) => id === lineId)!;
  const tap = (key: Point) => {
    if (!placesOf(line).includes(key)) return;
    setEnds(ends.includes(key) ? ends.filter((one) => one !== key) : [...ends, key].slice(-2));
  };
  const [from, to] = ends;
  const measure = () => {
    const ohms = meterShows(practice, { line: lineId, from: from!, to: to! }, readings.length);
    const next = [...readings, { line: lineId, from: from!, to: to!, ohms }];
    setTold([...told, unknownBits(practice, readings) - unknownBits(practice, next)]);
    setReadings(next);
  };
  const places = ends.map((point) => segmentsBefore(line, point)!).sort((a, b) => a - b);
  const besides = places.length === 2 && places[1]! - places[0]! === 1;
  const marks = {
    ...marksOf(seen),
    ...Object.fromEntries(ends.map((key) => [key, { tone: 'chosen' as const, sign: '›', words: 'a tip goes here' }])),
  };
  const shown = (answer ? hidden : said).flatMap(({ line: id, segment }) => {
    const one = board.lines.find((other) => other.id === id);
    return one ? [{ line: one, brokenAt: segment }] : [];
  });
  return (
    <>
      <Text mb="2">
        {hidden.length === 1 ? 'One line is broken.' : 'Two lines are broken.'} Choose a line, tap two places of it,
        measure. Where you are sure, tap the two on both sides of the break.
      </Text>
      <BoardDrawing
        board={board}
        label={`Practice board, ${GRADE_WORDS[grade]}`}
        marks={marks}
        lines={[...shown, ...(shown.some(({ line: one }) => one.id === line.id) ? [] : [{ line }])]}
        onTap={tap}
      />
      {answer ? (
        <Box mt="3" aria-live="polite">
          <Text fontWeight="650" fontSize="20px">
            {answer.rightly ? 'Found.' : 'That is not where it is: the board shows it.'} {answer.probes} probes; our own
            way takes {answer.ours}.
          </Text>
          <MainAction>
            <Button look="go" bench onClick={onNext}>
              Another board
            </Button>
          </MainAction>
        </Box>
      ) : (
        <>
          <Flex gap="2" wrap="wrap" align="end" mt="2">
            <label>
              <Text fontSize="15px">Line</Text>
              <Select
                value={lineId}
                onChange={(event) => (setLineId(event.target.value), setEnds([CONNECTOR]))}
                options={board.lines.map(({ id }) => ({ value: id, label: id }))}
              />
            </label>
            <Button aria-pressed={ends.includes(CONNECTOR)} onClick={() => tap(CONNECTOR)}>
              A tip on the connector
            </Button>
            <Button look="go" bench disabled={!to} onClick={measure}>
              Measure
            </Button>
            <Button
              bench
              disabled={!besides || said.length >= hidden.length}
              onClick={() => setSaid([...said, { line: lineId, segment: places[1]! }])}
            >
              It is broken between them
            </Button>
          </Flex>
          <Box aria-live="polite" mt="2">
            {readings.map((one, i) => (
              <Text key={i}>
                {i + 1}. {one.line}, {pointWords(one.from)} to {pointWords(one.to)}:{' '}
                <b>{one.ohms === null ? 'open' : `${one.ohms} Ω`}</b>. It told about {Math.max(0, told[i]!).toFixed(1)}{' '}
                bits.
              </Text>
            ))}
          </Box>
          {said.length > 0 && (
            <MainAction>
              <Button
                look="go"
                bench
                disabled={busy || said.length < hidden.length}
                onClick={() =>
                  send((once) => answerThePractice(once({ grade, seed, said, probes: readings.length })), setAnswer)
                }
              >
                That is it
              </Button>
              <Button onClick={() => setSaid([])}>No, measure on</Button>
            </MainAction>
          )}
          <Wrong words={wrong} />
        </>
      )}
    </>
  );
}

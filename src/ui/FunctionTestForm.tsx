'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { TextBox } from './Typed';
import { useState } from 'react';
import {
  beginWith,
  TEST_PHASES,
  TEST_STATES,
  type Comparison,
  type TestPhase,
  type TestState,
  type TestResults,
  type TestWords,
} from '@/core/runsheet/functionTest';
import type { FieldError } from '@/core/sums/fieldErrors';
import { AnswerForm, options } from './AnswerForm';
import { DataTable } from './DataTable';

type Answer = { ok: true; value: void } | { ok: false; errors: FieldError[] };

interface TestGiven {
  phase: string;
  waivedWhy: string;
  /** Key of the page. */
  once: string;
  results: TestResults;
  words: TestWords;
}

interface Props {
  restorationId: string;
  phase: TestPhase;
  /** Tests made so far, oldest first: a new one begins with what the last said. */
  tests: readonly { results: TestResults; words: TestWords }[];
  /** What was pressed key by key since then. */
  keys?: { results: TestResults; words: TestWords } | null;
  send: (given: TestGiven) => Promise<Answer>;
}

const MARKS: Record<TestState, string> = {
  works: 'works',
  'now and then': 'now & then',
  faulty: 'faulty',
  'not there': 'not there',
  'not tried': 'not tried',
};

/** A function test: display to lamps, each key group by itself, and what this machine has beside them. */
export function FunctionTestForm({ restorationId, phase, tests, keys = null, send }: Props) {
  const first = beginWith(tests);
  const [results, setResults] = useState<TestResults>({ ...first.results, ...keys?.results });
  const [words, setWords] = useState<TestWords>({ ...first.words, ...keys?.words });
  const [own, setOwn] = useState('');
  const put = (item: string, state: TestState) => setResults((known) => ({ ...known, [item]: state }));
  const isUnsure = (state: TestState | undefined) => state === 'faulty' || state === 'now and then';
  function allWork() {
    setResults((known) =>
      Object.fromEntries(Object.entries(known).map(([item, state]) => [item, state === 'not there' ? state : 'works'])),
    );
    setWords({});
  }
  return (
    <AnswerForm
      draftKey={`test:${restorationId}:${phase}`}
      fields={[
        { name: 'phase', label: 'When', kind: 'choice', options: options(TEST_PHASES), half: true },
        {
          name: 'waivedWhy',
          label: 'Waived, because',
          optional: true,
          half: true,
          hint: 'Where it cannot be tested, or a fault stays; the reason goes into the record',
        },
      ]}
      initial={{ phase, waivedWhy: '' }}
      submit="Keep this test"
      done="Test kept. What is faulty stands among the findings."
      bench
      keeps
      beside={{ results, words }}
      send={({ phase: when = phase, waivedWhy = '', once = '' }) =>
        send({ phase: when, waivedWhy, once, results, words: said(words, results) })
      }
    >
      {() => (
        <Box mb="4">
          <Flex gap="3" align="center" wrap="wrap" mb="2">
            <Button bench onClick={allWork}>
              All of it works
            </Button>
            <Text color="soft">Then tap what does not.</Text>
          </Flex>
          {Object.entries(results).map(([item, state]) => (
            <Box key={item} role="group" aria-label={item} borderTopWidth="1px" borderColor="line" py="2">
              <Grid templateColumns={{ base: '1fr', md: '150px 1fr' }} gap="2" alignItems="center">
                <Text fontWeight="650">{item}</Text>
                <Flex gap="1" wrap="wrap">
                  {TEST_STATES.map((each) => (
                    <Button
                      key={each}
                      aria-pressed={state === each}
                      look={state === each ? 'go' : 'quiet'}
                      minHeight="48px"
                      px="3"
                      onClick={() => put(item, each)}
                    >
                      {MARKS[each]}
                    </Button>
                  ))}
                </Flex>
              </Grid>
              {isUnsure(state) && (
                <TextBox
                  aria-label={`A word to ${item}`}
                  placeholder="what it does, which ones"
                  value={words[item] ?? ''}
                  maxLength={200}
                  onChange={(event) => setWords({ ...words, [item]: event.target.value })}
                />
              )}
            </Box>
          ))}
          <Flex gap="2" mt="3" wrap="wrap">
            <TextBox
              aria-label="Something else to test"
              placeholder="something else: tape port, left lamp"
              value={own}
              maxLength={60}
              onChange={(event) => setOwn(event.target.value)}
              style={{ flex: '1 1 200px' }}
            />
            <Button
              disabled={own.trim() === '' || own.trim() in results}
              onClick={() => {
                put(own.trim(), 'not tried');
                setOwn('');
              }}
            >
              Test this too
            </Button>
          </Flex>
        </Box>
      )}
    </AnswerForm>
  );
}

/** Words count only where something is wrong. */
const said = (words: TestWords, results: TestResults): TestWords =>
  Object.fromEntries(
    Object.entries(words).filter(
      ([item, word]) => word.trim() !== '' && (results[item] === 'faulty' || results[item] === 'now and then'),
    ),
  );

/** The tests of all three phases side by side. */
export function ComparedTests({ compared }: { compared: readonly Comparison[] }) {
  return (
    <DataTable
      caption="Function tests side by side"
      rows={compared}
      rowKey={({ item }) => item}
      columns={[
        { title: 'What', cell: ({ item }) => item },
        ...TEST_PHASES.map((phase) => ({ title: phase, cell: ({ states }: Comparison) => states[phase] ?? '–' })),
        {
          title: 'Change',
          cell: ({ change }) => ({ lost: 'lost on the way', won: 'works better now', same: '' })[change],
        },
        { title: 'A word', cell: ({ words }) => words },
      ]}
    />
  );
}

'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useRef, useState } from 'react';
import { OBSERVED, type Observed } from '@/core/keyboard/evidence';
import { TEST_PHASES, type TestPhase } from '@/core/runsheet/functionTest';
import { showTime } from '@/core/runsheet/time';
import { viewHref } from '@/core/runsheet/views';
import type { KeyboardRow } from '@/data/rows';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { LinkButton } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';
import { notArrived } from '@/ui/notArrived';
import { useSend } from '@/ui/useSend';
import { useWakeLock } from '@/ui/useWakeLock';
import { Wrong } from '@/ui/Wrong';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { finishTest, openTestAgain, sawKeys, startTest } from './actions';
import { BoardChoice } from './BoardChoice';
import { BoardDrawing } from './BoardDrawing';
import { Chips } from '@/ui/Chips';
import { SEEN } from '@/core/keyboard/drawing/signs';
import { marksOf } from './marks';
import { TypeOnIt } from './TypeOnIt';
import type { SeenTest } from './view';
import { WholeRows } from './WholeRows';

interface Props {
  restorationId: string;
  boards: readonly { id: string; name: string }[];
  board: KeyboardRow;
  tests: readonly SeenTest[];
  timeZone: string;
}

/** Every key pressed once, and what it did: tapped on the drawing. */
export function TestPart({ restorationId, boards, board, tests, timeZone }: Props) {
  const running = tests.find(({ endedAt }) => endedAt === null);
  return (
    <>
      <BoardChoice restorationId={restorationId} view="test" boards={boards} here={board.id} />
      {running ? (
        <Running key={running.id} board={board} test={running} />
      ) : (
        <Begin restorationId={restorationId} board={board} tests={tests} />
      )}
      <PastTests tests={tests.filter(({ endedAt }) => endedAt !== null)} timeZone={timeZone} />
    </>
  );
}

const titled = (state: Exclude<Observed, 'unknown'>) => `${SEEN[state].sign} ${SEEN[state].title}`;
const DID: Record<Observed, string> = {
  works: titled('works'),
  dead: titled('dead'),
  stuck: titled('stuck'),
  unknown: 'Not tried',
};

const PHASE_TITLES: Record<TestPhase, string> = {
  before: 'Before anything is done',
  'before closing': 'Before closing',
  after: 'After closing',
};

function Begin({ restorationId, board, tests }: Pick<Props, 'restorationId' | 'board' | 'tests'>) {
  const usual: TestPhase = tests.length === 0 ? 'before' : 'before closing';
  const [phase, setPhase] = useState<TestPhase>(usual);
  const { wrong, busy, send } = useSend();
  const [last] = tests;
  return (
    <>
      <Text mb="3" maxWidth="62ch">
        Press each key once, in the machine’s own test or typed on it, and tap here what it did. When no key answers at
        all, try the test gear on a keyboard that is known to be good first.
      </Text>
      <BoardDrawing board={board} label={`Drawing of ${board.name}`} marks={marksOf(last?.seen ?? {})} />
      <Box mt="3">
        <Chips label="Which test" of={TEST_PHASES} words={PHASE_TITLES} chosen={phase} onChoose={setPhase} />
      </Box>
      <MainAction>
        <Button
          look="go"
          bench
          disabled={busy}
          onClick={() => send((once) => startTest(once({ keyboardId: board.id, phase })))}
        >
          Begin the test
        </Button>
        {last && (
          <LinkButton href={`${viewHref(restorationId, 'keys', 'find')}?board=${board.id}`}>Find the fault</LinkButton>
        )}
      </MainAction>
      <Wrong words={wrong} />
    </>
  );
}

function Running({ board, test }: { board: KeyboardRow; test: SeenTest }) {
  useWakeLock();
  const [said, setSaid] = useState<Record<string, Observed>>(test.seen);
  const [does, setDoes] = useState<Observed>('dead');
  const [lost, setLost] = useState<string[]>([]);
  const [also, setAlso] = useState('');
  const [pairs, setPairs] = useState<[string, string][]>(test.together);
  const { wrong, busy, send } = useSend();
  // Taps come faster than answers: they are sent one after the other, and each is shown at once.
  const queue = useRef<Promise<unknown>>(Promise.resolve());
  const say = (keys: readonly string[], seen: Observed) => {
    if (keys.length === 0) return;
    setLost([]);
    setSaid((before) => ({ ...before, ...Object.fromEntries(keys.map((key) => [key, seen])) }));
    queue.current = queue.current
      .then(() => sawKeys({ testId: test.id, keys: [...keys], seen }))
      .then((answered) => {
        if (!answered.ok) setLost(answered.errors.map(({ message }) => message));
      })
      .catch((failure: unknown) => setLost([notArrived(failure, `Tap ${keys.join(', ')} again.`)]));
  };
  /** A key that was heard is not heard again: only what changes is sent. */
  const hears = (keys: readonly string[], seen: Observed) => {
    const changed = keys.filter((key) => said[key] !== seen && !(seen === 'works' && said[key] === 'stuck'));
    say(changed, seen);
  };
  const left = board.keys.filter(({ id }) => (said[id] ?? 'unknown') === 'unknown').map(({ id }) => id);
  const count = (state: Observed) => Object.values(said).filter((one) => one === state).length;
  return (
    <>
      <Text mb="2">
        {PHASE_TITLES[test.phase]}. <b>{left.length}</b> of {board.keys.length} to go, {count('works')} work,{' '}
        {count('dead')} dead, {count('stuck')} stay on.
      </Text>
      <Chips label="What a tapped key did" of={OBSERVED} words={DID} chosen={does} onChoose={setDoes} bench />
      <BoardDrawing
        board={board}
        label={`Test of ${board.name}: tap what did not work, then the rest`}
        marks={marksOf(said)}
        onTap={(key) => say([key], said[key] === does ? 'unknown' : does)}
      />
      <Fold summary="A whole row or column at once">
        <WholeRows board={board} columns onKeys={(keys) => say(keys, does)} />
      </Fold>
      <TypeOnIt board={board} onSeen={hears} onHeard={(words, together) => (setAlso(words), setPairs(together))} />
      <MainAction>
        {left.length > 0 ? (
          <Button look="go" bench onClick={() => say(left, 'works')}>
            {left.length === board.keys.length ? 'All of them work' : `The other ${left.length} work`}
          </Button>
        ) : (
          <Button
            look="go"
            bench
            disabled={busy}
            onClick={() =>
              void queue.current.then(() =>
                send((once) => finishTest(once({ testId: test.id, heard: also, together: pairs }))),
              )
            }
          >
            End the test
          </Button>
        )}
        {left.length > 0 && left.length < board.keys.length && (
          <Button
            disabled={busy}
            onClick={() =>
              void queue.current.then(() =>
                send((once) => finishTest(once({ testId: test.id, heard: also, together: pairs }))),
              )
            }
          >
            End it here
          </Button>
        )}
        <TakeThingBack what="key test" id={test.id} name="this test">
          Take the test back
        </TakeThingBack>
      </MainAction>
      <Wrong words={[...lost, ...wrong]} />
    </>
  );
}

function PastTests({ tests, timeZone }: { tests: readonly SeenTest[]; timeZone: string }) {
  const { wrong, busy, send } = useSend();
  if (tests.length === 0) return null;
  const [last, before] = tests;
  const changed = before
    ? Object.keys({ ...last!.seen, ...before.seen }).filter((key) => last!.seen[key] !== before.seen[key])
    : [];
  const words = (test: SeenTest, key: string) => {
    const state = test.seen[key] ?? 'unknown';
    return state === 'unknown' ? 'not tried' : SEEN[state].words;
  };
  return (
    <Fold
      summary={`Tests so far: ${tests.length}${changed.length > 0 ? `, ${changed.length} keys changed since the one before` : ''}`}
    >
      {changed.length > 0 && (
        <Box as="ul" listStyleType="none" mb="3">
          {changed.map((key) => (
            <li key={key}>
              <b>{key}</b>: {words(before!, key)} before, {words(last!, key)} now
            </li>
          ))}
        </Box>
      )}
      {tests.map((test) => (
        <Flex key={test.id} gap="3" wrap="wrap" align="center" borderTopWidth="1px" borderColor="line" py="2">
          <Text flex="1 1 240px">
            {PHASE_TITLES[test.phase]}, {showTime(test.at, timeZone)}:{' '}
            {Object.values(test.seen).filter((one) => one === 'works').length} work,{' '}
            {Object.values(test.seen).filter((one) => one !== 'works').length} do not
          </Text>
          <Button disabled={busy} onClick={() => send(() => openTestAgain(test.id))}>
            Open it again
          </Button>
          <TakeThingBack what="key test" id={test.id} name={`test of ${showTime(test.at, timeZone)}`} />
        </Flex>
      ))}
      <Wrong words={wrong} />
    </Fold>
  );
}

'use client';

import { Box, Flex, Grid, Heading, Text } from '@chakra-ui/react';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { pointWords } from '@/core/keyboard/words';
import { withPoint } from '@/core/units';
import { showTime } from '@/core/runsheet/time';
import { viewHref } from '@/core/runsheet/views';
import type { KeptReading } from '@/data/keys';
import type { KeyboardRow, KeyPracticeRow } from '@/data/rows';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { LinkButton } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';
import { TextBox } from '@/ui/Typed';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { keepReading } from './actions';
import { BoardChoice } from './BoardChoice';
import { BoardDrawing } from './BoardDrawing';
import type { Found } from './found';
import { marksOf } from './marks';
import type { SeenTest } from './view';

const PracticePart = dynamic(() => import('./PracticePart').then((part) => part.PracticePart));

interface Props {
  restorationId: string;
  boards: readonly { id: string; name: string }[];
  board: KeyboardRow;
  test: SeenTest | null;
  found: Found | null;
  /** What the dead keys tell without any line. */
  pattern: string;
  readings: readonly KeptReading[];
  earlier: readonly KeptReading[];
  timeZone: string;
  practised: readonly KeyPracticeRow[];
}

/** A reading that brings less than this is said to bring next to nothing, bits. */
const HARDLY_ANY = 0.03;

/** The fault on the board, and where to put the tips next. */
export function FindPart(props: Props) {
  const { restorationId, boards, board, test, found, pattern, readings, earlier, timeZone, practised } = props;
  const href = (view: string) => `${viewHref(restorationId, 'keys', view)}?board=${board.id}`;
  const [best, ...others] = found?.suspicions ?? [];
  const lines = (best?.opens ?? []).flatMap(({ line: id, at }) => {
    const line = board.lines.find((one) => one.id === id);
    return line ? [{ line, brokenAt: at }] : [];
  });
  for (const id of best?.joined ?? []) {
    const line = board.lines.find((one) => one.id === id);
    if (line) lines.push({ line, brokenAt: 0 });
  }
  const probe = test && found?.probe;
  const probed = probe && board.lines.find(({ id }) => id === probe.line);
  return (
    <>
      <BoardChoice restorationId={restorationId} view="find" boards={boards} here={board.id} />
      {!test && <Text mb="3">No key was tried yet. A test says what is dead; from that the fault is worked out.</Text>}
      {test && found && best && (
        <Box mb="3" aria-live="polite">
          <Heading as="h2" fontSize="24px">
            {best.odds === 'nearly sure' ? 'Nearly sure' : `Likeliest, ${best.odds}`}: {best.words}
          </Heading>
          {best.opens.length > 0 && (
            <Text color="soft">Another fault may hide behind it: try every key again once it is mended.</Text>
          )}
          {found.mistake && found.mistake.odds !== 'hardly' && (
            <Text color="soft">
              Acting on “{found.mistake.act}” now would be wrong {found.mistake.odds}; likeliest then:{' '}
              {found.mistake.instead}.
            </Text>
          )}
        </Box>
      )}
      {test && found && !best && (
        <Text fontWeight="650" mb="3">
          So much is dead at once that no cause stands out. First the plug, the clamp and the test gear; then try the
          keys again.
        </Text>
      )}
      {test && !found && (
        <Box mb="3">
          <Text fontWeight="650">{pattern}</Text>
          <Text color="soft">With its lines known, each suspicion gets its odds and the next reading its place.</Text>
        </Box>
      )}
      {found?.contradictions.map(([a, b]) => (
        <Text key={`${a} ${b}`} borderLeftWidth="8px" borderColor="amber" pl="3" mb="2">
          Readings {a + 1} and {b + 1} cannot both be right. Measure both again, the tips on clean metal.
        </Text>
      ))}
      <Grid
        templateColumns={{
          base: 'minmax(0, 1fr)',
          lg: probe ? 'minmax(0, 1.6fr) minmax(300px, 1fr)' : 'minmax(0, 1fr)',
        }}
        gap="4"
        alignItems="start"
      >
        <BoardDrawing
          board={board}
          label={best ? `${board.name}: ${best.words}` : `Drawing of ${board.name}`}
          marks={marksOf(test?.seen ?? {})}
          lines={probed && !lines.some(({ line }) => line.id === probed.id) ? [...lines, { line: probed }] : lines}
          tips={probe && probed ? { line: probed, from: probe.from, to: probe.to } : null}
        />
        {probe && (
          <ProbeCard key={`${probe.line} ${probe.from} ${probe.to} ${readings.length}`} board={board} probe={probe} />
        )}
      </Grid>
      {!probe && (
        <MainAction>
          {!test ? (
            <LinkButton look="go" bench href={href('test')}>
              Test every key
            </LinkButton>
          ) : !found ? (
            <LinkButton look="go" bench href={href('lines')}>
              Lay its lines
            </LinkButton>
          ) : (
            <Text>No reading along a line would tell more.</Text>
          )}
        </MainAction>
      )}
      {others.length > 0 && (
        <Fold summary={`Other suspicions: ${others.length}`}>
          {others.map(({ words, percent }) => (
            <Flex key={words} gap="3" borderTopWidth="1px" borderColor="line" py="2">
              <Text fontFamily="mono" minWidth="56px">
                {percent < 1 ? '< 1' : percent} %
              </Text>
              <Text>{words}</Text>
            </Flex>
          ))}
        </Fold>
      )}
      {readings.length + earlier.length > 0 && (
        <Fold
          summary={`Readings: ${readings.length}${earlier.length > 0 ? `, and ${earlier.length} from before the last test` : ''}`}
        >
          {readings.map((reading, i) => (
            <ReadingLine key={reading.id} reading={reading} number={`${i + 1}`} timeZone={timeZone} />
          ))}
          {earlier.map((reading) => (
            <ReadingLine key={reading.id} reading={reading} number="earlier" timeZone={timeZone} />
          ))}
        </Fold>
      )}
      <Fold
        summary={`Practise on boards with hidden faults${practised.length > 0 ? `: ${practised.length} answered` : ''}`}
      >
        <PracticePart practised={practised} />
      </Fold>
    </>
  );
}

function ReadingLine({ reading, number, timeZone }: { reading: KeptReading; number: string; timeZone: string }) {
  const { id, line, from, to, ohms, at } = reading;
  return (
    <Flex gap="3" wrap="wrap" align="center" borderTopWidth="1px" borderColor="line" py="2">
      <Text flex="1 1 240px">
        {number}. Line {line}, {pointWords(from)} to {pointWords(to)}: <b>{ohms === null ? 'open' : `${ohms} Ω`}</b>,{' '}
        {showTime(at, timeZone)}
      </Text>
      <TakeThingBack what="reading" id={id} name={`reading of line ${line}`} />
    </Flex>
  );
}

function ProbeCard({ board, probe }: { board: KeyboardRow; probe: NonNullable<Found['probe']> }) {
  const [typed, setTyped] = useState('');
  const { wrong, busy, send } = useSend();
  const { line, from, to, informationBits } = probe;
  const keep = (open: boolean) =>
    send((once) =>
      keepReading(
        once({
          keyboardId: board.id,
          line,
          from,
          to,
          open,
          ...(open || typed.trim() === '' ? {} : { ohms: withPoint(typed).trim() }),
        }),
      ),
    );
  return (
    <Box borderLeftWidth="8px" borderColor="work" pl="4">
      <Text fontWeight="650" fontSize="20px">
        Measure next: line {line}, from {pointWords(from)} to {pointWords(to)}
      </Text>
      <Text color="soft" mb="2">
        The ringed places. Nothing switched on, tips on bare track. A whole stretch shows some tens to a few hundred
        ohms, a broken one nothing.{' '}
        {informationBits < HARDLY_ANY
          ? 'Hardly anything is left to learn by measuring: what is likeliest is as good as sure.'
          : `It tells ${informationBits.toFixed(2)} of one bit.`}
      </Text>
      <Flex
        as="form"
        gap="2"
        wrap="wrap"
        align="end"
        onSubmit={(event) => {
          event.preventDefault();
          keep(false);
        }}
      >
        <label>
          <Text fontSize="15px">The meter shows, Ω</Text>
          <TextBox inputMode="decimal" figures value={typed} onChange={(event) => setTyped(event.target.value)} />
        </label>
        <Button type="submit" look="go" bench disabled={busy}>
          Keep the reading
        </Button>
        <Button bench disabled={busy} onClick={() => keep(true)}>
          Open
        </Button>
      </Flex>
      <Wrong words={wrong} />
    </Box>
  );
}

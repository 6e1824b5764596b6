'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { CONNECTOR, LINE_KINDS, type Line } from '@/core/keyboard/board';
import { isWired } from '@/core/keyboard/layout';
import type { KeyboardRow } from '@/data/rows';
import { Button } from '@/ui/Button';
import { Check } from '@/ui/Check';
import { Fold } from '@/ui/Fold';
import { MainAction } from '@/ui/MainAction';
import { Select } from '@/ui/Select';
import { say } from '@/ui/toast';
import { TextBox } from '@/ui/Typed';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { guessTheLines, saveLine } from './actions';
import { BoardChoice } from './BoardChoice';
import { Chips } from '@/ui/Chips';
import { BoardDrawing, type Mark } from './BoardDrawing';

interface Props {
  restorationId: string;
  boards: readonly { id: string; name: string }[];
  board: KeyboardRow;
}

const NEW = '';
const KIND_WORDS = { row: 'Row', column: 'Column' } as const;

/** The lines of a keyboard: which keys each meets, in the order from the connector, and where it folds. */
export function LinesPart({ restorationId, boards, board }: Props) {
  const { wrong, busy, send } = useSend();
  const [shown, setShown] = useState<string | null>(null);
  const [laying, setLaying] = useState<Line | null>(null);
  // The one that was chosen may be gone by now.
  const line = board.lines.find(({ id }) => id === shown) ?? board.lines[0] ?? null;
  const unwired = board.keys.filter(({ row, column }) => row === null || column === null).length;
  const drawn = laying ?? line;
  const marks: Record<string, Mark> = Object.fromEntries(
    (drawn?.route ?? []).map((key, i) => [key, { tone: 'chosen', sign: `${i + 1}`, words: `${i + 1} on the line` }]),
  );
  const tap = (key: string) => {
    if (!laying) return;
    const route = laying.route.includes(key) ? laying.route.filter((one) => one !== key) : [...laying.route, key];
    setLaying({
      ...laying,
      route,
      foldAfter: laying.foldAfter.filter((one) => one === CONNECTOR || route.includes(one)),
    });
  };
  const keep = () =>
    laying &&
    send(
      (once) => saveLine(once({ keyboardId: board.id, ...laying })),
      () => {
        say(laying.route.length === 0 ? `Line ${laying.id} taken away.` : `Line ${laying.id} laid.`);
        setShown(laying.id);
        setLaying(null);
      },
    );
  return (
    <>
      <BoardChoice restorationId={restorationId} view="lines" boards={boards} here={board.id} />
      {board.lines.length === 0 && !laying ? (
        <Text mb="3" maxWidth="62ch">
          A key answers when its row and its column are whole from the connector up to it. Guess the lines from where
          the keys stand, then put right what the board or the foil shows otherwise.
        </Text>
      ) : (
        <Text mb="3">
          {laying
            ? 'Tap the keys in the order in which the line meets them, beginning at the connector. A second tap takes one off.'
            : isWired(board)
              ? 'Every key is on a row and a column. Choose a line to see its way.'
              : `${unwired === 1 ? 'One key has' : `${unwired} keys have`} no row or no column yet.`}
        </Text>
      )}
      {!laying && board.lines.length > 0 && (
        <Box as="label" display="block" mb="3" maxWidth="320px">
          <Text fontSize="15px">Line</Text>
          <Select
            value={line?.id ?? NEW}
            onChange={(event) => setShown(event.target.value)}
            options={board.lines.map(({ id, kind }) => ({ value: id, label: `${id}, ${kind}` }))}
          />
        </Box>
      )}
      {laying && (
        <Flex gap="3" wrap="wrap" mb="3" align="end">
          <label>
            <Text fontSize="15px">Its name</Text>
            <TextBox value={laying.id} onChange={(event) => setLaying({ ...laying, id: event.target.value })} />
          </label>
          <Chips
            label="Row or column"
            of={LINE_KINDS}
            words={KIND_WORDS}
            chosen={laying.kind}
            onChoose={(kind) => setLaying({ ...laying, kind })}
          />
        </Flex>
      )}
      <BoardDrawing
        board={board}
        label={drawn ? `Way of line ${drawn.id}` : `Drawing of ${board.name}`}
        marks={marks}
        lines={drawn ? [{ line: drawn }] : []}
        {...(laying && { onTap: tap })}
      />
      {laying && laying.route.length > 0 && (
        <Fold summary={`Folds of this line: ${laying.foldAfter.length}`}>
          <Text fontSize="15px" color="soft">
            Where the foil folds, it cracks ten times as often.
          </Text>
          {[CONNECTOR, ...laying.route.slice(0, -1)].map((point, i) => (
            <Check
              key={point}
              checked={laying.foldAfter.includes(point)}
              onChange={(folds) =>
                setLaying({
                  ...laying,
                  foldAfter: folds ? [...laying.foldAfter, point] : laying.foldAfter.filter((one) => one !== point),
                })
              }
            >
              Between {point === CONNECTOR ? 'the connector' : point} and {laying.route[i]}
            </Check>
          ))}
        </Fold>
      )}
      <MainAction>
        {laying ? (
          <>
            <Button look="go" bench disabled={busy} onClick={keep}>
              {laying.route.length === 0 ? 'Take the line away' : 'Keep the line'}
            </Button>
            <Button onClick={() => setLaying(null)}>Leave it</Button>
          </>
        ) : (
          <>
            {board.lines.length === 0 && (
              <Button
                look="go"
                bench
                disabled={busy}
                onClick={() =>
                  send(
                    () => guessTheLines(board.id),
                    () => say('Guessed. Hold it against the board.'),
                  )
                }
              >
                Guess the lines
              </Button>
            )}
            {line && (
              <Button look="go" bench onClick={() => setLaying(line)}>
                Put line {line.id} right
              </Button>
            )}
            <Button onClick={() => setLaying({ id: NEW, kind: 'row', route: [], foldAfter: [] })}>Another line</Button>
          </>
        )}
      </MainAction>
      <Wrong words={wrong} />
    </>
  );
}

'use client';

import { Flex } from '@chakra-ui/react';
import { guessLines, inRows, isWired, type Board } from '@/core/keyboard/layout';
import { Button } from '@/ui/Button';

interface Props {
  board: Pick<Board, 'keys' | 'lines'>;
  busy?: boolean;
  /** Columns as well: along their lines where those are known, else as they stand. */
  columns?: boolean;
  onKeys: (keys: readonly string[]) => void;
}

/** Whole rows of a keyboard at once, and its columns. */
export function WholeRows({ board, busy = false, columns = false, onKeys }: Props) {
  const lines = isWired(board) ? board.lines : guessLines(board.keys).lines;
  return (
    <Flex
      gap="2"
      wrap="wrap"
      mt="2"
      role="group"
      aria-label={columns ? 'A whole row or column' : 'A whole row at once'}
    >
      {inRows(board.keys).map((row, i) => (
        <Button key={row[0]!.id} disabled={busy} onClick={() => onKeys(row.map(({ id }) => id))}>
          Row {i + 1}
        </Button>
      ))}
      {columns &&
        lines
          .filter(({ kind }) => kind === 'column')
          .map(({ id, route }, i) => (
            <Button key={`column ${id}`} disabled={busy} onClick={() => onKeys(route)}>
              {isWired(board) ? `Column ${id}` : `Column ${i + 1}`}
            </Button>
          ))}
    </Flex>
  );
}

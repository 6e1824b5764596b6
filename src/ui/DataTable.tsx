'use client';

import { Box, Table } from '@chakra-ui/react';

export interface Column<Row> {
  title: string;
  cell: (row: Row) => React.ReactNode;
  /** Figures stand right, in tabular type. */
  figure?: boolean;
}

/** The one table. It scrolls sideways by itself where the screen is narrow. */
export function DataTable<Row>({
  caption,
  columns,
  rows,
  rowKey,
}: {
  caption: string;
  columns: readonly Column<Row>[];
  rows: readonly Row[];
  rowKey: (row: Row, index: number) => string | number;
}) {
  return (
    <Box overflowX="auto" tabIndex={0} role="region" aria-label={caption}>
      <Table.Root size="sm" bg="transparent">
        <Table.Caption captionSide="top" textAlign="left" color="soft">
          {caption}
        </Table.Caption>
        <Table.Header>
          <Table.Row bg="transparent">
            {columns.map(({ title, figure }) => (
              <Table.ColumnHeader key={title} textAlign={figure ? 'right' : 'left'} color="ink" borderColor="lineStrong">
                {title}
              </Table.ColumnHeader>
            ))}
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {rows.map((row, index) => (
            <Table.Row key={rowKey(row, index)} bg="transparent">
              {columns.map(({ title, cell, figure }) => (
                <Table.Cell
                  key={title}
                  borderColor="line"
                  {...(figure && { textAlign: 'right', fontFamily: 'mono', fontVariantNumeric: 'tabular-nums' })}
                >
                  {cell(row)}
                </Table.Cell>
              ))}
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
    </Box>
  );
}

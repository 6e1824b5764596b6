'use client';

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
    <div className="table" tabIndex={0} role="region" aria-label={caption}>
      <table>
        <caption>{caption}</caption>
        <thead>
          <tr>
            {columns.map(({ title, figure }) => (
              <th key={title} scope="col" className={figure ? 'figure' : undefined}>
                {title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, index) => (
            <tr key={rowKey(row, index)}>
              {columns.map(({ title, cell, figure }) => (
                <td key={title} className={figure ? 'figure' : undefined}>
                  {cell(row)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

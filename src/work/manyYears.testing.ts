import { database, inTransaction, transactionUnderWay } from '@/data/connection';
import { select } from '@/data/table';

interface Column {
  name: string;
  pk: number;
  type: string;
}

interface ForeignKey {
  from: string;
  table: string;
}

/** The id of a copy: its first eight signs count the copies, so that the rest still tells rows apart. */
const copyOf = (column: string) => `printf('%08x', :copy) || substr(${column}, 9)`;

/** Tables in an order in which each comes after those that it refers to. */
function inOrder(tables: readonly string[], keysOf: ReadonlyMap<string, ForeignKey[]>): string[] {
  const ordered: string[] = [];
  const add = (table: string) => {
    if (ordered.includes(table)) return;
    for (const { table: other } of keysOf.get(table) ?? []) if (other !== table && tables.includes(other)) add(other);
    ordered.push(table);
  };
  tables.forEach(add);
  return ordered;
}

/**
 * Copies every restoration so many times with all its rows: a workshop of many years, for tests and benchmarks. Stores,
 * trays and photographs on disk stay what they are.
 *
 * @returns rows of the whole workshop afterwards
 */
export async function copyRestorations(copies: number): Promise<number> {
  const { sequelize } = await database();
  const write = (query: string, replacements: Record<string, unknown>) => {
    const transaction = transactionUnderWay();
    return sequelize.query(query, { replacements, ...(transaction && { transaction }) });
  };
  const names = (
    await select<{ name: string }>(
      `SELECT name AS name FROM sqlite_schema WHERE type = 'table' AND name NOT LIKE 'sqlite_%'`,
    )
  ).map(({ name }) => name);
  const keysOf = new Map<string, ForeignKey[]>();
  for (const name of names)
    keysOf.set(name, await select<ForeignKey>(`SELECT "from", "table" FROM pragma_foreign_key_list(:name)`, { name }));
  // What belongs to a restoration, and the restorations themselves. Movements of a bottle do; the bottle does not.
  const owned = names.filter(
    (name) => name === 'restorations' || keysOf.get(name)!.some(({ from }) => from === 'restorationId'),
  );
  await inTransaction(async () => {
    const from = new Map<string, number>();
    for (const table of owned)
      from.set(
        table,
        (await select<{ last: number }>(`SELECT COALESCE(MAX(rowid), 0) AS last FROM ${table}`))[0]!.last,
      );
    for (const table of inOrder(owned, keysOf)) {
      const columns = (await select<Column>(`SELECT name, pk, type FROM pragma_table_info(:table)`, { table })).filter(
        ({ pk, type }) => !(pk && type === 'INTEGER'),
      );
      const keys = keysOf.get(table)!.filter(({ table: to }) => owned.includes(to));
      const value = ({ name, pk }: Column) => {
        const refers = keys.find(({ from: column }) => column === name);
        if (refers?.table === 'log') return 'NULL';
        return pk || refers ? copyOf(name) : name;
      };
      const names = columns.map(({ name }) => name).join(', ');
      for (let copy = 1; copy <= copies; copy++)
        await write(
          `INSERT INTO ${table} (${names}) SELECT ${columns.map(value).join(', ')} FROM ${table} WHERE rowid <= :last
            ${columns.some(({ name }) => name === 'restorationId') ? 'AND restorationId IS NOT NULL' : ''} ORDER BY rowid`,
          { copy, last: from.get(table) },
        );
    }
    const broken = await select<object>('SELECT * FROM pragma_foreign_key_check()');
    if (broken.length > 0) throw new Error(`The copies do not hold together: ${JSON.stringify(broken.slice(0, 3))}`);
  });
  let rows = 0;
  for (const table of names) rows += (await select<{ n: number }>(`SELECT COUNT(*) AS n FROM ${table}`))[0]!.n;
  return rows;
}

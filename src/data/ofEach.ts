type Owned = { restorationId: string | null };

/**
 * Rows of many restorations, each to its own: every list is gone through once, however many ask for theirs.
 *
 * @example ofEach()('a')([{ restorationId: 'a', n: 1 }, { restorationId: 'b', n: 2 }]) // [{ restorationId: 'a', n: 1 }]
 */
export function ofEach() {
  const known = new Map<readonly Owned[], Map<string | null, Owned[]>>();
  return (restorationId: string) =>
    <T extends Owned>(rows: readonly T[]): T[] => {
      let groups = known.get(rows);
      if (!groups) {
        groups = new Map();
        for (const row of rows) {
          const group = groups.get(row.restorationId);
          if (group) group.push(row);
          else groups.set(row.restorationId, [row]);
        }
        known.set(rows, groups);
      }
      return (groups.get(restorationId) ?? []) as T[];
    };
}

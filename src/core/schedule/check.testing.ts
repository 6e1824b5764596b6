import type { Problem } from './problem';

/** What a plan breaks, minute by minute and lag by lag: knows nothing of how plans are made. */
export function faultsOf(
  { resources, tasks }: Problem,
  planned: readonly { id: string; start: number; end: number; who?: string | null }[],
): string[] {
  const faults: string[] = [];
  const at = new Map(planned.map((one) => [one.id, one]));
  for (const { id, duration, uses: own, after, windows, anyOf = [], apartFrom = [] } of tasks) {
    const one = at.get(id);
    if (!one) {
      faults.push(`${id} is not planned`);
      continue;
    }
    const uses = { ...own, ...(one.who && { [one.who]: 1 }) };
    if (anyOf.length > 0 && !anyOf.includes(one.who ?? '')) faults.push(`${id} is done by ${one.who}`);
    for (const other of tasks) {
      const beside = at.get(other.id);
      const meets = apartFrom.some((name) => (other.uses[name] ?? 0) > 0);
      if (meets && beside && beside.start < one.end && one.start < beside.end)
        faults.push(`${id} runs beside ${other.id}`);
    }
    if (one.start < 0 || !Number.isInteger(one.start)) faults.push(`${id} begins at ${one.start}`);
    if (one.end - one.start !== duration) faults.push(`${id} takes ${one.end - one.start}`);
    if (windows && !windows.some(([from, to]) => one.start >= from && one.end <= to))
      faults.push(`${id} leaves its windows`);
    for (const { task, minLag, maxLag } of after) {
      const lag = one.start - at.get(task)!.end;
      if (lag < minLag || (maxLag !== undefined && lag > maxLag)) faults.push(`${id} follows ${task} by ${lag}`);
    }
    for (const [name, units] of Object.entries(uses)) {
      const available = resources.find((resource) => resource.id === name)!.available;
      // Intervals that touch are one.
      if (units > 0 && available)
        for (let minute = one.start; minute < one.end; minute++)
          if (!available.some(([from, to]) => minute >= from && minute < to)) {
            faults.push(`${id} uses ${name} when it is not there`);
            break;
          }
    }
  }
  const end = Math.max(0, ...planned.map((one) => one.end));
  for (const { id, capacity, taken = [] } of resources) {
    const users = tasks.flatMap((task) => {
      const one = at.get(task.id);
      const units = (task.uses[id] ?? 0) + Number(one?.who === id);
      return one && units > 0 ? [{ ...one, units }] : [];
    });
    if (users.length === 0) continue;
    for (let minute = 0; minute < end; minute++) {
      const stands = taken.reduce((sum, [from, to, units]) => (from <= minute && minute < to ? sum + units : sum), 0);
      const used = users.reduce(
        (sum, one) => (one.start <= minute && minute < one.end ? sum + one.units : sum),
        stands,
      );
      if (used > capacity) {
        faults.push(`${used} of ${id} at ${minute}`);
        break;
      }
    }
  }
  return faults;
}

import { isSameKind, type Lot } from '@/core/teardown/lots';
import { Refusal } from '@/core/refusal';
import { fieldErrors, VALIDATE } from '@/core/sums/fieldErrors';
import { type Teardown, teardownOf } from '@/data/teardown';
import { addLot, takeOff } from '@/work/teardown';
import { fromCsv, toCsv } from '@/edge/csv';
import { lotSchema } from './schema';

const MOST_ROWS = 2000;

/** Every lot as a row, with the step that it came out of. */
export function fastenersCsv({ steps, lots }: Teardown): string {
  const nameOf = (id: string) => steps.find((step) => step.id === id)?.name ?? '';
  return toCsv(
    lots.map(
      ({
        stepId,
        thing,
        drive,
        head,
        diameterMm,
        lengthMm,
        shank,
        count,
        fate,
        deepestMm,
        tray,
        cell,
        returned,
        missing,
        words,
      }) => ({
        step: nameOf(stepId),
        thing,
        drive,
        head,
        diameterMm,
        lengthMm,
        shank,
        count,
        fate,
        deepestMm: deepestMm ?? '',
        tray,
        cell: cell ?? '',
        returned,
        missing,
        words,
      }),
    ),
  );
}

/**
 * Takes fasteners in from a CSV: all rows are checked before any is kept. A step that is not there yet is taken
 * off in the order of the rows; a lot that is there already is left as it is.
 *
 * @throws Refusal that names the first wrong lines
 */
export async function takeInFasteners(
  restorationId: string,
  text: string,
  now: Date,
): Promise<{ added: number; known: number }> {
  const { rows, wrong } = fromCsv(text);
  if (rows.length === 0)
    throw new Refusal(
      'file',
      'There is no row in this file. The first line names the columns: step, drive, head, diameterMm, lengthMm, shank, count, fate.',
    );
  if (rows.length > MOST_ROWS)
    throw new Refusal('file', `The file has ${rows.length} rows; a teardown has at most ${MOST_ROWS}.`);
  const lots = rows.map(({ step = '', thing, drive, head, diameterMm, lengthMm, shank, count, fate, deepestMm }, i) => {
    const given = {
      stepId: step || undefined,
      thing: thing ?? 'screw',
      drive,
      head,
      diameterMm,
      lengthMm,
      shank,
      count,
      fate: fate ?? 'kept',
      deepestMm: deepestMm ?? '',
    };
    const { value, error } = lotSchema.validate(given, VALIDATE);
    for (const { field, message } of error ? fieldErrors(error) : [])
      wrong.push(
        `line ${i + 2}: ${field === 'stepId' ? 'Step is empty. Write what it came out of.' : `${field}: ${message}`}`,
      );
    return value as Lot & { stepId: string; deepestMm: number | null };
  });
  if (wrong.length > 0)
    throw new Refusal(
      'file',
      `Nothing was taken in. ${wrong.slice(0, 5).join(' ')}${wrong.length > 5 ? ` And ${wrong.length - 5} more.` : ''}`,
    );
  let [added, known] = [0, 0];
  for (const { stepId: name, deepestMm, ...lot } of lots) {
    const { steps, lots: there } = await teardownOf(restorationId);
    const step =
      steps.find((s) => s.name.toLowerCase() === name.toLowerCase()) ??
      (await takeOff({ restorationId, name, joint: 'screws', way: '', springs: '' }, now));
    if (there.some((row) => row.stepId === step.id && isSameKind(row, lot) && row.count === lot.count)) known++;
    else {
      await addLot(step.id, lot, deepestMm, now);
      added++;
    }
  }
  return { added, known };
}

import { KIND } from '@/core/keyboard/kinds';
import { DROP_STAGE, dropWords } from '@/core/finish/dropUses';
import { Refusal } from '@/core/refusal';
import type { Stage } from '@/core/runsheet/stages';
import { inTransaction } from '@/data/connection';
import type { Finding, RowOf } from '@/data/rows';
import { countRows, needRow } from '@/data/table';
import { countHidden } from './hidden';
import { takeCoatBack, takeCoatingBack } from './finish/coats';
import { takeRungBack, takeRustBack, takeShareBack } from './finish/rust';
import { takeDonorBack, takeDonorPartBack } from './donors';
import { takePrinterBack } from './mend/printers';
import { takeOrderBack } from './orders';
import { takeBack } from './takenBack';

/** What was written by mistake can be taken back, each by its own rule: what something else rests on stays. */
export const TAKEN = [
  'finding',
  'photograph',
  'piece',
  'bottle',
  'lot',
  'connection',
  'measurement',
  'entry',
  'sheet',
  'keyboard',
  'key test',
  'reading',
  'marked photograph',
  'count',
  'measured part',
  'key repair',
  'contact limits',
  'part',
  'repair',
  'size',
  'test drop',
  'donor',
  'part of a donor',
  'order',
  'printer',
  'rusted place',
  'step on rust',
  'share of rust',
  'coating',
  'coat',
  'outline',
  'word on originality',
  'lost mark',
  'haze',
] as const;
export type Taken = (typeof TAKEN)[number];

const named = (parts: readonly (string | null | undefined | false)[]): string => parts.filter(Boolean).join(', ');

async function finding(id: string, now: Date): Promise<string> {
  const { restorationId, stage, kind, words }: Finding = await needRow('findings', id);
  if ((await countRows('sink_steps', { findingId: id })) > 0)
    throw new Refusal(
      'id',
      'It was worked at the sink, and what came of that stays in the record. Close it instead: done, left on purpose or not possible.',
    );
  if ((await countRows('repairs', { findingId: id })) > 0)
    throw new Refusal(
      'id',
      'A repair was begun for it. Take that back first where it was not done, or close the finding instead.',
    );
  if ((await countRows('rusts', { findingId: id })) > 0)
    throw new Refusal('id', 'Its rust was told under Finish. Take that back first, or close the finding instead.');
  return takeBack(
    {
      ...{ restorationId, stage, what: `finding ${named([kind, words])}` },
      remove: [{ table: 'findings', where: { id } }],
      letGo: [{ table: 'findings', where: { continues: id }, fields: ['continues'] }],
    },
    now,
  );
}

async function photograph(id: string, now: Date): Promise<string> {
  const { restorationId, stage, originalName } = await needRow('photos', id);
  if ((await countRows('measurements', { photoId: id })) > 0)
    throw new Refusal(
      'id',
      'A piece was measured on this photograph. Take that measurement back first, on the page of the piece.',
    );
  return takeBack(
    {
      ...{ restorationId, stage, what: `photograph ${originalName}` },
      remove: [
        { table: 'keyboard_pictures', where: { photoId: id } },
        { table: 'areas', where: { photoId: id } },
        { table: 'photos', where: { id } },
      ],
      letGo: [
        { table: 'findings', where: { photoId: id }, fields: ['photoId', 'pin'] },
        { table: 'parts', where: { photoId: id }, fields: ['photoId'] },
        { table: 'sizes', where: { photoId: id }, fields: ['photoId'] },
        { table: 'test_drops', where: { photoId: id }, fields: ['photoId'] },
        { table: 'rust_shares', where: { photoId: id }, fields: ['photoId'] },
        { table: 'lost_marks', where: { photoId: id }, fields: ['photoId'] },
        { table: 'hazes', where: { photoId: id }, fields: ['photoId'] },
        { table: 'findings', where: { closeUpId: id }, fields: ['closeUpId'] },
        { table: 'removal_steps', where: { photoId: id }, fields: ['photoId'] },
        { table: 'sink_steps', where: { photoId: id }, fields: ['photoId'] },
      ],
    },
    now,
  );
}

async function piece(id: string, now: Date): Promise<string> {
  const { restorationId, tag, name } = await needRow('pieces', id);
  const rests = [
    [await countRows('treatments', { pieceId: id }), 'it was brightened'],
    [await countRows('sink_steps', { pieceId: id }), 'it was washed'],
    [await countRows('measurements', { pieceId: id }), 'it was measured'],
    [await countRows('repairs', { pieceId: id }), 'it was mended'],
    [await countRows('rusts', { pieceId: id }), 'its rust was looked at'],
    [await countRows('coat_jobs', { pieceId: id }), 'it was coated'],
    [await countRows('lost_marks', { pieceId: id }), 'a mark of it was looked at'],
    [await countRows('hazes', { pieceId: id }), 'its haze was measured'],
  ] as const;
  const done = rests.flatMap(([count, words]) => (count > 0 ? [words] : []));
  if (done.length > 0)
    throw new Refusal(
      'id',
      `${tag} ${name} stays in the record: ${done.join(' and ')}. Change its tag or name instead.`,
    );
  const letGo = (['photos', 'findings', 'requests', 'timers', 'removal_steps', 'test_drops', 'orders'] as const).map(
    (table) => ({
      table,
      where: { pieceId: id },
      fields: ['pieceId'],
    }),
  );
  return takeBack(
    {
      restorationId,
      stage: 'intake',
      what: `piece ${tag} ${name}`,
      remove: [
        { table: 'areas', where: { pieceId: id } },
        { table: 'origins', where: { pieceId: id } },
        { table: 'pieces', where: { id } },
      ],
      letGo,
    },
    now,
  );
}

async function bottle(id: string, now: Date): Promise<string> {
  const { name } = await needRow('stock', id);
  const used =
    (await countRows('movements', { stockId: id, kind: 'used' })) + (await countRows('treatments', { stockId: id }));
  if (used > 0)
    throw new Refusal(
      'id',
      `Something of “${name}” was used, and that stays in the record. Count it as empty instead.`,
    );
  return takeBack(
    {
      ...{ restorationId: null, stage: null, what: `bottle ${name}` },
      remove: [
        { table: 'movements', where: { stockId: id } },
        { table: 'strengths', where: { stockId: id } },
        { table: 'stock', where: { id } },
      ],
    },
    now,
  );
}

async function lot(id: string, now: Date): Promise<string> {
  const { restorationId, stepId, count, returned, thing } = await needRow('lots', id);
  const step = await needRow('removal_steps', stepId);
  if (returned > 0)
    throw new Refusal('id', `${returned} of it are back in their holes. Take the step off again first.`);
  return takeBack(
    {
      restorationId,
      stage: 'teardown',
      what: `${count} × ${thing} of ${step.name}`,
      remove: [{ table: 'lots', where: { id } }],
    },
    now,
  );
}

async function connection(id: string, now: Date): Promise<string> {
  const { restorationId, stepId, kind, way, tickedAt } = await needRow('connections', id);
  const step = await needRow('removal_steps', stepId);
  if (tickedAt !== null) throw new Refusal('id', 'It is connected again already. Take the step off again first.');
  return takeBack(
    {
      restorationId,
      stage: 'teardown',
      what: `${kind} of ${step.name}: ${way}`,
      remove: [{ table: 'connections', where: { id } }],
    },
    now,
  );
}

async function measurement(id: string, now: Date): Promise<string> {
  const { restorationId, stage, pieceId, measuredAt } = await needRow('measurements', id);
  const { tag, name } = await needRow('pieces', pieceId);
  const takenId = await takeBack(
    {
      ...{
        restorationId,
        stage,
        what: `measurement of ${tag} ${name}, ${measuredAt.slice(0, 16).replace('T', ' ')} UTC`,
      },
      remove: [{ table: 'measurements', where: { id } }],
      letGo: [
        { table: 'looks_again', where: { measurementId: id }, fields: ['measurementId'] },
        { table: 'treatments', where: { startMeasurementId: id }, fields: ['startMeasurementId'] },
      ],
    },
    now,
  );
  await countHidden(pieceId);
  return takenId;
}

async function entry(id: string, now: Date): Promise<string> {
  const { restorationId, stage, kind, words, minutes } = await needRow('ledger', id);
  if (kind === 'price')
    throw new Refusal('id', 'The price was written down when the restoration was opened; it stays.');
  return takeBack(
    {
      restorationId,
      stage,
      what: kind === 'minutes' ? `${minutes} min, ${words}` : words,
      remove: [{ table: 'ledger', where: { id } }],
      letGo: [{ table: 'orders', where: { ledgerId: id }, fields: ['ledgerId'] }],
    },
    now,
  );
}

async function sheet(id: string, now: Date): Promise<string> {
  const { number } = await needRow('grey_sheets', id);
  return takeBack(
    {
      ...{ restorationId: null, stage: null, what: `calibration of sheet of greys ${number}` },
      remove: [{ table: 'grey_sheets', where: { id } }],
    },
    now,
  );
}

async function contactLimits(id: string, now: Date): Promise<string> {
  const { kind } = await needRow('contact_limits', id);
  return takeBack(
    {
      ...{ restorationId: null, stage: null, what: `own limits of contacts: ${KIND[kind].title.toLowerCase()}` },
      remove: [{ table: 'contact_limits', where: { id } }],
    },
    now,
  );
}

async function repair(id: string, now: Date): Promise<string> {
  const { restorationId, name, endedAt } = await needRow('repairs', id);
  if (endedAt !== null)
    throw new Refusal('id', 'It was ended, and what came of it stays in the record. Open its finding again instead.');
  return takeBack(
    {
      ...{ restorationId, stage: 'mend', what: `repair ${name}` },
      remove: [
        { table: 'timers', where: { repairId: id } },
        { table: 'repairs', where: { id } },
      ],
      letGo: [{ table: 'orders', where: { repairId: id }, fields: ['repairId'] }],
    },
    now,
  );
}

async function lostMark(id: string, now: Date): Promise<string> {
  const { restorationId, name, doneAt } = await needRow('lost_marks', id);
  if (doneAt !== null) throw new Refusal('id', 'It was settled, and that stays in the record. Open it again first.');
  return takeBack(
    {
      ...{ restorationId, stage: 'finish', what: `lost mark ${name}` },
      remove: [{ table: 'lost_marks', where: { id } }],
    },
    now,
  );
}

async function keyboard(id: string, now: Date): Promise<string> {
  const { restorationId, name } = await needRow('keyboards', id);
  const rests = ['key_tests', 'probes', 'key_measures', 'key_repairs'] as const;
  const counts = await Promise.all(rests.map((table) => countRows(table, { keyboardId: id })));
  if (counts.some((count) => count > 0))
    throw new Refusal(
      'id',
      `“${name}” was tested, measured or mended. Take those tests, readings and repairs back first.`,
    );
  if ((await countRows('caps', { keyboardId: id, isOff: true })) > 0)
    throw new Refusal('id', `Caps of “${name}” are off. Put them back on first, or they would be forgotten.`);
  return takeBack(
    {
      ...{ restorationId, stage: 'keys', what: `keyboard ${name}` },
      remove: [
        ...(['keyboard_pictures', 'caps', 'loose_parts'] as const).map((table) => ({
          table,
          where: { keyboardId: id },
        })),
        { table: 'keyboards', where: { id } },
      ],
    },
    now,
  );
}

async function keyTest(id: string, now: Date): Promise<string> {
  const { restorationId, phase } = await needRow('key_tests', id);
  return takeBack(
    {
      ...{ restorationId, stage: 'keys', what: `key test ${phase}` },
      remove: [
        { table: 'keys_seen', where: { testId: id } },
        { table: 'keys_together', where: { testId: id } },
        { table: 'key_tests', where: { id } },
      ],
    },
    now,
  );
}

async function reading(id: string, now: Date): Promise<string> {
  const { restorationId, line, fromPlace, toPlace } = await needRow('probes', id);
  return takeBack(
    {
      ...{ restorationId, stage: 'keys', what: `reading of line ${line}, ${fromPlace} to ${toPlace}` },
      remove: [{ table: 'probes', where: { id } }],
    },
    now,
  );
}

/** A row of a stage that nothing else rests on. */
const plainly =
  <
    T extends
      | 'keyboard_pictures'
      | 'loose_parts'
      | 'key_measures'
      | 'key_repairs'
      | 'parts'
      | 'sizes'
      | 'test_drops'
      | 'areas'
      | 'origins'
      | 'hazes',
  >(
    table: T,
    what: (row: RowOf[T]) => string,
    stage: Stage | ((row: RowOf[T]) => Stage) = 'keys',
  ) =>
  async (id: string, now: Date): Promise<string> => {
    const row = await needRow(table, id);
    return takeBack(
      {
        ...{ restorationId: row.restorationId, stage: typeof stage === 'string' ? stage : stage(row), what: what(row) },
        remove: [{ table, where: { id } }],
      },
      now,
    );
  };

const RULES: Record<Taken, (id: string, now: Date) => Promise<string>> = {
  finding,
  photograph,
  piece,
  bottle,
  lot,
  connection,
  measurement,
  entry,
  sheet,
  keyboard,
  'key test': keyTest,
  reading,
  'marked photograph': plainly('keyboard_pictures', () => 'marks on a photograph of the keyboard'),
  count: plainly('loose_parts', ({ part }) => `count of ${part}`),
  'measured part': plainly('key_measures', ({ key, what }) => `${what} of ${key}`),
  'key repair': plainly('key_repairs', ({ fault }) => `key repair: ${fault}`),
  'contact limits': contactLimits,
  part: plainly('parts', ({ name }) => `part ${name}`, 'mend'),
  repair,
  donor: takeDonorBack,
  'part of a donor': takeDonorPartBack,
  order: takeOrderBack,
  printer: takePrinterBack,
  'rusted place': takeRustBack,
  'step on rust': takeRungBack,
  'share of rust': takeShareBack,
  outline: plainly('areas', ({ use, name }) => `outline of ${name || use}`, 'finish'),
  'word on originality': plainly('origins', ({ what, state }) => `${what || 'all of it'}: ${state}`, 'finish'),
  'lost mark': lostMark,
  haze: plainly('hazes', ({ name }) => `haze of ${name}`, 'finish'),
  coating: takeCoatingBack,
  coat: takeCoatBack,
  size: plainly('sizes', ({ name }) => `size ${name}`, 'mend'),
  'test drop': plainly(
    'test_drops',
    ({ base, amounts }) => `test drop of ${base}, ${dropWords(amounts)}`,
    ({ use }) => DROP_STAGE[use],
  ),
};

/**
 * Takes back what was written by mistake; the log keeps what it said.
 *
 * @returns id by which it is brought back
 * @throws Refusal where something else rests on it, with what to do instead
 */
export const takeThingBack = (what: Taken, id: string, now: Date): Promise<string> =>
  inTransaction(() => RULES[what](id, now));

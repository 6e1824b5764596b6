import sharp from 'sharp';
import { closeDatabase } from '@/data/connection';
import { TABLES, type TableName } from '@/data/tables';
import { countRows, findRows } from '@/data/table';
import { actionsOfBuild, attacked, call, newFolder, removeFolder, tell, type Called } from './server';

type Fields = Record<string, unknown>;
/** What it is done to. */
interface To {
  restorationId: string;
  pieceId: string;
  photoId: string;
  findingId: string;
  stepId: string;
  timerId: string;
  n: number;
}

/** One of each kind of thing that is written down, as its page sends it. */
const WRITES: Record<string, (to: To) => Fields> = {
  'stages/intake/actions#openMachine': ({ n }) => ({ title: `Machine ${n}`, pricePaid: '12' }),
  'stages/intake/actions#addFunctionTest': ({ restorationId }) => ({
    restorationId,
    phase: 'before',
    results: { letters: 'faulty' },
    words: {},
    waivedWhy: '',
  }),
  'clipboard/actions#writeDown': ({ restorationId }) => ({ restorationId, stage: 'mend', words: 'glued' }),
  'clipboard/actions#addMinutes': ({ restorationId }) => ({
    restorationId,
    stage: 'mend',
    minutes: '20',
    words: 'glue',
  }),
  'clipboard/actions#addMaterial': ({ restorationId }) => ({ restorationId, stage: 'mend', words: 'putty', cost: '4' }),
  'clipboard/actions#addFinding': ({ restorationId, pieceId }) => ({
    restorationId,
    stage: 'intake',
    pieceId,
    kind: 'crack',
    part: 'case',
    severity: 'bad',
    words: '',
  }),
  'runsheet/actions#tagPiece': ({ restorationId, n }) => ({
    restorationId,
    tag: `X${n}`,
    name: 'Door',
    plastic: 'ABS',
    finish: 'textured',
  }),
  'runsheet/actions#addRequest': ({ restorationId }) => ({
    ...{
      restorationId,
      pieceId: '',
      stage: 'brighten',
      about: 'treatment',
      what: 'brighten',
      why: 'yellow',
      cost: '',
      alternatives: 'leave it',
    },
  }),
  'clipboard/actions#closeFinding': ({ findingId }) => ({
    findingId,
    settledAs: 'left on purpose',
    settledWords: 'as it was',
  }),
  'stages/teardown/actions#takeStepOff': ({ restorationId, n }) => ({
    restorationId,
    name: `Shield ${n}`,
    joint: 'clips',
  }),
  'stages/teardown/actions#addLaidAside': ({ restorationId, n }) => ({ restorationId, name: `Strip ${n}` }),
  'stages/teardown/actions#putIntoTray': ({ stepId }) => ({
    ...{
      stepId,
      thing: 'screw',
      drive: 'cross',
      head: 'pan',
      diameterMm: '3',
      lengthMm: '8',
      shank: 'straight',
      count: '4',
      fate: 'kept',
      deepestMm: '',
    },
  }),
  'stages/teardown/actions#addSortingTray': ({ n }) => ({ name: `Tray ${n}`, columns: '4', rows: '3' }),
  'stages/wash/actions#addOwnTub': ({ n }) => ({ name: `Tub ${n}`, lengthMm: '500', widthMm: '300', depthMm: '200' }),
  'stores/actions#putIntoStores': ({ n }) => ({
    name: `Bottle ${n}`,
    kind: 'cleaner',
    strengthValue: '',
    sizeMl: '500',
    price: '3',
    words: '',
  }),
  'bench/actions#startOwnTimer': () => ({ label: 'glue', minutes: '20', of: '' }),
  'workshop/actions#addName': ({ n }) => ({ name: `Hand ${n}` }),
  'workshop/actions#addInTheWay': ({ n }) => ({ name: `Wall ${n}`, fromDeg: '80', toDeg: '100', heightDeg: '20' }),
  'stages/brighten/actions#noteSky': () => ({ cloudPercent: '25', forHours: '3' }),
};

/** Nothing is answered as nothing, however it is written. */
const said = ({ answer }: Called): string =>
  JSON.stringify(answer?.value === '$undefined' ? null : (answer?.value ?? null));

const rowsOf = async (): Promise<Record<string, number>> =>
  Object.fromEntries(
    await Promise.all(
      (Object.keys(TABLES) as TableName[]).map(async (table) => [table, await countRows(table)] as const),
    ),
  );
const grown = (before: Record<string, number>, after: Record<string, number>): string =>
  Object.keys(after)
    .filter((table) => table !== 'answered' && after[table] !== before[table])
    .map((table) => `${table} +${after[table]! - before[table]!}`)
    .join(', ');

/** Every kind of write, once and then twice at once under one key: both leave the same behind. And two stale pages of everything that is put right. */
export async function twice(): Promise<void> {
  const data = await newFolder();
  process.env.KVELL_DATA = data;
  const server = await attacked(3961, data);
  const failures: string[] = [];
  const actions = actionsOfBuild();
  let [n, tries] = [0, 0];
  const key = () => (++n).toString(16).padStart(32, '0');
  const act = (name: string, given: Fields) => call(server.base, actions.get(name)!, [given]);
  const idOf = async (name: string, given: Fields): Promise<string> => {
    const { answer } = await act(name, { ...given, once: key() });
    if (!answer?.ok) throw new Error(`${name}: ${JSON.stringify(answer)}`);
    return String(answer.value);
  };
  const fresh = async (): Promise<To> => {
    const restorationId = await idOf('stages/intake/actions#openMachine', { title: `Trial ${++n}` });
    await act('runsheet/actions#setOwnerOf', {
      restorationId,
      owner: 'Somebody',
      stages: [],
      spend: '100',
      words: '',
      once: key(),
    });
    const pieceId = await idOf('runsheet/actions#tagPiece', {
      restorationId,
      tag: 'K1',
      name: 'Lid',
      plastic: 'ABS',
      finish: 'textured',
    });
    const findingId = await idOf('clipboard/actions#addFinding', {
      restorationId,
      stage: 'intake',
      pieceId,
      kind: 'crack',
      part: 'case',
      severity: 'bad',
    });
    const stepId = await idOf('stages/teardown/actions#takeStepOff', { restorationId, name: 'Lid', joint: 'clips' });
    return { restorationId, pieceId, findingId, stepId, photoId: '', timerId: '', n: ++n };
  };
  try {
    for (const [name, fieldsOf] of Object.entries(WRITES)) {
      tries += 1;
      if (!actions.has(name)) {
        failures.push(`there is no action ${name}`);
        continue;
      }
      // What comes with the first of its kind comes before.
      await act(name, { ...fieldsOf(await fresh()), once: key() });
      const [one, other] = [await fresh(), await fresh()];
      const start = await rowsOf();
      const alone = await act(name, { ...fieldsOf(one), once: key() });
      const between = await rowsOf();
      const once = key();
      const both = await Promise.all([1, 2].map(() => act(name, { ...fieldsOf(other), once })));
      const end = await rowsOf();
      const [expected, came] = [grown(start, between), grown(between, end)];
      if (!alone.answer?.ok) failures.push(`${name} is refused at all: ${JSON.stringify(alone).slice(0, 160)}`);
      else if (both.some(({ answer }) => !answer?.ok))
        failures.push(`${name} twice is not answered alike: ${JSON.stringify(both).slice(0, 160)}`);
      else if (said(both[0]!) !== said(both[1]!)) failures.push(`${name} twice has two answers`);
      else if (expected !== came || came === '') failures.push(`${name}: once ${expected}; twice ${came}`);
    }
    // A photograph is one by its bytes.
    const { restorationId } = await fresh();
    const jpeg = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#cba' } })
      .jpeg()
      .toBuffer();
    const upload = async () => {
      const form = new FormData();
      form.set('restorationId', restorationId);
      form.set('stage', 'intake');
      form.set('photo', new File([new Uint8Array(jpeg)], 'a.jpg'));
      return (
        await fetch(`${server.base}/api/photos`, { method: 'POST', body: form, headers: { origin: server.base } })
      ).status;
    };
    tries += 1;
    await Promise.all([upload(), upload(), upload()]);
    if ((await findRows('photos', { restorationId })).length !== 1)
      failures.push('a photograph sent three times at once is not one');
    // Two pages, both drawn before either wrote, each changing a field that the other did not touch.
    const stale: [string, Fields, Fields, Fields, (to: To) => Fields][] = [
      [
        'stages/intake/actions#correctMachine',
        { title: 'T', machine: '', source: '', claim: '', packing: '', condition: '' },
        { machine: 'home computer' },
        { packing: 'in foam' },
        ({ restorationId }) => ({ restorationId }),
      ],
      [
        'runsheet/actions#setAimOf',
        { aim: 'presentable', worthKeeping: '' },
        { aim: 'keep the age' },
        { worthKeeping: 'sticker' },
        ({ restorationId }) => ({ restorationId }),
      ],
    ];
    for (const [name, drawn, first, second, id] of stale) {
      tries += 1;
      const to = await fresh();
      if ('title' in drawn) await act(name, { ...drawn, ...id(to), once: key() });
      await act(name, { ...drawn, ...first, ...id(to), drawn, once: key() });
      await act(name, { ...drawn, ...second, ...id(to), drawn, once: key() });
      const [row] = await findRows('restorations', { id: to.restorationId });
      for (const [field, value] of Object.entries({ ...first, ...second }))
        if ((row as unknown as Fields)[field] !== value) failures.push(`${name}: ${field} was wiped by a stale page`);
    }
    if (server.faults.length > 0) failures.push(`faults inside: ${server.faults.join('').slice(0, 200)}`);
    tell('twice', tries, failures, `${Object.keys(WRITES).length} kinds of write, once and twice at once`);
  } finally {
    await closeDatabase();
    await server.stop();
    await removeFolder(data);
  }
}

/** @jest-environment node */
import { createHash } from 'node:crypto';
import { readFile, writeFile } from 'node:fs/promises';
import path from 'node:path';
import Ajv from 'ajv/dist/2019';
import addFormats from 'ajv-formats';
import { loadWorkshop } from '../../../demo/workshop';
import { gatherBundle, type Bundle } from '@/data/bundle';
import { readOriginal } from '@/data/photos/store';
import { listRestorations } from '@/data/restorations';
import { freshFolder, removeFolders, tick } from '@/data/trial';
import { bundleSchema } from './bundleSchema';
import { exportHtml } from './exportHtml';
import { exportZip, logCsv, measurementsCsv } from './exportZip';
import { importZip } from './importZip';
import { bundleJsonSchema } from './jsonSchema';
import { broughtForward } from './olderBundles';
import { tellStory } from './story';

const SCHEMA_FILE = path.join(process.cwd(), 'docs/schema/restoration.schema.json');
let bundles: Bundle[] = [];
let zips: Buffer[] = [];

beforeAll(async () => {
  await freshFolder();
  await loadWorkshop(new Date('2026-06-21T15:00:00Z'), () => {});
  bundles = await Promise.all((await listRestorations()).map(async ({ id }) => (await gatherBundle(id))!));
  zips = await Promise.all(bundles.map(exportZip));
}, 240_000);

afterAll(removeFolders);

it('the demo workshop is told: one finished, one under way, one taken in', () => {
  const stories = bundles.map(tellStory);
  const undone = (title: string) => stories.find(({ bundle }) => bundle.restoration.title === title)!.undone;
  expect(undone('Pellwig Pocket')).toEqual(['scuffed: window (left on purpose, original window, scratches are shallow)']);
  expect(undone('Tovarn Desk Two').length).toBeGreaterThan(5);
  const pellwig = stories.find(({ bundle }) => bundle.restoration.title === 'Pellwig Pocket')!;
  expect(pellwig.pieces[0]!.first!.verdict).toBe('to go');
  expect(pellwig.pieces[0]!.last!.verdict).toBe('matched');
  expect(pellwig.cost).toMatchObject({ price: '€8.00', minutes: 162, work: '€32.40' });
});

it('tells what was confirmed at the sink, what was tested, where something was settled, who lay together and what is kept', () => {
  const bundle = bundles.find(({ restoration }) => restoration.title === 'Pellwig Pocket')!;
  const [piece] = bundle.pieces as [Bundle['pieces'][number]];
  const at = '2026-05-02T10:00:00.000Z';
  const finding: Bundle['findings'][number] = {
    ...bundle.findings[0]!,
    id: 'soiled-lid',
    pieceId: piece.id,
    stage: 'intake',
    kind: 'soiled',
    words: 'lid',
    severity: 'bad',
    settledAs: 'done',
    settledWords: 'dish soap',
  };
  const step = {
    id: 'a',
    restorationId: bundle.restoration.id,
    findingId: finding.id,
    pieceId: piece.id,
    timerId: null,
    agent: 'soap-wipe',
    soil: 'hand-grease',
    surface: 'abs-textured',
    startedAt: at,
    endedAt: at,
    outcome: 'gone',
    words: '',
    photoId: null,
    cautions: [{ id: 'mark-0', severity: 'caution', hazard: 'Keep this mark: sticker.', protection: 'tape', never: 'Never bare.' }],
  } as Bundle['sinkSteps'][number];
  const alone = bundle.sessions[0]!;
  const story = tellStory({
    ...bundle,
    pieces: [piece, { ...piece, id: 'other', tag: 'K9' }],
    findings: [finding, { ...finding, id: 'mark', kind: 'keep this mark', words: 'sticker', settledAs: null, settledWords: null }],
    sinkSteps: [step, { ...step, id: 'b', findingId: 'mark' }],
    sessions: [alone, { ...alone, id: 'along', pieceId: 'other', leadId: alone.id }],
    functionTests: [
      {
        id: 't',
        restorationId: step.restorationId,
        phase: 'before',
        at,
        results: { display: 'works', sound: 'faulty' },
        words: {},
        waivedWhy: 'no speaker',
      },
    ],
  });
  expect(story.passes).toHaveLength(1);
  expect(story.passes[0]).toMatchObject({ came: 'gone', cautions: ['Keep this mark: sticker.'] });
  expect(story.tested[0]!.found).toBe('faulty: sound; waived: no speaker');
  expect(story.marks).toEqual(['sticker']);
  expect(story.undone.join()).not.toContain('keep this mark');
  const settledAt = (stage: string) => story.stages.find((known) => known.stage === stage)!.settled.map(({ id }) => id);
  expect([settledAt('wash'), settledAt('intake')]).toEqual([['soiled-lid'], []]);
  expect(story.pieces[0]!.treatments.flatMap(({ sessions }) => sessions)[0]!.together).toEqual(['K9']);
});

it('follows its published schema, which is the one in docs', async () => {
  const schema = bundleJsonSchema();
  if (process.env.KVELL_WRITE_SCHEMA) await writeFile(SCHEMA_FILE, `${JSON.stringify(schema, null, 2)}\n`);
  expect(JSON.parse(await readFile(SCHEMA_FILE, 'utf8'))).toEqual(JSON.parse(JSON.stringify(schema)));
  const ajv = new Ajv({ strict: false });
  addFormats(ajv);
  const check = ajv.compile(schema);
  for (const bundle of bundles)
    expect({ valid: check(JSON.parse(JSON.stringify(bundle))), errors: check.errors }).toEqual({ valid: true, errors: null });
  expect(check({ ...bundles[0], stages: 'none' })).toBe(false);
});

it('imports again to the same restoration, byte for byte in its photographs', async () => {
  await freshFolder();
  for (const [i, zip] of zips.entries()) {
    const id = await importZip(zip, false, tick());
    const again = (await gatherBundle(id))!;
    expect({ ...again, workshop: null }).toEqual({ ...bundles[i]!, workshop: null });
    for (const photo of again.photos)
      expect(
        createHash('sha256')
          .update(await readOriginal(photo))
          .digest('hex'),
      ).toBe(photo.hash);
  }
  await expect(importZip(zips[0]!, false, tick())).rejects.toThrow('is here already');
  const copy = (await gatherBundle(await importZip(zips[0]!, true, tick())))!;
  expect(copy.restoration.title).toBe(`${bundles[0]!.restoration.title} (copy)`);
  expect(copy.log.length).toBe(bundles[0]!.log.length);
}, 120_000);

it('takes in what an earlier version exported, with what it did not know yet left open', () => {
  const without = (row: object, ...fields: string[]) => Object.fromEntries(Object.entries(row).filter(([name]) => !fields.includes(name)));
  const bundle = JSON.parse(JSON.stringify(bundles.find(({ functionTests }) => functionTests.length > 0)!)) as Bundle;
  const results = { display: 'works', sound: 'works', ports: 'works', drives: 'works', keys: 'faulty', switches: 'works', lamps: 'works' };
  const first = {
    ...without(bundle, 'requests', 'sinkSteps', 'ownAgents', 'ownSurfaces'),
    version: 1,
    restoration: without(bundle.restoration, 'aim', 'owner', 'allowed', 'estimate', 'claim', 'packing', 'worthKeeping'),
    pieces: bundle.pieces.map((piece) => without(piece, 'aim', 'worthKeeping', 'surfaces', 'hollow')),
    findings: bundle.findings.map((finding) => without(finding, 'photoId', 'pin', 'closeUpId', 'soil', 'visible', 'continues')),
    removalSteps: bundle.removalSteps.map((step) => without(step, 'offBy', 'onBy')),
    functionTests: bundle.functionTests.map((test) => ({ ...test, results })),
    sessions: bundle.sessions.map((session) => ({ ...without(session, 'leadId', 'coats', 'takes', 'checks', 'readings'), measurementId: null })),
  };
  const brought = bundleSchema.validate(broughtForward(first), { convert: false });
  expect(brought.error).toBeUndefined();
  expect(brought.value).toMatchObject({ version: 5, requests: [], restoration: { aim: 'presentable', owner: '' } });
  expect(brought.value!.functionTests[0]!.results).toMatchObject({ letters: 'faulty', 'number pad': 'faulty', display: 'works' });
  expect(broughtForward(bundles[0])).toBe(bundles[0]);
  expect(broughtForward('nothing')).toBe('nothing');
});

it('a photograph that was changed after the export is found out', async () => {
  const photo = bundles.find(({ photos }) => photos.length > 0)!.photos[0]!;
  const zip = Buffer.from(zips.find((_, i) => bundles[i]!.photos.includes(photo))!);
  const start = zip.indexOf(Buffer.from([0xff, 0xd8, 0xff]));
  zip[start + 900]! ^= 1;
  await expect(importZip(zip, true, tick())).rejects.toThrow(/changed after the export|cannot be read/);
});

it('the page needs nothing else: pictures inside, no script, words escaped', async () => {
  await freshFolder();
  const id = await importZip(zips[1]!, false, tick());
  const bundle = (await gatherBundle(id))!;
  const html = await exportHtml({ ...bundle, restoration: { ...bundle.restoration, title: '<script>alert(1)</script>' } });
  expect(html).toContain('&lt;script&gt;alert(1)');
  expect(html).not.toContain('<script');
  expect(html).not.toMatch(/(src|href)="(?!data:)/);
  expect(html.match(/data:image\/webp/g)!.length).toBeGreaterThanOrEqual(bundle.photos.length);
});

it('CSV holds every entry, and no cell that a spreadsheet would run', () => {
  const [bundle] = bundles as [Bundle];
  const evil = { ...bundle, log: [{ ...bundle.log[0]!, words: '=HYPERLINK("x")' }] };
  expect(logCsv(evil)).toContain(`'=HYPERLINK`);
  expect(logCsv(bundle).split('\r\n').length).toBeGreaterThan(bundle.log.length);
  expect(measurementsCsv(bundles.find(({ measurements }) => measurements.length > 0)!)).toMatch(
    /^tag,measuredAt,stage,L,a,b,yellownessIndex,deltaE00/,
  );
});

it('a picture in a ZIP is what its bytes are: its size is read from them, and a type that it is not is refused', async () => {
  // The demo's own pictures are still where they were exported from.
  await freshFolder();
  for (const zip of zips) await importZip(zip, false, tick());
  const bundle = bundles.find(({ photos }) => photos.length > 0)!;
  const zipOf = (change: Partial<Bundle['photos'][number]>) =>
    exportZip({ ...bundle, photos: bundle.photos.map((photo, i) => (i === 0 ? { ...photo, ...change } : photo)) });
  await expect(importZip(await zipOf({ mime: 'image/png' }), true, tick())).rejects.toThrow('not of the type that the ZIP says');
  const id = await importZip(await zipOf({ width: 1, height: 1 }), true, tick());
  const [photo] = (await gatherBundle(id))!.photos;
  expect([photo!.width, photo!.height]).toEqual([bundle.photos[0]!.width, bundle.photos[0]!.height]);
});

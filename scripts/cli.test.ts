import { tick } from '@/work/trial';
import { execFile } from 'node:child_process';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import { closeDatabase } from '@/data/connection';
import { setPassphrase } from '@/data/door';
import { toJpeg } from '@/simulators/camera/jpeg';
import { homeComputer } from '@/simulators/camera/machines';
import { PLAIN_SHOT, takePhotograph } from '@/simulators/camera/shot';

interface Ran {
  code: number;
  out: string;
  err: string;
}

function npm(script: string, args: readonly string[], input = ''): Promise<Ran> {
  return new Promise((resolve) => {
    const child = execFile('npm', ['run', '-s', script, '--', ...args], (error, out, err) =>
      resolve({ code: error ? Number(error.code) : 0, out, err }),
    );
    child.stdin!.end(input);
  });
}

jest.setTimeout(240_000);

describe('sum', () => {
  it('prints one JSON object', async () => {
    const { code, out } = await npm('sum', ['peroxide-strength', '{"value":40,"unit":"volumes"}']);
    expect(code).toBe(0);
    expect(JSON.parse(out)).toMatchObject({ percentWW: expect.closeTo(11.66, 2) as number });
    expect(out.trim().split('\n')).toHaveLength(1);
  });

  it('reads standard input', async () => {
    const { out } = await npm('sum', ['yellowness', '-'], '{"srgb":[236,224,186]}');
    expect(JSON.parse(out)).toMatchObject({ yellownessIndex: expect.closeTo(35.11, 2) as number });
  });

  it('takes thousands in one go: a JSON a line in, one a line out in the same order, a bad one with its errors', async () => {
    const lines = Array.from({ length: 2000 }, (_, i) => JSON.stringify({ value: (i + 1) / 100, unit: 'percentWW' }));
    const { code, out } = await npm(
      'sum',
      ['peroxide-strength', '--lines'],
      ['{"value":"x"}', '{', '', ...lines].join('\n'),
    );
    expect(code).toBe(0);
    const [wrong, broken, ...rest] = out
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { errors?: { field: string }[]; percentWW: number });
    expect(wrong!.errors!.map(({ field }) => field)).toEqual(['value', 'unit']);
    expect(broken!.errors).toHaveLength(1);
    expect(rest).toHaveLength(2000);
    for (const [i, { percentWW }] of rest.entries()) expect(percentWW).toBeCloseTo((i + 1) / 100, 9);
  });

  it.each([
    [['peroxide-dilution', '{"stockPercentWW":6,"targetPercentWW":12,"finalVolumeL":1}'], 'targetPercentWW'],
    [['no-such-sum', '{}'], 'no sum'],
    [['yellowness', '{broken'], 'not JSON'],
  ])('%j ends with 1 and says why', async (args, words) => {
    const { code, out, err } = await npm('sum', args);
    expect(code).toBe(1);
    expect(out).toBe('');
    expect(err).toContain(words);
  });
});

describe('measure', () => {
  let folder = '';
  beforeAll(async () => {
    folder = await mkdtemp(path.join(os.tmpdir(), 'kvell-cli-test-'));
    const { picture, spec } = takePhotograph(homeComputer({ amount: 20 }, { amount: 20 }), {
      ...PLAIN_SHOT,
      width: 480,
      height: 360,
    });
    await writeFile(path.join(folder, 'photo.jpg'), await toJpeg(picture));
    await writeFile(
      path.join(folder, 'spec.json'),
      JSON.stringify({
        card: spec.card.map(({ rect, srgb }) => ({ rect, srgb })),
        regions: spec.regions,
        reference: 'hidden',
      }),
    );
    await writeFile(
      path.join(folder, 'wrong.json'),
      JSON.stringify({
        regions: [
          {
            id: 'far',
            polygon: [
              [0, 0],
              [9000, 0],
              [0, 9000],
            ],
          },
        ],
      }),
    );
    await writeFile(path.join(folder, 'words.jpg'), 'words');
  });
  afterAll(() => rm(folder, { recursive: true, force: true }));
  const at = (name: string) => path.join(folder, name);

  it('prints regions, card and warnings', async () => {
    const { code, out } = await npm('measure', [at('photo.jpg'), at('spec.json')]);
    expect(code).toBe(0);
    const result = JSON.parse(out) as { regions: Record<string, unknown>[]; card: object; warnings: string[] };
    expect(result.regions[0]).toMatchObject({ id: 'lid', verdict: 'to go' });
    for (const field of ['lab', 'yellownessIndex', 'deltaE00', 'deltaB', 'evenness', 'blotch', 'streak', 'usedShare'])
      expect(result.regions[0]).toHaveProperty(field);
    expect(result.card).toMatchObject({ patches: 1 });
  });

  it('measures several in one go, each by its own spec, and says what is wrong with one beside the others', async () => {
    const spec = JSON.parse(await readFile(at('spec.json'), 'utf8')) as object;
    const lines = [
      { photo: at('photo.jpg'), spec },
      { photo: at('missing.jpg'), spec },
      { photo: at('photo.jpg'), spec: at('spec.json') },
      { photo: at('photo.jpg'), spec: at('none.json') },
      { spec },
    ];
    const { code, out } = await npm('measure', ['--lines'], lines.map((line) => JSON.stringify(line)).join('\n'));
    expect(code).toBe(0);
    const answered = out
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { regions?: object[]; errors?: { field: string }[] });
    expect(answered.map(({ errors }) => errors?.[0]?.field ?? null)).toEqual([null, 'photo', null, 'spec', '']);
    expect(answered[2]).toEqual(answered[0]);
  });

  it.each([
    ['photo.jpg', 'wrong.json', 'outside the picture'],
    ['words.jpg', 'spec.json', 'not a picture'],
    ['missing.jpg', 'spec.json', 'missing.jpg'],
  ])('%s with %s ends with 1 and says why', async (photo, spec, words) => {
    const { code, err } = await npm('measure', [at(photo), at(spec)]);
    expect(code).toBe(1);
    expect(err).toContain(words);
  });
});

describe('the door', () => {
  const door = (data: string, ...args: string[]) =>
    new Promise<{ open: boolean; refused: string | null }>((resolve, reject) => {
      execFile(
        'node_modules/.bin/tsx',
        ['scripts/door.ts', ...args],
        { env: { ...process.env, KVELL_DATA: data } },
        (error, out) => (error ? reject(error) : resolve(JSON.parse(out) as { open: boolean; refused: string | null })),
      );
    });

  it('stays shut without a passphrase and says why; with one it opens and stays open', async () => {
    const data = await mkdtemp(path.join(os.tmpdir(), 'kvell-door-'));
    expect(await door(data, '--open')).toMatchObject({
      open: false,
      refused: expect.stringContaining('Set a passphrase first') as string,
    });
    process.env.KVELL_DATA = data;
    await setPassphrase('rain on a tin roof', null, tick());
    await closeDatabase();
    expect(await door(data)).toEqual({ open: false, refused: null });
    expect(await door(data, '--open')).toEqual({ open: true, refused: null });
    expect(await door(data)).toEqual({ open: true, refused: null });
    await rm(data, { recursive: true, force: true });
  });
});

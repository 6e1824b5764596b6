import { readdir } from 'node:fs/promises';
import path from 'node:path';
import sharp from 'sharp';
import { closeDatabase } from '@/data/connection';
import { findRows } from '@/data/table';
import { actionsOfBuild, attacked, call, newFolder, removeFolder, seeded, tell } from './server';

type Named = [name: string, bytes: Buffer];

const text = (words: string) => Buffer.from(words);
const SVG = '<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"><script>alert(1)</script></svg>';

/** Pictures that are whole, and what may be sent in their place. */
async function kinds(): Promise<Named[]> {
  const random = seeded(7);
  const noise = { type: 'gaussian' as const, mean: 128, sigma: 40 };
  const base = sharp({ create: { width: 240, height: 180, channels: 3, background: '#c9b98a', noise } });
  const whole: Record<string, Buffer> = {
    jpeg: await base.clone().jpeg().toBuffer(),
    'progressive jpeg': await base.clone().jpeg({ progressive: true }).toBuffer(),
    png: await base.clone().png().toBuffer(),
    'interlaced png': await base.clone().png({ progressive: true }).toBuffer(),
    webp: await base.clone().webp().toBuffer(),
  };
  const all: Named[] = [];
  for (const [name, bytes] of Object.entries(whole)) {
    all.push([name, bytes]);
    for (const share of [0, 0.05, 0.3, 0.6, 0.9, 0.99])
      all.push([`${name}, cut at ${share}`, bytes.subarray(0, Math.floor(bytes.length * share))]);
    for (let i = 0; i < 6; i++) {
      const hurt = Buffer.from(bytes);
      for (let n = 0; n < 1 + 8 * i; n++) hurt[Math.floor(random() * hurt.length)] = Math.floor(random() * 256);
      all.push([`${name}, ${1 + 8 * i} bytes changed`, hurt]);
    }
    all.push([`${name}, HTML behind it`, Buffer.concat([bytes, text('<script>alert(1)</script>')])]);
    all.push([`${name}, HTML before it`, Buffer.concat([text('<html><script>alert(1)</script>'), bytes])]);
    all.push([`${name} a million bytes longer`, Buffer.concat([bytes, Buffer.alloc(1_000_000, 7)])]);
  }
  const odd: Named[] = [
    ['nothing', Buffer.alloc(0)],
    ['one byte', Buffer.from([255])],
    ['HTML', text('<!doctype html><script>alert(1)</script>')],
    ['SVG with a script', text(SVG)],
    [
      'SVG that names a file',
      text('<svg xmlns="http://www.w3.org/2000/svg"><image href="file:///etc/passwd" width="9" height="9"/></svg>'),
    ],
    ['PDF', text('%PDF-1.4\n1 0 obj<</Type/Catalog>>endobj\ntrailer<</Root 1 0 R>>')],
    ['ZIP', Buffer.from('504b0304140000000000', 'hex')],
    ['a program', Buffer.from('7f454c46020101000000', 'hex')],
    ['BMP', Buffer.from('424d3a0000000000000036000000280000000100000001000000010018000000', 'hex')],
    ['icon', Buffer.from('00000100010010100000010020006804', 'hex')],
    ['HEIC by its name', text('\0\0\0\x18ftypheic\0\0\0\0mif1heic')],
    ['JPEG head alone', Buffer.from('ffd8ffe000104a46494600010100000100010000ffd9', 'hex')],
    ['PNG head alone', Buffer.from('89504e470d0a1a0a', 'hex')],
    ['gif', await base.clone().gif().toBuffer()],
    ['tiff', await base.clone().tiff().toBuffer()],
    ['avif', await base.clone().avif().toBuffer()],
    ['CMYK', await base.clone().toColourspace('cmyk').jpeg().toBuffer()],
    ['16 bits', await base.clone().toColourspace('rgb16').png().toBuffer()],
    ['grey', await base.clone().greyscale().png().toBuffer()],
    ['see-through', await base.clone().ensureAlpha(0.2).png().toBuffer()],
    [
      'one pixel',
      await sharp({ create: { width: 1, height: 1, channels: 3, background: '#fff' } })
        .png()
        .toBuffer(),
    ],
    [
      '20,000 wide, 1 high',
      await sharp({ create: { width: 20_000, height: 1, channels: 3, background: '#fff' } })
        .png()
        .toBuffer(),
    ],
    [
      '1 wide, 20,000 high',
      await sharp({ create: { width: 1, height: 20_000, channels: 3, background: '#fff' } })
        .png()
        .toBuffer(),
    ],
    ['turned eight ways', await base.clone().withMetadata({ orientation: 7 }).jpeg().toBuffer()],
    [
      'EXIF of 60 kB',
      await base
        .clone()
        .withExif({ IFD0: { ImageDescription: 'x'.repeat(60_000) } })
        .jpeg()
        .toBuffer(),
    ],
    [
      'EXIF with a script',
      await base
        .clone()
        .withExif({ IFD0: { Artist: '<script>alert(1)</script>', DateTime: '9999:99:99 99:99:99' } })
        .jpeg()
        .toBuffer(),
    ],
    [
      '300 million pixels',
      await sharp({
        create: { width: 20_000, height: 15_000, channels: 3, background: '#ccc' },
        limitInputPixels: false,
      })
        .png({ compressionLevel: 9 })
        .toBuffer(),
    ],
    ['61 MB', Buffer.concat([whole.jpeg!, Buffer.alloc(61 * 1024 * 1024)])],
  ];
  return [...all, ...odd];
}

const NAMES = [
  'a.jpg',
  '../../etc/passwd',
  'a.html',
  'ä ö.jpg',
  `${'n'.repeat(300)}.jpg`,
  'a\\b.jpg',
  'con.jpg',
  '<script>.jpg',
];

/** Files that are not what they say: each is refused in words, or is a picture and is served as one; none is left behind. */
export async function files(): Promise<void> {
  const data = await newFolder();
  process.env.KVELL_DATA = data;
  const server = await attacked(3963, data);
  const failures: string[] = [];
  const all = await kinds();
  let taken = 0;
  try {
    const open = await call(server.base, actionsOfBuild().get('stages/intake/actions#openMachine')!, [
      { title: 'Files', once: 'b'.repeat(32) },
    ]);
    const restorationId = String(open.answer!.value);
    for (const [i, [name, bytes]] of all.entries()) {
      const form = new FormData();
      form.set('restorationId', restorationId);
      form.set('stage', 'intake');
      form.set(
        'photo',
        new File([new Uint8Array(bytes)], NAMES[i % NAMES.length]!, { type: i % 3 === 0 ? 'text/html' : 'image/jpeg' }),
      );
      const response = await fetch(`${server.base}/api/photos`, {
        method: 'POST',
        body: form,
        headers: { origin: server.base },
      });
      const answered = (await response.json()) as {
        ok: boolean;
        value?: { id: string };
        errors?: { message: string }[];
      };
      if (![200, 400].includes(response.status)) failures.push(`${name}: ${response.status}`);
      if (!answered.ok && !answered.errors?.every(({ message }) => message.length > 20))
        failures.push(`${name}: refused without words`);
      if (!answered.ok) continue;
      taken += 1;
      for (const size of ['', '?size=small', '?size=large']) {
        const picture = await fetch(`${server.base}/api/photos/${answered.value!.id}${size}`);
        const type = picture.headers.get('content-type') ?? '';
        const harmless =
          picture.headers.get('x-content-type-options') === 'nosniff' &&
          picture.headers.get('content-security-policy')?.includes('sandbox');
        if (picture.status !== 200 || !/^image\/(jpeg|png|webp)$/.test(type) || !harmless)
          failures.push(`${name}${size}: ${picture.status} ${type}`);
        await picture.arrayBuffer();
      }
    }
    const known = new Set(
      (await findRows('photos', { restorationId })).map(({ hash, extension }) => `${hash}.${extension}`),
    );
    const left = (await readdir(path.join(data, 'photos'), { recursive: true })).filter(
      (file) => file.includes('.') && !known.has(path.basename(file)),
    );
    for (const file of left) failures.push(`left behind: ${file}`);
    if (server.faults.length > 0) failures.push(`faults inside: ${server.faults.join('').slice(0, 200)}`);
    tell('files', all.length, failures, `${taken} taken in as pictures, most memory ${await server.mostMb()} MB`);
  } finally {
    await server.stop();
    await closeDatabase();
    await removeFolder(data);
  }
}

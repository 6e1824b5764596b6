import { createHash } from 'node:crypto';
import { readdir, readFile } from 'node:fs/promises';
import path from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import sharp from 'sharp';
import { closeDatabase } from '@/data/connection';
import { findRows, select } from '@/data/table';
import { actionsOfBuild, attacked, call, newFolder, removeFolder, seeded, tell, type Attacked } from './server';

const KILLS = 500;
/** Longest that writes go on after the first of them was answered, ms: in turn within its notes, and within its photographs. */
const LONGEST_MS = [120, 1200] as const;
/** A server that has just started answers within this, ms. */
const FIRST_MS = 5000;

/** What was answered as done, and has to be there whatever happens afterwards. */
interface Promised {
  notes: string[];
  /** Notes whose answer never came: a device keeps them and sends them again under their key. */
  unanswered: { words: string; once: string }[];
  photos: string[];
  pieces: string[];
}

/** Writes of every sort at once. @returns when the first is answered, and when none is under way any more */
function burst(
  server: Attacked,
  restorationId: string,
  round: number,
  promised: Promised,
): { first: Promise<unknown>; over: Promise<unknown> } {
  const actions = actionsOfBuild();
  const act = (name: string, given: object) => call(server.base, actions.get(name)!, [given]);
  const note = async (i: number) => {
    const sent = { words: `note ${round}.${i}`, once: `${round * 10 + i}`.padStart(32, '0') };
    const { answer } = await act('clipboard/actions#writeDown', { restorationId, stage: 'mend', ...sent }).catch(() => {
      promised.unanswered.push(sent);
      return { answer: undefined };
    });
    if (answer?.ok) promised.notes.push(sent.words);
  };
  const piece = async () => {
    const given = {
      restorationId,
      tag: `R${round}`,
      name: 'Part',
      plastic: 'ABS',
      finish: 'textured',
      once: `f${round}`.padStart(32, '0'),
    };
    const { answer } = await act('runsheet/actions#tagPiece', given);
    if (answer?.ok) promised.pieces.push(String(answer.value));
  };
  const photo = async (i: number) => {
    const shade = { r: round % 256, g: i * 40, b: (round >> 8) + 60 };
    const noise = { type: 'gaussian' as const, mean: 128, sigma: 30 };
    const jpeg = await sharp({ create: { width: 640, height: 480, channels: 3, background: shade, noise } })
      .jpeg()
      .toBuffer();
    const form = new FormData();
    form.set('restorationId', restorationId);
    form.set('stage', 'intake');
    form.set('photo', new File([new Uint8Array(jpeg)], `p${round}-${i}.jpg`));
    const response = await fetch(`${server.base}/api/photos`, {
      method: 'POST',
      body: form,
      headers: { origin: server.base },
    });
    const answered = (await response.json()) as { ok: boolean; value?: { id: string } };
    if (answered.ok) promised.photos.push(answered.value!.id);
  };
  const under = [note(1), photo(1), piece(), note(2), photo(2), note(3)];
  // What is under way when the server goes fails, as it should.
  return { first: Promise.any(under).catch(() => {}), over: Promise.allSettled(under) };
}

/** Kills the server in the middle of writes, again and again: what was answered is there, and no file is half or without its row. */
export async function kill(): Promise<void> {
  const data = await newFolder();
  process.env.KVELL_DATA = data;
  const random = seeded(20_261_128);
  const promised: Promised = { notes: [], unanswered: [], photos: [], pieces: [] };
  let again = 0;
  const failures: string[] = [];
  let server = await attacked(3962, data);
  try {
    const open = await call(server.base, actionsOfBuild().get('stages/intake/actions#openMachine')!, [
      { title: 'Killed', once: 'a'.repeat(32) },
    ]);
    const restorationId = String(open.answer!.value);
    for (let round = 0; round < KILLS; round++) {
      const { first, over } = burst(server, restorationId, round, promised);
      await Promise.race([first, pause(FIRST_MS)]);
      await pause(random() * LONGEST_MS[round % 2]!);
      await server.stop('SIGKILL');
      await over;
      server = await attacked(3962, data);
      for (const sent of promised.unanswered.splice(0)) {
        const given = { restorationId, stage: 'mend', ...sent, typedAgoMs: 1000 };
        const { answer } = await call(server.base, actionsOfBuild().get('clipboard/actions#writeDown')!, [given]);
        if (answer?.ok) promised.notes.push(sent.words);
        else failures.push(`what was kept is not taken: ${JSON.stringify(answer)}`);
        again += 1;
      }
    }
    await server.stop();
    const words = (await findRows('log', { restorationId, kind: 'note' })).map((entry) => entry.words);
    if (words.length !== new Set(words).size) failures.push('a note that was sent again is there twice');
    const [log, photos, pieces] = [
      new Set(words),
      await findRows('photos', { restorationId }),
      new Set((await findRows('pieces', { restorationId })).map(({ id }) => id)),
    ];
    const kept = new Set(photos.map(({ id }) => id));
    for (const words of promised.notes)
      if (!log.has(words)) failures.push(`a note that was answered is lost: ${words}`);
    for (const id of promised.photos) if (!kept.has(id)) failures.push(`a photograph that was answered is lost: ${id}`);
    for (const id of promised.pieces) if (!pieces.has(id)) failures.push(`a piece that was answered is lost: ${id}`);
    const files = (await readdir(path.join(data, 'photos'), { recursive: true })).filter((name) => name.includes('.'));
    const known = new Map(photos.map((row) => [path.join(row.hash.slice(0, 2), `${row.hash}.${row.extension}`), row]));
    for (const file of files) if (!known.has(file)) failures.push(`a file that no row speaks of: ${file}`);
    for (const [file, { hash }] of known) {
      const bytes = await readFile(path.join(data, 'photos', file)).catch(() => Buffer.alloc(0));
      if (createHash('sha256').update(bytes).digest('hex') !== hash)
        failures.push(`a photograph without its whole file: ${file}`);
    }
    const [{ integrity_check: whole }] = (await select<{ integrity_check: string }>('PRAGMA integrity_check')) as [
      { integrity_check: string },
    ];
    if (whole !== 'ok') failures.push(`the database is damaged: ${whole}`);
    const writes = promised.notes.length + promised.photos.length + promised.pieces.length;
    tell(
      'kill',
      KILLS,
      failures,
      `${writes} writes were answered, ${again} of them after they were kept and sent again, ${files.length} photographs kept`,
    );
  } finally {
    await server.stop('SIGKILL').catch(() => {});
    await closeDatabase();
    await removeFolder(data);
  }
}

import type { Stage } from '@/core/runsheet/stages';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import { type PictureFacts, inspectPicture } from '@/data/photos/decode';
import { withFiles } from '@/data/photos/store';
import type { Photo } from '@/data/rows';
import { addRow, findRows, needRow } from '@/data/table';
import { getWorkshop } from '@/data/workshop';
import { TZDate } from '@date-fns/tz';
import exifr from 'exifr';

export interface NewPhoto {
  restorationId: string;
  pieceId: string | null;
  stage: Stage;
  originalName: string;
  words: string;
  bytes: Buffer;
}

/**
 * Takes a photograph in: checks what it really is, keeps the file, writes the row and the log.
 *
 * @throws Refusal for what is not a whole picture of sensible size
 */
export async function addPhoto({ bytes, ...photo }: NewPhoto, now: Date): Promise<Photo> {
  const facts: PictureFacts = await inspectPicture(bytes);
  const { timeZone } = await getWorkshop();
  const takenAt = await exifTime(bytes, timeZone);
  return withFiles(async (keep) =>
    writePhoto({ ...photo, ...facts, takenAt, hash: await keep(bytes, facts.extension), bytes: bytes.byteLength }, now),
  );
}

/** When the camera says it was taken: its own clock, read in the workshop's zone. */
async function exifTime(bytes: Buffer, timeZone: string): Promise<string | null> {
  const tags = (await exifr.parse(bytes, { pick: ['DateTimeOriginal'], reviveValues: false }).catch(() => null)) as {
    DateTimeOriginal?: unknown;
  } | null;
  const found = /^(\d{4}):(\d\d):(\d\d) (\d\d):(\d\d):(\d\d)/.exec(String(tags?.DateTimeOriginal ?? ''));
  if (!found) return null;
  const [year, month, day, hour, minute, second] = found.slice(1).map(Number) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const time = new TZDate(year, month - 1, day, hour, minute, second, timeZone);
  return Number.isNaN(time.getTime()) ? null : new Date(time.getTime()).toISOString();
}

/** The row of a photograph whose file lies there, and its entry in the log. */
async function writePhoto(photo: Omit<Photo, 'id' | 'addedAt'>, now: Date): Promise<Photo> {
  const { hash } = photo;
  return inTransaction(async () => {
    await needRow('restorations', photo.restorationId);
    // The same file sent twice to the same place is one photograph, not two.
    const [same] = await findRows('photos', {
      restorationId: photo.restorationId,
      stage: photo.stage,
      pieceId: photo.pieceId,
      hash,
    });
    if (same) return same;
    const added = await addRow('photos', { ...photo, addedAt: now.toISOString() });
    await appendLog(
      {
        restorationId: photo.restorationId,
        stage: photo.stage,
        kind: 'photo',
        words: `Photograph ${photo.originalName}.`,
        data: { photoId: added.id, hash },
      },
      now,
    );
    return added;
  });
}

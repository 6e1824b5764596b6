import { Readable } from 'node:stream';
import { showTime } from '@/core/runsheet/time';
import { backupZip } from '@/data/keeping/zipped';
import { getWorkshop } from '@/data/workshop';
import { clock } from '@/edge/clock';
import { insideOnly } from '@/edge/entered';
import { asFile } from '@/edge/fileName';
import { askedToSave } from '@/workshop/saving';

/** The whole workshop as a file: `?asked=` names what was asked for under Workshop, Backup, a minute ago at most. */
export const GET = insideOnly(async (request: Request): Promise<Response> => {
  const now = clock();
  const passphrase = askedToSave(new URL(request.url).searchParams.get('asked') ?? '', now);
  if (passphrase === null)
    return new Response(
      'This address was used already, or is over a minute old. Save the file again under Workshop, Backup.',
      {
        status: 410,
      },
    );
  const day = showTime(now.toISOString(), (await getWorkshop()).timeZone, 'yyyy-MM-dd');
  const content = Readable.toWeb(await backupZip(day, passphrase, now)) as ReadableStream;
  return passphrase === ''
    ? asFile(content, 'application/zip', `kvell-${day}.zip`)
    : asFile(content, 'application/octet-stream', `kvell-${day}.zip.age`);
});

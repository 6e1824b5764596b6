import type { Readable } from 'node:stream';
import yazl from 'yazl';
import { STAGE_WORDS } from '@/core/runsheet/stages';
import { showTime } from '@/core/runsheet/time';
import { figured } from '@/core/colour/signed';
import { withoutFile } from '@/data/photos/store';
import { outwardJpeg } from './covered';
import type { FacePair } from './facePictures';
import { drawingsOf } from './drawings';
import { lookAfter } from './readers';
import type { Story } from './story';
import { askedLines, costLine, dayIn, factsOf, originalLine, saidIn, testedLines } from './storyLines';

/** What would be read as a sign of Markdown stands as itself. */
const plain = (words: string): string =>
  words.replace(/[\\`*_{}[\]<>#|]/g, (sign) => `\\${sign}`).replace(/\s*\n\s*/g, ' ');

const list = (all: readonly string[]): string => all.map((line) => `- ${plain(line)}\n`).join('');

/** A story as Markdown; pictures are named by where they lie beside it. */
export function storyMarkdown(story: Story, faces: ReadonlySet<string>, photos: ReadonlySet<string>): string {
  const { restoration, workshop } = story.bundle;
  const cost = costLine(story);
  const part = (title: string, content: string) => (content === '' ? '' : `\n## ${title}\n\n${content}`);
  const pieces = story.pieces
    .filter(({ measurements, treatments }) => measurements.length + treatments.length > 0)
    .map(({ piece, first, last }) =>
      [
        `### ${plain(`${piece.tag} ${piece.name}`)}\n`,
        faces.has(piece.id)
          ? `![before](pictures/${piece.tag}-before.png) ![after](pictures/${piece.tag}-after.png)\n`
          : '',
        first?.lab
          ? `b\\* ${figured(first.lab[2])} before${last?.lab && last !== first ? `, ${figured(last.lab[2])} after` : ''}.\n`
          : '',
      ]
        .filter(Boolean)
        .join('\n'),
    )
    .join('\n');
  const stages = story.stages
    .map((stage) => {
      const said = saidIn(story, stage);
      const shown = stage.photos
        .filter(({ id }) => photos.has(id))
        .map(({ id, originalName }) => `![${plain(originalName)}](photos/${id}.jpg)\n`);
      return said.length + shown.length === 0
        ? ''
        : `### ${STAGE_WORDS[stage.stage].title}\n\n${list(said)}\n${shown.join('')}`;
    })
    .filter(Boolean)
    .join('\n');
  return [
    `# ${plain(restoration.title)}\n\n${factsOf(story)
      .map(([name, value]) => `- ${name}: ${plain(value)}\n`)
      .join('')}`,
    part('Before and after', pieces),
    part('What was done', stages),
    part('Tried and tested', list(testedLines(story))),
    part(
      'Keys and parts',
      drawingsOf(story.bundle, dayIn(story))
        .map(
          ({ of, drawings }) =>
            `### ${plain(of)}\n\n${drawings.map(({ key, caption }) => `![${plain(caption)}](drawings/${key}.svg)\n\n${plain(caption)}\n`).join('\n')}`,
        )
        .join('\n'),
    ),
    part('Kept on purpose', list(story.marks)),
    part('Asked and answered', list(askedLines(story))),
    part(
      'How original it is',
      story.pieces.length === 0
        ? ''
        : `${plain(originalLine(story))}\n\n${list([...story.notOriginal, ...story.replaced])}`,
    ),
    part('What it took', cost === null ? '' : `${cost}\n`),
    part('Left undone', list(story.undone ?? [])),
    part('To look after', list(lookAfter(story))),
    part('Log', list(story.bundle.log.map(({ at, words }) => `${showTime(at, workshop.timeZone)}: ${words}`))),
  ].join('');
}

/** A story as Markdown with its pictures, in a ZIP. */
export async function exportMarkdown(story: Story, pairs: ReadonlyMap<string, FacePair>): Promise<Readable> {
  const gone = new Set((await withoutFile(story.bundle.photos)).map(({ id }) => id));
  const photos = story.stages.flatMap((stage) => stage.photos).filter(({ id }) => !gone.has(id));
  const zip = new yazl.ZipFile();
  const options = { mtime: new Date(story.bundle.restoration.openedAt) };
  zip.addBuffer(
    Buffer.from(storyMarkdown(story, new Set(pairs.keys()), new Set(photos.map(({ id }) => id)))),
    'record.md',
    options,
  );
  for (const { piece } of story.pieces) {
    const pair = pairs.get(piece.id);
    if (!pair) continue;
    zip.addBuffer(pair.before, `pictures/${piece.tag}-before.png`, options);
    zip.addBuffer(pair.after, `pictures/${piece.tag}-after.png`, options);
  }
  for (const { drawings } of drawingsOf(story.bundle, (iso) =>
    showTime(iso, story.bundle.workshop.timeZone, 'd MMMM yyyy'),
  ))
    for (const { key, svg } of drawings) zip.addBuffer(Buffer.from(svg), `drawings/${key}.svg`, options);
  for (const photo of photos)
    zip.addBuffer(await outwardJpeg(photo, story.bundle.areas), `photos/${photo.id}.jpg`, {
      ...options,
      compress: false,
    });
  zip.end();
  return zip.outputStream as Readable;
}

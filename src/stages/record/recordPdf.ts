import type { Content, TableCell } from 'pdfmake';
import { PLACED } from '@/core/paper';
import { STAGE_WORDS, type Stage } from '@/core/runsheet/stages';
import { showMinutes, showTime } from '@/core/runsheet/time';
import { figured } from '@/core/colour/signed';
import { SCHOOL } from '@/core/session/schools';
import { withoutFile } from '@/data/photos/store';
import type { Photo } from '@/data/rows';
import { mm, pdf } from '@/edge/pdf';
import { outwardJpeg } from './covered';
import type { FacePair } from './facePictures';
import { READER_WORDS, type Reader } from './readerWords';
import { drawingsOf } from './drawings';
import { lookAfter } from './readers';
import type { PieceStory, Story } from './story';
import { askedLines, costLine, dayIn, factsOf, originalLine, saidIn, testedLines } from './storyLines';

const SOFT = '#555555';
/** Photographs of a stage that go onto paper; all are in the ZIP. */
const PHOTOS_OF_STAGE = 3;
/** What a picture in a row of two or three may take, points: it is never higher than a page. */
const HALF: [number, number] = [250, 380];
const THIRD: [number, number] = [164, 380];

const inDocument = (jpeg: Buffer): string => `data:image/jpeg;base64,${jpeg.toString('base64')}`;

const heading = (text: string): Content => ({
  text,
  headlineLevel: PLACED.heading,
  fontSize: 14,
  bold: true,
  margin: [0, 12, 0, 4],
});
/** What is shown, on one page with the words below it. */
const captioned = (shown: object, text: string): Content[] => [
  { ...shown, headlineLevel: PLACED.captioned } as Content,
  { text, color: SOFT, fontSize: 8, margin: [0, 2, 0, 6], headlineLevel: PLACED.caption },
];
const lines = (all: readonly string[]): Content[] => (all.length > 0 ? [{ ul: [...all] }] : []);

/** Pictures by what they show, as paper takes them. */
interface Pictures {
  photos: ReadonlyMap<string, string>;
  faces: ReadonlyMap<string, { before: string; after: string }>;
}

/** Photographs ready for paper, by their ids; those whose file is gone are left out. */
async function onPaper(wanted: readonly Photo[], areas: Story['bundle']['areas']): Promise<Map<string, string>> {
  const gone = new Set((await withoutFile(wanted)).map(({ id }) => id));
  const photos = new Map<string, string>();
  for (const photo of wanted)
    if (!gone.has(photo.id) && !photos.has(photo.id)) photos.set(photo.id, inDocument(await outwardJpeg(photo, areas)));
  return photos;
}

/** The first and the last photograph of a piece that were measured. */
const measuredOf = (story: Story, { first, last }: Pick<PieceStory, 'first' | 'last'>): Photo[] =>
  [first, last].flatMap((one) => story.bundle.photos.find(({ id }) => id === one?.photoId) ?? []);

/** What a record on paper shows. */
async function picturesOf(story: Story, pairs: ReadonlyMap<string, FacePair>): Promise<Pictures> {
  const wanted = [
    ...story.stages.flatMap(({ photos }) => photos.slice(0, PHOTOS_OF_STAGE)),
    ...story.pieces.flatMap((piece) => measuredOf(story, piece)),
  ];
  const photos = await onPaper(wanted, story.bundle.areas);
  const faces = new Map(
    [...pairs].map(([id, pair]) => {
      const [before, after] = pair.onPaper.map(inDocument) as [string, string];
      return [id, { before, after }] as const;
    }),
  );
  return { photos, faces };
}

function piecesOf(story: Story, { photos, faces }: Pictures, time: (iso: string) => string): Content[] {
  return story.pieces.flatMap(({ piece, first, last, measurements, treatments }): Content[] => {
    if (measurements.length === 0 && treatments.length === 0) return [];
    const face = faces.get(piece.id);
    const [before, after] = [
      first && photos.get(first.photoId),
      last && last !== first ? photos.get(last.photoId) : undefined,
    ];
    const b = (label: string, lab: readonly number[] | null | undefined) =>
      lab ? [`${label} b* ${figured(lab[2]!)}`] : [];
    const pair = (left: string, right: string) => ({
      columns: [
        { image: left, fit: HALF },
        { image: right, fit: HALF },
      ],
      columnGap: 10,
      margin: [0, 2, 0, 0],
    });
    return [
      {
        text: `${piece.tag} ${piece.name}, ${piece.plastic}`,
        headlineLevel: PLACED.heading,
        bold: true,
        margin: [0, 8, 0, 3],
      },
      ...(before && after
        ? captioned(pair(before, after), `Before, ${time(first!.measuredAt)}, and after, ${time(last!.measuredAt)}`)
        : []),
      ...(face
        ? captioned(
            pair(face.before, face.after),
            'What was measured: the same face on the same plane and in the same light',
          )
        : []),
      {
        text: [
          ...b('Before', first?.lab),
          ...(last !== first ? b('after', last?.lab) : []),
          ...b('hidden patch', piece.hiddenLab),
        ].join(', '),
        margin: [0, 2, 0, 2],
      },
      ...treatments.map(({ school, targetPercentWW, sessions }): Content => ({
        text: `${SCHOOL[school].title}, ${targetPercentWW.toFixed(1)} % peroxide, ${sessions.length} ${sessions.length === 1 ? 'session' : 'sessions'}.`,
      })),
    ];
  });
}

function stagesOf(story: Story, { photos }: Pictures): Content[] {
  return story.stages.flatMap((stage): Content[] => {
    const shown = stage.photos.flatMap(({ id }) => photos.get(id) ?? []).slice(0, PHOTOS_OF_STAGE);
    const said = saidIn(story, stage);
    if (said.length === 0 && shown.length === 0) return [];
    return [
      {
        text: `${STAGE_WORDS[stage.stage].title}: ${stage.state}${stage.minutes > 0 ? `, ${showMinutes(stage.minutes)}` : ''}`,
        headlineLevel: PLACED.heading,
        bold: true,
        margin: [0, 8, 0, 2],
      },
      ...lines(said),
      ...(shown.length > 0
        ? [{ columns: shown.map((image) => ({ image, fit: THIRD })), columnGap: 8, margin: [0, 4, 0, 0] } as Content]
        : []),
    ];
  });
}

/** Keyboards before and after, and parts; the signs of keys are not in the own type. */
const drawn = (story: Story, time: (iso: string) => string): Content[] =>
  drawingsOf(story.bundle, time, 'Wide').flatMap(({ of, drawings }): Content[] => [
    { text: of, headlineLevel: PLACED.heading, bold: true, margin: [0, 8, 0, 2] },
    ...drawings.flatMap(({ svg, caption, widthMm }) => captioned({ svg, fit: [mm(widthMm), mm(80)] }, caption)),
  ]);

/** A record on paper, told to one of its readers. */
export async function recordPdf(story: Story, reader: Reader, pairs: ReadonlyMap<string, FacePair>): Promise<Buffer> {
  const { restoration, workshop } = story.bundle;
  const time = dayIn(story);
  const pictures = await picturesOf(story, pairs);
  const cost = costLine(story);
  const table: TableCell[][] = factsOf(story).map(([name, value]) => [{ text: name, color: SOFT }, value]);
  const part = (title: string, content: Content[]): Content[] =>
    content.length > 0 ? [heading(title), ...content] : [];
  return pdf({
    info: { title: `${restoration.title}: record` },
    footerTitle: `${restoration.title}. ${workshop.name}. ${READER_WORDS[reader].title}`,
    content: [
      { text: restoration.title, fontSize: 24, bold: true, margin: [0, 0, 0, 6] },
      { table: { widths: [90, '*'], body: table }, layout: 'noBorders' },
      ...part('Before and after', piecesOf(story, pictures, time)),
      ...part('What was done', stagesOf(story, pictures)),
      ...part('Tried and tested', lines(testedLines(story))),
      ...part('Keys and parts', drawn(story, time)),
      ...part('Kept on purpose', lines(story.marks)),
      ...part('Asked and answered', lines(askedLines(story))),
      ...(story.pieces.length > 0
        ? part('How original it is', [originalLine(story), ...lines([...story.notOriginal, ...story.replaced])])
        : []),
      ...(cost === null ? [] : part('What it took', [cost])),
      ...part('Left undone', lines(story.undone ?? [])),
      ...part('To look after', lines(lookAfter(story))),
    ],
  });
}

/** A card is one page: two pictures, and below them three lines of what is original. */
const CARD_PICTURE: [number, number] = [205, 154];
const LONG_TITLE = 30;

/** The newest photograph of a machine that is together; of one in hand that it came with. */
const newestOf = (photos: readonly Photo[]): Photo[] => {
  const of = (...stages: Stage[]) => photos.filter(({ stage }) => stages.includes(stage)).slice(-1);
  const together = of('rebuild', 'record');
  return together.length > 0 ? together : of('intake');
};

/** When a picture that stands alone was taken. */
const asPictured = (story: Story, [photo]: readonly Photo[]): string =>
  photo ? `As it was on ${dayIn(story)(photo.takenAt ?? photo.addedAt)}.` : '';

/** A card to stand beside a machine, half a sheet, to be folded or cut. */
export async function exhibitionCard(story: Story, pairs: ReadonlyMap<string, FacePair>): Promise<Buffer> {
  const { restoration, workshop } = story.bundle;
  const [told] = story.pieces.filter(({ piece }) => pairs.has(piece.id));
  const shown = told ? measuredOf(story, told) : newestOf(story.bundle.photos);
  const paper = await onPaper(shown, story.bundle.areas);
  const images = [...paper.values()];
  const under =
    told && images.length === 2
      ? `${told.piece.name}: before, and after.`
      : asPictured(
          story,
          shown.filter(({ id }) => paper.has(id)),
        );
  return pdf({
    info: { title: restoration.title },
    pageSize: 'A5',
    pageOrientation: 'landscape',
    pageMargins: [36, 36, 36, 36],
    content: [
      { text: restoration.title, fontSize: restoration.title.length > LONG_TITLE ? 18 : 30, bold: true },
      { text: restoration.machine, fontSize: 13, color: SOFT, margin: [0, 0, 0, 10] },
      ...(images.length > 0
        ? [
            {
              columns: images.map((image) => ({ image, fit: CARD_PICTURE })),
              columnGap: 16,
            },
            { text: under, color: SOFT, margin: [0, 4, 0, 8] as [number, number, number, number] },
          ]
        : []),
      ...(story.original === '' ? [] : [{ text: `${story.original}, of its outer surface.`, fontSize: 12 }]),
      {
        text: restoration.closedAt
          ? `Restored at ${workshop.name}, ${showTime(restoration.closedAt, workshop.timeZone, 'MMMM yyyy')}.`
          : `In hand at ${workshop.name}, not finished yet.`,
        color: SOFT,
        margin: [0, 6, 0, 0],
      },
    ],
  });
}

/** What stands on the label inside the case: when, what was done, what to look after. */
export function serviceWords(story: Story, now: Date): { tag: string; title: string; words: string[] } {
  const { restoration, workshop } = story.bundle;
  const done = story.stages
    .filter(({ state, stage }) => state === 'done' && !['intake', 'teardown', 'rebuild', 'record'].includes(stage))
    .map(({ stage }) => STAGE_WORDS[stage].title.toLowerCase());
  return {
    tag: showTime(restoration.closedAt ?? now.toISOString(), workshop.timeZone, 'MM yyyy'),
    title: restoration.title,
    words: [
      workshop.name,
      done.length > 0 ? `Done: ${done.join(', ')}` : 'No treatment is finished yet',
      ...(story.bundle.sessions.length > 0 ? ['Keep out of sun: yellow comes back'] : []),
    ],
  };
}

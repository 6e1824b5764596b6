import type { Reader } from './readerWords';
import type { Story } from './story';

/** What a record leaves out: parts by their names. */
interface Leaves {
  money: boolean;
  log: boolean;
  people: boolean;
  asked: boolean;
  cautions: boolean;
  work: boolean;
}

const LEAVES: Record<Reader, Leaves> = {
  me: { money: false, log: false, people: false, asked: false, cautions: false, work: false },
  owner: { money: true, log: true, people: false, asked: false, cautions: true, work: false },
  buyer: { money: true, log: true, people: true, asked: true, cautions: true, work: false },
  later: { money: true, log: false, people: true, asked: false, cautions: false, work: false },
  exhibit: { money: true, log: true, people: true, asked: true, cautions: true, work: true },
};

/** The story as one of its readers is told it: what is none of theirs is not in it at all. */
export function toldTo(reader: Reader, story: Story): Story {
  const leaves = LEAVES[reader];
  const { bundle } = story;
  return {
    ...story,
    bundle: {
      ...bundle,
      restoration: {
        ...bundle.restoration,
        ...(leaves.money && { pricePaidMinor: 0 }),
        ...(leaves.people && { owner: '', source: '' }),
        ...(leaves.work && { claim: '', packing: '', condition: '', worthKeeping: '' }),
      },
      log: leaves.log || leaves.people ? [] : bundle.log,
      ...(leaves.work && { keyboards: [], parts: [], keysSeen: [] }),
    },
    cost: leaves.money ? null : story.cost,
    asked: leaves.asked ? [] : story.asked,
    passes: leaves.work ? [] : leaves.cautions ? story.passes.map((pass) => ({ ...pass, cautions: [] })) : story.passes,
    tested: leaves.work ? story.tested.slice(-1) : story.tested,
    stages: story.stages.map((stage) => ({
      ...stage,
      // What was booked is the workshop’s; the minutes stay.
      ledger: leaves.money || leaves.work ? [] : stage.ledger,
      ...(leaves.work && { notes: [], findings: [], settled: [], photos: [], minutes: 0, reason: null }),
    })),
    pieces: story.pieces.map((piece) => ({
      ...piece,
      treatments: piece.treatments.map((treatment) => ({
        ...treatment,
        sessions: treatment.sessions.map((session) =>
          leaves.cautions ? { ...session, cautions: [], words: leaves.work ? '' : session.words } : session,
        ),
      })),
    })),
    undone: leaves.work ? null : story.undone,
  };
}

/** What to look after from now on, by what was done. */
export function lookAfter({ bundle }: Story): string[] {
  return [
    ...(bundle.sessions.length > 0
      ? ['Keep it from sun and window light: the yellow may come back sooner there. Measure it again each year.']
      : []),
    ...(bundle.repairs.some(({ endedAt, way }) => endedAt !== null && way !== null && way !== 'leave')
      ? ['Mended places may bear less than whole ones: open and close it by the middle, never by a corner.']
      : []),
    ...(bundle.coats.some(({ laidAt }) => laidAt !== null)
      ? ['Coated surfaces: no alcohol and no cleaner with solvent; warm water with a little soap.']
      : []),
    'Dust it dry; wipe it with water and a drop of soap, unplugged.',
  ];
}

/** What a record would miss for good if it ended now, each with where it is put right. */
export function missingFrom({ bundle, stages }: Story): { words: string; view: string }[] {
  const { pieces, sessions, measurements, functionTests, photos, findings, repairs, restoration } = bundle;
  const done = (name: string) => stages.find(({ stage }) => stage === name)!.state === 'done';
  const closing = functionTests.some(({ phase }) => phase === 'after');
  return [
    ...pieces.flatMap(({ id, tag, name }) => {
      const ends = sessions
        .filter(({ pieceId, endedAt }) => pieceId === id && endedAt !== null)
        .map(({ endedAt }) => endedAt!);
      const last = ends.sort().at(-1);
      return last !== undefined && !measurements.some(({ pieceId, measuredAt }) => pieceId === id && measuredAt >= last)
        ? [{ words: `${tag} ${name} was treated and not measured after it.`, view: `/pieces/${id}` }]
        : [];
    }),
    ...(photos.some(({ stage }) => stage === 'intake')
      ? []
      : [{ words: 'No photograph shows it as it came.', view: '/intake' }]),
    ...(photos.some(({ stage }) => stage === 'rebuild' || stage === 'record')
      ? []
      : [{ words: 'No photograph shows it finished.', view: '/record' }]),
    ...(done('rebuild') && !closing
      ? [{ words: 'It was put together and not tested after it.', view: '/rebuild/close' }]
      : []),
    ...repairs.flatMap(({ name, endedAt, way, pieceId }) =>
      endedAt !== null &&
      way !== null &&
      way !== 'leave' &&
      !photos.some((photo) => photo.stage === 'mend' && (photo.pieceId === pieceId || photo.pieceId === null))
        ? [{ words: `The repair of ${name} has no photograph.`, view: '/mend' }]
        : [],
    ),
    ...(findings.some(({ settledAs }) => settledAs === null)
      ? [
          {
            words: `${findings.filter(({ settledAs }) => settledAs === null).length} findings have no word of what became of them.`,
            view: '/record',
          },
        ]
      : []),
    ...(restoration.machine === ''
      ? [{ words: 'Which machine it is was never written down.', view: '/intake/machine' }]
      : []),
  ];
}

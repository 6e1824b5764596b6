import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { indoors, outdoors, type AirSource } from '@/core/finish/air';
import { coatFaults, planCoats, TRANSFER, whatNow, type AirHour } from '@/core/finish/coat';
import { FAULT_NAMES, nowWords } from '@/core/finish/coatWords';
import { paintAmount } from '@/core/finish/paintAmount';
import { hoursOfDays } from '@/core/runsheet/hours';
import { showTime } from '@/core/runsheet/time';
import { viewHref } from '@/core/runsheet/views';
import { MASK_WORDS, masksFor } from '@/core/finish/areas';
import { isLast } from '@/core/finish/coatKinds';
import { overPlastic } from '@/core/finish/overPlastic';
import { surfacesOfPiece } from '@/core/materials/pieceSurfaces';
import { ownKnowledge } from '@/data/cleaning';
import { coatingsOf } from '@/data/coats';
import { areasOf } from '@/data/lastly';
import { photosToMark } from '@/data/photos/toMark';
import type { Piece } from '@/data/rows';
import { listStock } from '@/data/stock';
import { piecesOf } from '@/data/pieces';
import { getWorkshop, placeOf } from '@/data/workshop';
import { sheetOf } from '@/work/finish/coatSheet';
import { Fold } from '@/ui/Fold';
import { KeptLine } from '@/ui/KeptLine';
import { EmptyPlace, Part } from '@/ui/layout';
import { LinkButton } from '@/ui/links';
import { PhotoPick } from '@/ui/picture/PhotoPick';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { CoatForm } from './CoatForm';
import { CoatPart, type CoatLine } from './CoatPart';
import { FAULT_TIPS } from './faultTips';
import { AreasDrawn } from './AreasDrawn';
import { HoursStrip } from './HoursStrip';
import { OffAgain } from './OffAgain';
import { AreasLater } from './OnPhotoLater';
import { overWords } from './overWords';

const HOUR_MS = 3_600_000;
const DAYS = 7;
/** Indoors the air is read when a coat is laid; the plan takes it for good. */
const ROOM = { airC: 20, surfaceC: 20, humidityPercent: 50 } as const;

interface Asked {
  restorationId: string;
  job?: string | undefined;
  /** The photograph on which masks are outlined. */
  photo?: string | undefined;
  /** The last coat that the form begins with. */
  row?: string | undefined;
  air: AirSource;
  now: Date;
}

/** Coats of a machine: which is due, whether the air lets it, and the hours that the others fall into. */
export async function CoatsScreen({ restorationId, job: asked, photo: askedPhoto, row, air, now }: Asked) {
  const [jobs, pieces, workshop, areas, { photos, photo }] = await Promise.all([
    coatingsOf(restorationId),
    piecesOf(restorationId),
    getWorkshop(),
    areasOf(restorationId),
    photosToMark(restorationId, 'finish', askedPhoto),
  ]);
  const open = jobs.filter(({ endedAt }) => endedAt === null);
  const place = placeOf(workshop);
  const job = open.find(({ id }) => id === asked) ?? open[0];
  const choices = pieces.map(({ id, tag, name }) => ({ value: id, label: `${tag} ${name}` }));
  const past = jobs.filter(({ endedAt }) => endedAt !== null);
  const here = `${viewHref(restorationId, 'finish', 'coats')}${job ? `?job=${job.id}` : ''}`;
  if (photo)
    return (
      <AreasLater
        key={photo.id}
        restorationId={restorationId}
        photo={photo}
        uses={['contact land', 'badge', 'label', 'neighbour']}
        pieces={choices}
        pieceId={job?.pieceId ?? null}
        kept={areas
          .filter(({ photoId, use }) => photoId === photo.id && use !== 'piece' && use !== 'private')
          .map(({ corners }) => corners)}
        back={here}
      />
    );
  const masks = masksFor(areas, job?.pieceId ?? null);
  const last = row === 'wax' || row === 'protectant' ? row : null;
  return (
    <>
      {open.length > 1 && (
        <Flex as="nav" aria-label="Which coating" gap="2" wrap="wrap" mb="3">
          {open.map(({ id, name }) => (
            <LinkButton
              key={id}
              look={id === job?.id ? 'go' : 'quiet'}
              href={`${viewHref(restorationId, 'finish', 'coats')}?job=${id}`}
            >
              {name}
            </LinkButton>
          ))}
        </Flex>
      )}
      {job ? (
        <Job
          job={job}
          piece={pieces.find(({ id }) => id === job.pieceId) ?? null}
          masks={masks.map(({ use, name }) => name || use)}
          sky={job.inside || !place ? null : { place, hours: await air(place, now, 24 * DAYS) }}
          now={now}
        />
      ) : (
        <EmptyPlace>Nothing is to be coated yet. Say what, and what the sheet of the paint asks.</EmptyPlace>
      )}
      <Folds two={job !== undefined}>
        {job ? (
          <Fold summary="Something else is to be coated" openAtFirst={last !== null}>
            <CoatForm restorationId={restorationId} pieces={choices} last={last} />
          </Fold>
        ) : (
          <CoatForm restorationId={restorationId} pieces={choices} last={last} />
        )}
        {pieces.length + masks.length > 0 && (
          <Fold summary={`What no coat may come to${masks.length > 0 ? `: ${masks.length}` : ''}`}>
            {photos
              .filter(({ id }) => masks.some(({ photoId }) => photoId === id))
              .map(({ id, width, height, originalName }) => (
                <AreasDrawn
                  key={id}
                  photoId={id}
                  size={{ width, height }}
                  alt={`${originalName}: hatched is what is covered`}
                  areas={masks
                    .filter(({ photoId }) => photoId === id)
                    .map((mask) => ({ id: mask.id, corners: mask.corners, mark: mask.name || mask.use, hatch: true }))}
                />
              ))}
            {masks.map(({ id, use, name }) => (
              <KeptLine key={id} aside={<TakeThingBack what="outline" id={id} name={`outline of ${name || use}`} />}>
                <Text flex="1">
                  <b>{name || use}</b>: {MASK_WORDS[use]}
                </Text>
              </KeptLine>
            ))}
            <PhotoPick
              restorationId={restorationId}
              stage="finish"
              what="what is covered"
              how="The face that is coated, with badge, label, contact lands and neighbours in sight."
              photos={photos}
              href={here}
            />
          </Fold>
        )}
        <Fold quiet summary="It wrinkled, ran, clouded or took dust">
          {FAULT_TIPS.map(({ looks, name, mend }) => (
            <Text key={name} py="1">
              {looks}: <b>{name}</b>. {mend}
            </Text>
          ))}
        </Fold>
        {past.length > 0 && (
          <Fold quiet summary={`Coated so far: ${past.length}`}>
            {past.map(({ id, name, coats, endedAt }) => {
              const top = coats.findLast(({ laidAt }) => laidAt !== null);
              return (
                <KeptLine key={id} aside={top && <OffAgain coatId={top.id} kind={top.kind} of={name} />}>
                  <Text flex="1">
                    {name}: {coats.map(({ kind }) => kind).join(', ')}; {showTime(endedAt!, workshop.timeZone)}.
                    {coats.some(({ kind }) => !isLast(kind)) && ' Not original any more.'}
                  </Text>
                </KeptLine>
              );
            })}
          </Fold>
        )}
      </Folds>
    </>
  );
}

/** Side by side where there is room, so that the hours above them stay in sight. */
const Folds = ({ two, children }: { two: boolean; children: React.ReactNode }) => (
  <Grid
    templateColumns={{ base: 'minmax(0, 1fr)', lg: two ? 'repeat(2, minmax(0, 1fr))' : 'minmax(0, 1fr)' }}
    columnGap="5"
  >
    {children}
  </Grid>
);

async function Job({
  job,
  piece,
  masks,
  sky,
  now,
}: {
  job: Awaited<ReturnType<typeof coatingsOf>>[number];
  piece: Piece | null;
  /** What is outlined and has to be covered. */
  masks: readonly string[];
  /** The open sky; `null` in a room, or as long as nobody has said where the workshop stands. */
  sky: { place: Parameters<AirSource>[0]; hours: Awaited<ReturnType<AirSource>> } | null;
  now: Date;
}) {
  const [workshop, stock, own] = await Promise.all([getWorkshop(), listStock(), ownKnowledge()]);
  const { timeZone } = workshop;
  const { id, name, way, inside, coats, areaCm2, coverageM2PerL } = job;
  const first = Math.ceil(now.getTime() / HOUR_MS) * HOUR_MS;
  const air: AirHour[] = sky
    ? outdoors(
        sky.hours.filter(({ at }) => at.getTime() >= first),
        sky.place,
        true,
      )
    : indoors(new Date(first), 24 * DAYS, ROOM);
  const spans = hoursOfDays(now, timeZone, workshop.hours, DAYS + 1);
  const hands = (at: Date) => spans.some(({ from, to }) => at >= from && at < to);
  const laid = coats.filter(({ laidAt }) => laidAt !== null);
  const left = coats.filter(({ laidAt }) => laidAt === null);
  const top = laid.at(-1);
  const plan = planCoats(
    left.map((coat) => ({ name: coat.kind, sheet: sheetOf(job, coat) })),
    air,
    { way, inside, hands, last: top ? { at: new Date(top.laidAt!), sheet: sheetOf(job, top) } : null },
  );
  const coatAt = (at: Date): number | null => {
    const i = plan.coats.findIndex((coat) => coat.at.getTime() === at.getTime());
    return i < 0 ? null : laid.length + i + 1;
  };
  const sinceH = top ? (now.getTime() - Date.parse(top.laidAt!)) / HOUR_MS : 0;
  // The uppermost coat says when the next may follow, the next one in what air.
  const under = top ? sheetOf(job, top) : job.sheet;
  const sheet = left[0] ? sheetOf(job, left[0]) : job.sheet;
  const missed = top && left.length > 0 ? whatNow(under, sinceH) : null;
  const through = top !== undefined && sinceH >= under.throughH;
  const over =
    piece && top === undefined && left[0] && !isLast(left[0].kind)
      ? overPlastic(piece, surfacesOfPiece(piece), own)
      : null;
  // Paint and wax are kept among the other things of the stores, never among peroxide and cleaners.
  const cans = stock.filter(({ kind, left: there }) => kind === 'other' && (there === null || there > 0));
  const planned = new Map(plan.coats.map((coat, i) => [left[i]!.id, coat]));
  const lines = coats.map((coat): CoatLine => {
    const at = planned.get(coat.id);
    return {
      ...{ id: coat.id, kind: coat.kind, laid: coat.laidAt !== null, keyed: at?.keyed ?? false },
      sheet: sheetOf(job, coat),
      when: coat.laidAt
        ? `laid ${showTime(coat.laidAt, timeZone)}${coat.surfaceC === null ? '' : `, at ${coat.surfaceC} °C and ${coat.humidityPercent} %`}`
        : at
          ? `planned ${showTime(at.at.toISOString(), timeZone)}`
          : 'finds no hour yet',
    };
  });
  const { paintMl } = paintAmount({
    areaCm2,
    coverageM2PerL,
    coats: Math.max(1, left.length),
    transfer: TRANSFER[way],
  });
  return (
    <Part title={name} aside={laid.length === 0 ? <TakeThingBack what="coating" id={id} name={name} /> : undefined}>
      <Text mb="2">
        {left.length > 0 && (
          <>
            About <b>{Math.ceil(paintMl)} mL</b> for the {left.length === 1 ? 'coat' : `${left.length} coats`} to come,{' '}
            {way}, {areaCm2} cm².{' '}
          </>
        )}
        {sheet.keyed && 'Nobody has its sheet: a day between coats, each keyed, to be safe. '}
        {job.masks && `Covered before: ${job.masks}.`}
      </Text>
      {over && <Text mb="2">{overWords(over)}</Text>}
      <CoatPart
        key={`${id} ${laid.length} ${coats.length}`}
        {...{ jobId: id, way, inside, sheet, coats: lines, through }}
        tested={over ? 'ask' : 'no'}
        masks={top === undefined ? masks : []}
        cans={cans.map((item) => ({
          value: item.id,
          label:
            item.left === null
              ? item.name
              : `${item.name}, ${Math.round(item.left)} mL left${item.left < paintMl ? ', too little for all' : ''}`,
        }))}
        ml={Math.ceil(paintMl / Math.max(1, left.length))}
        state={
          missed
            ? nowWords(missed)
            : top && !through
              ? `All coats are laid. Through ${showTime(new Date(Date.parse(top.laidAt!) + under.throughH * HOUR_MS).toISOString(), timeZone)}.`
              : null
        }
        mayFollow={missed === null || missed.kind === 'in time' || missed.kind === 'key it'}
      />
      {left.length > 0 && (
        <Box mt="4">
          {plan.misses && (
            <Text fontWeight="650" mb="1">
              In the coming {DAYS} days the {plan.misses.name} finds no hour: {FAULT_NAMES[plan.misses.most]} stands
              against most.
            </Text>
          )}
          {sky && (
            <HoursStrip
              timeZone={timeZone}
              hours={air.map((hour) => ({
                at: hour.at.toISOString(),
                good: coatFaults(hour, sheet, way, false).length === 0,
                hands: hands(hour.at),
                coat: coatAt(hour.at),
              }))}
            />
          )}
          <Text color="soft" mt="1">
            {sky
              ? sky.hours.some(({ own }) => own)
                ? `${sky.hours.filter(({ own }) => own).length} of these ${sky.hours.length} hours are out of your file, the others invented: before each coat the meters decide.`
                : 'The air of these hours is invented, as the sky is, until a file with temperature and humidity is taken in under Sky and turns: before each coat the meters decide.'
              : `${job.inside ? '' : 'Say under Workshop where it stands, and the hours outdoors are worked out. '}In a room the plan takes ${ROOM.airC} °C and ${ROOM.humidityPercent} %: before each coat the meters decide.`}
            {plan.throughAt && ` The last bears from ${showTime(plan.throughAt.toISOString(), timeZone)}.`}
          </Text>
        </Box>
      )}
    </Part>
  );
}

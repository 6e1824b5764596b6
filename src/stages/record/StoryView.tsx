import { figured } from '@/core/colour/signed';
import { Fragment } from 'react';
import { labToCss } from '@/core/colour/lab';
import type { Lab } from '@/core/colour/types';
import { AIM_WORDS } from '@/core/intake/aim';
import { SEVERITY_WORDS } from '@/core/intake/findings';
import { doseUnit } from '@/core/fade/dose';
import { SCHOOL } from '@/core/session/schools';
import { CAUTION_CLOSE } from '@/core/peroxide/cautions';
import { STAGE_WORDS } from '@/core/runsheet/stages';
import { showMinutes, showTime } from '@/core/runsheet/time';
import type { Photo } from '@/data/rows';
import { drawingsOf } from './drawings';
import { lookAfter } from './readers';
import type { PassStory, PieceStory, StageStory, Story } from './story';

interface Props {
  story: Story;
  /** Before and after on the same plane and in the same light, by the id of the piece. */
  faces?: ReadonlyMap<string, { before: string; after: string }>;
  /** Where a photograph's picture is found: an address on the page, the data itself in the exported file. */
  src: (photo: Photo) => string;
}

/** Whether there is a keyboard that was tested, or a part that was drawn. */
const isDrawn = ({ bundle }: Story) => bundle.keysSeen.length + bundle.parts.length > 0;

/** Whether there is anything to tell of a stage. */
const hasBegun = ({ state, photos, notes, findings, settled, ledger, minutes }: StageStory) =>
  state !== 'open' || photos.length + notes.length + findings.length + settled.length + ledger.length + minutes > 0;

/** Something of a story that is told at length: on a page it may be folded away. */
type Long = (summary: string, words: React.ReactNode) => React.ReactNode;
const atLength: Long = (_, words) => words;

const timeIn =
  ({ bundle }: Story) =>
  (iso: string) =>
    showTime(iso, bundle.workshop.timeZone);

/** What machine it is, and what was wanted with it. */
export function StoryFacts({ story }: { story: Story }) {
  const { restoration, workshop } = story.bundle;
  const time = timeIn(story);
  return (
    <dl>
      {restoration.machine && <Fact name="Machine">{restoration.machine}</Fact>}
      {restoration.source && <Fact name="From">{restoration.source}</Fact>}
      <Fact name="Opened">{time(restoration.openedAt)}</Fact>
      {restoration.closedAt && <Fact name="Finished">{time(restoration.closedAt)}</Fact>}
      <Fact name="Workshop">{workshop.name}</Fact>
      {restoration.claim && <Fact name="Claimed">{restoration.claim}</Fact>}
      {restoration.packing && <Fact name="Packed">{restoration.packing}</Fact>}
      {restoration.condition && <Fact name="As it came">{restoration.condition}</Fact>}
      <Fact name="Aim">
        {restoration.aim}. {AIM_WORDS[restoration.aim]}
      </Fact>
      {restoration.worthKeeping && <Fact name="Worth keeping">{restoration.worthKeeping}</Fact>}
      {restoration.owner && <Fact name="Owner">{restoration.owner}</Fact>}
    </dl>
  );
}

/** Each piece before and after, with its measurements and sessions. */
export function StoryPieces({ story, src, faces, long = atLength }: Props & { long?: Long }) {
  return story.pieces.map((piece) => (
    <PiecePart
      key={piece.piece.id}
      story={piece}
      photos={story.bundle.photos}
      src={src}
      time={timeIn(story)}
      long={long}
      face={faces?.get(piece.piece.id)}
    />
  ));
}

/** Stage by stage what was done. */
export function StoryStages({ story, src, long }: Props & { long?: Long }) {
  const time = timeIn(story);
  return story.stages.map((stage) => {
    const told = (
      <StagePart
        story={stage}
        passes={stage.stage === 'wash' ? story.passes : []}
        src={src}
        time={time}
        bare={long !== undefined}
      />
    );
    return <Fragment key={stage.stage}>{long ? long(stageLine(stage), told) : told}</Fragment>;
  });
}

/** What was tested, kept, asked and replaced. */
export function StoryChecks({ story }: { story: Story }) {
  const time = timeIn(story);
  return (
    <>
      {story.tested.length > 0 && (
        <>
          <h2>Tried and tested</h2>
          <ul>
            {story.tested.map(({ id, at, phase, found }) => (
              <li key={id}>
                {time(at)}, {phase}: {found}
              </li>
            ))}
          </ul>
        </>
      )}
      {story.marks.length > 0 && (
        <>
          <h2>Kept on purpose</h2>
          <Lines of={story.marks} />
        </>
      )}
      {story.asked.length > 0 && (
        <>
          <h2>Asked and answered</h2>
          <ul>
            {story.asked.map(({ id, what, askedAt, answer, answerWords, answeredAt }) => (
              <li key={id}>
                {time(askedAt)}: {what}{' '}
                <em>
                  {answer === null
                    ? 'not answered yet'
                    : `${answer}${answerWords && `: ${answerWords}`}, ${time(answeredAt!)}`}
                </em>
              </li>
            ))}
          </ul>
        </>
      )}
      {story.pieces.length > 0 && (
        <>
          <h2>How original it is</h2>
          <p>{story.original}, of its outer surface. What nobody wrote down counts as original.</p>
          {story.notOriginal.length > 0 && <Lines of={story.notOriginal} />}
        </>
      )}
      {story.replaced.length > 0 && (
        <>
          <h2>Not as it came</h2>
          <Lines of={story.replaced} />
        </>
      )}
    </>
  );
}

const Lines = ({ of }: { of: readonly string[] }) => (
  <ul>
    {of.map((line) => (
      <li key={line}>{line}</li>
    ))}
  </ul>
);

/** What it cost in money and hours. */
export function StoryCost({ story: { cost } }: { story: Story }) {
  if (!cost) return null;
  return (
    <dl>
      <Fact name="Price paid">{cost.price}</Fact>
      <Fact name="Materials">{cost.materials}</Fact>
      <Fact name="Own work">
        {showMinutes(cost.minutes)} ({cost.work})
      </Fact>
      <Fact name="In all">{cost.total}</Fact>
    </dl>
  );
}

/** Keyboards before and after, and the parts that were drawn for it. */
export function StoryDrawings({ story }: { story: Story }) {
  return drawingsOf(story.bundle, timeIn(story)).map(({ of, drawings }, i) => (
    <section key={i}>
      <h3>{of}</h3>
      <div className="drawn">
        {drawings.map(({ key, caption, svg, widthMm }) => (
          <figure key={key} style={{ flexBasis: `${widthMm}mm` }}>
            <img src={`data:image/svg+xml,${encodeURIComponent(svg)}`} alt={`${of}: ${caption}`} />
            <figcaption>{caption}</figcaption>
          </figure>
        ))}
      </div>
    </section>
  ));
}

/** What is left undone, and why. */
export const StoryUndone = ({ story: { undone } }: { story: Story }) =>
  undone?.length ? <Lines of={undone} /> : <p>Nothing.</p>;

/** A restoration's whole story in plain elements, as the exported page shows it. */
export function StoryView({ story, src, faces }: Props) {
  const time = timeIn(story);
  const done = { ...story, stages: story.stages.filter(hasBegun) };
  return (
    <div className="story">
      <StoryFacts story={story} />
      {story.pieces.length > 0 && <h2>Before and after</h2>}
      <StoryPieces story={story} src={src} {...(faces && { faces })} />
      {done.stages.length > 0 && <h2>What was done</h2>}
      <StoryStages story={done} src={src} />
      <StoryChecks story={story} />
      {isDrawn(story) && <h2>Keys and parts</h2>}
      <StoryDrawings story={story} />
      {story.cost && <h2>What it took</h2>}
      <StoryCost story={story} />
      {story.undone && <h2>Left undone</h2>}
      {story.undone && <StoryUndone story={story} />}
      <h2>To look after</h2>
      <Lines of={lookAfter(story)} />
      {story.bundle.log.length > 0 && <h2>Log</h2>}
      {story.bundle.log.length > 0 && (
        <div className="scroll" tabIndex={0} role="region" aria-label="Log">
          <table className="log">
            <thead>
              <tr>
                <th>When</th>
                <th>Stage</th>
                <th>What</th>
              </tr>
            </thead>
            <tbody>
              {story.bundle.log.map((entry) => (
                <tr key={entry.id}>
                  <td>{time(entry.at)}</td>
                  <td>{entry.stage ?? ''}</td>
                  <td>
                    {entry.corrects !== null && `(in place of entry ${entry.corrects}) `}
                    {entry.words}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </div>
  );
}

function Fact({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>{children}</dd>
    </>
  );
}

function ColourSwatch({ lab, children }: { lab: Lab; children: React.ReactNode }) {
  return (
    <span>
      <span className="swatch" style={{ background: labToCss(lab) }} /> {children} b* {figured(lab[2])}
    </span>
  );
}

/** A photograph, or in its place that its file is gone. */
const Pic = ({ src, alt }: { src: string; alt: string }) =>
  src === '' ? (
    <p className="gone">The file of this photograph is missing: {alt}.</p>
  ) : (
    <img src={src} alt={alt} loading="lazy" />
  );

interface PieceProps {
  story: PieceStory;
  photos: readonly Photo[];
  src: Props['src'];
  time: (iso: string) => string;
  long: Long;
  face: { before: string; after: string } | undefined;
}

function PiecePart({ story, photos, src, time, long, face }: PieceProps) {
  const { piece, first, last, measurements, treatments } = story;
  const photoOf = (id: string | undefined) => photos.find((photo) => photo.id === id);
  const before = photoOf(first?.photoId);
  const after = photoOf(last?.photoId);
  return (
    <section>
      <h3>
        <span className="tag">{piece.tag}</span> {piece.name}, {piece.plastic}, {piece.finish}
      </h3>
      {before && after && before.id !== after.id && (
        <div className="pair">
          <figure>
            <Pic src={src(before)} alt={`${piece.name} before`} />
            <figcaption>Before, {time(first!.measuredAt)}</figcaption>
          </figure>
          <figure>
            <Pic src={src(after)} alt={`${piece.name} after`} />
            <figcaption>After, {time(last!.measuredAt)}</figcaption>
          </figure>
        </div>
      )}
      {face && (
        <div className="pair face">
          <figure>
            <img src={face.before} alt={`${piece.name} before, straight on`} />
            <figcaption>Before</figcaption>
          </figure>
          <figure>
            <img src={face.after} alt={`${piece.name} after, straight on`} />
            <figcaption>After, the same face on the same plane and in the same light</figcaption>
          </figure>
        </div>
      )}
      <p className="swatches">
        {first?.lab && <ColourSwatch lab={first.lab}>before</ColourSwatch>}
        {last?.lab && last !== first && <ColourSwatch lab={last.lab}>after</ColourSwatch>}
        {piece.hiddenLab && <ColourSwatch lab={piece.hiddenLab}>hidden patch</ColourSwatch>}
      </p>
      {(measurements.length > 0 || treatments.length > 0) &&
        long(
          `${measurements.length} measured, ${treatments.reduce((sum, { sessions }) => sum + sessions.length, 0)} in the light`,
          <>
            {measurements.length > 0 && (
              <div className="scroll" tabIndex={0} role="region" aria-label={`Measurements of ${piece.tag}`}>
                <table>
                  <thead>
                    <tr>
                      <th>Measured</th>
                      <th className="n">L*</th>
                      <th className="n">a*</th>
                      <th className="n">b*</th>
                      <th className="n">YI</th>
                      <th className="n">ΔE00</th>
                      <th>Verdict</th>
                    </tr>
                  </thead>
                  <tbody>
                    {measurements.map(({ id, measuredAt, lab, yellownessIndex, deltaE00, verdict }) => (
                      <tr key={id}>
                        <td>{time(measuredAt)}</td>
                        {[0, 1, 2].map((channel) => (
                          <td key={channel} className="n">
                            {lab?.[channel]?.toFixed(1) ?? '–'}
                          </td>
                        ))}
                        <td className="n">{yellownessIndex?.toFixed(1) ?? '–'}</td>
                        <td className="n">{deltaE00?.toFixed(1) ?? '–'}</td>
                        <td>{verdict ?? ''}</td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </div>
            )}
            {treatments.map(({ id, school, targetPercentWW, sessions, endedWhy }) => (
              <div key={id}>
                <p>
                  {SCHOOL[school].title}, {targetPercentWW.toFixed(1)} % peroxide, {sessions.length}{' '}
                  {sessions.length === 1 ? 'session' : 'sessions'}.{endedWhy && ` Ended: ${endedWhy}`}
                </p>
                <ul>
                  {sessions.map((session) => (
                    <li key={session.id}>
                      {time(session.startedAt)}
                      {session.together.length > 0 && `, together with ${session.together.join(', ')}`}:{' '}
                      {session.actualMin === null
                        ? 'still running'
                        : `${showMinutes(session.actualMin)}, ${session.dose?.toFixed(1)} ${doseUnit(SCHOOL[school])}, ${session.turns.length} ${session.turns.length === 1 ? 'turn' : 'turns'}`}
                      . {session.words}
                      {session.cautions.length > 0 &&
                        ` Cautions confirmed: ${session.cautions.map(({ hazard }) => hazard).join(' ')} ${CAUTION_CLOSE}`}
                    </li>
                  ))}
                </ul>
              </div>
            ))}
          </>,
        )}
    </section>
  );
}

interface StageProps {
  story: StageStory;
  passes: readonly PassStory[];
  src: Props['src'];
  time: (iso: string) => string;
  /** Its heading stands elsewhere. */
  bare: boolean;
}

/** A stage in one line. */
const stageLine = ({ stage, state, reason, minutes }: StageStory): string =>
  `${STAGE_WORDS[stage].title}: ${state}${reason ? ` (${reason})` : ''}${minutes > 0 ? `, ${showMinutes(minutes)}` : ''}`;

function StagePart({ story, passes, src, time, bare }: StageProps) {
  const { stage, photos, notes, findings, settled, ledger } = story;
  return (
    <section>
      {!bare && <h3>{stageLine(story)}</h3>}
      {notes.map((note) => (
        <p key={note} style={{ whiteSpace: 'pre-wrap' }}>
          {note}
        </p>
      ))}
      {findings.length > 0 && (
        <ul>
          {findings.map(({ id, kind, severity, words, settledAs, settledWords }) => (
            <li key={id}>
              {kind}, {SEVERITY_WORDS[severity]}. {words}{' '}
              <em>{settledAs ? `${settledAs}${settledWords ? `: ${settledWords}` : ''}` : 'open'}</em>
            </li>
          ))}
        </ul>
      )}
      {settled.length > 0 && (
        <ul>
          {settled.map(({ id, kind, words, settledAs, settledWords }) => (
            <li key={id}>
              Closed: {[kind, words].filter(Boolean).join(', ')}{' '}
              <em>
                {settledAs}
                {settledWords && `: ${settledWords}`}
              </em>
            </li>
          ))}
        </ul>
      )}
      {passes.length > 0 && (
        <ul>
          {passes.map(({ id, at, what, came, cautions }) => (
            <li key={id}>
              {time(at)}: {what}, <em>{came}</em>
              {cautions.length > 0 && `. Cautions confirmed: ${cautions.join(' ')} ${CAUTION_CLOSE}`}
            </li>
          ))}
        </ul>
      )}
      {ledger.length > 0 && (
        <ul>
          {ledger.map((entry) => (
            <li key={entry.id}>
              {entry.words}
              {entry.minutes > 0 && `, ${showMinutes(entry.minutes)}`}
            </li>
          ))}
        </ul>
      )}
      {photos.length > 0 && (
        <div className="row">
          {photos.map((photo) => (
            <figure key={photo.id}>
              <Pic src={src(photo)} alt={`${photo.originalName}, ${stage}`} />
              <figcaption>{photo.originalName}</figcaption>
            </figure>
          ))}
        </div>
      )}
    </section>
  );
}

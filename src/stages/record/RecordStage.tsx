import { VisuallyHidden } from '@chakra-ui/react';
import { gatherBundle } from '@/data/bundle';
import { Fold } from '@/ui/Fold';
import { EmptyPlace, Part } from '@/ui/layout';
import { photoUrl } from '@/ui/photoUrl';
import { TextLink } from '@/ui/links';
import { ExportLinks } from './ExportLinks';
import { missingFrom } from './readers';
import { StoryChecks, StoryCost, StoryDrawings, StoryFacts, StoryPieces, StoryStages, StoryUndone } from './StoryView';
import { STORY_CSS } from './storyCss';
import { tellStory, type PieceStory, type Story } from './story';

const src = ({ id }: { id: string }) => photoUrl(id, 'large');
const long = (summary: string, words: React.ReactNode) => (
  <Fold summary={summary} quiet>
    {words}
  </Fold>
);

interface Props {
  restorationId: string;
  of: (props: { story: Story; restorationId: string }) => React.ReactNode;
}

/** A view of the record: the story as far as it is. */
export async function RecordStage({ restorationId, of: Of }: Props) {
  const bundle = await gatherBundle(restorationId);
  if (!bundle) return null;
  return (
    <>
      <style>{STORY_CSS}</style>
      <div className="story">
        <Of story={tellStory(bundle)} restorationId={restorationId} />
      </div>
    </>
  );
}

/** How far the record is, what is left undone, and the record as a file. */
export function RecordNow({ story, restorationId }: { story: Story; restorationId: string }) {
  const missing = missingFrom(story);
  return (
    <>
      <ExportLinks restorationId={restorationId} />
      {missing.length > 0 && (
        <Fold summary={`Missing before it ends: ${missing.length}`}>
          <ul>
            {missing.map(({ words, view }) => (
              <li key={words}>
                {words} <TextLink href={`/restorations/${restorationId}${view}`}>Put it right</TextLink>
              </li>
            ))}
          </ul>
        </Fold>
      )}
      <Part title={story.undone?.length ? `Left undone: ${story.undone.length}` : 'Nothing is left undone'}>
        <StoryUndone story={story} />
      </Part>
      <Part title="What it took">
        <StoryCost story={story} />
      </Part>
      {long('The machine, and what was wanted with it', <StoryFacts story={story} />)}
    </>
  );
}

/** The pieces before and after. */
export function RecordPieces({ story }: { story: Story }) {
  if (story.pieces.length === 0)
    return <EmptyPlace>No piece is tagged, so nothing was measured before and after.</EmptyPlace>;
  const told = ({ measurements, treatments }: PieceStory) => measurements.length + treatments.length > 0;
  const others = story.pieces.filter((piece) => !told(piece)).map(({ piece: { tag, name } }) => `${tag} ${name}`);
  return (
    <>
      <VisuallyHidden as="h2">Before and after</VisuallyHidden>
      <StoryPieces story={{ ...story, pieces: story.pieces.filter(told) }} src={src} long={long} />
      {others.length > 0 && <p>Neither measured nor brightened: {others.join(', ')}.</p>}
    </>
  );
}

/** What was done, stage by stage, and what was tested, kept and asked. */
export function RecordDone({ story }: { story: Story }) {
  return (
    <>
      <StoryStages story={story} src={src} long={long} />
      <StoryChecks story={story} />
      {long('Keys and parts as drawings', <StoryDrawings story={story} />)}
    </>
  );
}

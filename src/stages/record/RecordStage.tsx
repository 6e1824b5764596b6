import { gatherBundle } from '@/data/bundle';
import { Part } from '@/ui/layout';
import { photoUrl } from '@/ui/photoUrl';
import { ExportLinks } from './ExportLinks';
import { StoryView } from './StoryView';
import { STORY_CSS } from './storyCss';
import { tellStory } from './story';

/** Record: the story as far as it is, and its export. */
export async function RecordStage({ restorationId }: { restorationId: string }) {
  const bundle = await gatherBundle(restorationId);
  if (!bundle) return null;
  return (
    <Part title="The story so far">
      <ExportLinks restorationId={restorationId} />
      <style>{STORY_CSS}</style>
      <StoryView story={tellStory(bundle)} src={({ id }) => photoUrl(id, 'large')} />
    </Part>
  );
}

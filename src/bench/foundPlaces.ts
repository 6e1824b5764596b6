import type { FoundRow } from '@/data/found';
import { viewHref } from '@/core/runsheet/views';
import { photoUrl } from '@/ui/photoUrl';

/** Where something that was found is looked at. */
export function placeOfFound({ kind, ofKey, restorationId: of }: FoundRow): string {
  const at = (stage: Parameters<typeof viewHref>[1], view?: string) => viewHref(of ?? '', stage, view);
  switch (kind) {
    case 'restorations':
      return `/restorations/${ofKey}`;
    case 'pieces':
      return `/restorations/${of}/pieces/${ofKey}`;
    case 'photos':
      return photoUrl(ofKey);
    case 'findings':
      return at('record', 'done');
    case 'requests':
      return `/restorations/${of}/owner`;
    case 'sessions':
      return at('brighten', 'past');
    case 'sink_steps':
      return at('wash', 'spots');
    case 'removal_steps':
      return at('teardown', 'off');
    case 'repairs':
      return at('mend');
    case 'key_repairs':
      return at('keys', 'mend');
    case 'parts':
      return `${at('mend', 'make')}?part=${ofKey}`;
    case 'rusts':
      return at('finish', 'rust');
    case 'coat_jobs':
      return at('finish', 'coats');
    case 'lost_marks':
      return at('finish', 'lost');
    case 'origins':
      return at('finish', 'original');
    case 'orders':
      return '/stores/orders';
    case 'stock':
      return '/stores';
    case 'donors':
    case 'donor_parts':
      return '/stores/donors';
    case 'people':
      return '/workshop/people';
    case 'own_agents':
      return '/stores/agents';
    case 'lessons':
      return `/workshop/learnt?rule=${ofKey}`;
    case 'log':
      return of === null
        ? `/workshop/kept?before=${Number(ofKey) + 1}`
        : `/restorations/${of}/log?before=${Number(ofKey) + 1}`;
  }
}

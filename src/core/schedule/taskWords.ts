import { STAGE_WORDS } from '../runsheet/stages';
import type { TaskAbout, TaskKind } from './facts/tasks';

/** What a task is called where nobody gave it a name of its own. */
const WORDS: Record<TaskKind, string> = {
  photograph: 'Photograph every side',
  tag: 'Tag the pieces',
  power: 'Decide on the first power',
  teardown: 'Take it apart',
  soak: 'Into warm soapy water',
  brush: 'Brush what was soaked',
  dry: 'Dries',
  wash: 'At the sink',
  measure: 'Measure',
  'set up': 'Set up the session',
  expose: 'Brightens',
  'wash off': 'Wash the session off',
  'test keys': 'Test every key',
  mend: 'Mend',
  cure: 'Cures',
  rust: 'Rust',
  coat: 'Lay the coat',
  stage: 'Look what is left to do',
  rebuild: 'Put it together',
  test: 'Function test',
  'test again': 'Test again, a day after',
  record: 'Look the record over',
  answer: 'The owner’s answer',
  order: 'Order',
  parcel: 'Parcel',
  look: 'Look again',
  own: 'To do',
};

/** Where it lies while nobody’s hands are at it. */
const WHERE: Partial<Record<NonNullable<TaskAbout['place']>, string>> = {
  sun: 'in the sun',
  lamp: 'under the lamp',
  box: 'in vapour',
};

/** What tasks of a kind are called. */
export const kindWords = (kind: string): string => WORDS[kind as TaskKind] ?? 'Task';

/** A task in a few words. */
export function taskWords({ kind, name, session, stage, place }: TaskAbout): string {
  if (kind === 'own') return name;
  const which = session && session.of > 1 ? ` ${session.number} of ${session.of}` : '';
  const base =
    kind === 'expose'
      ? `${WORDS.expose} ${(place && WHERE[place]) ?? ''}`.trim()
      : kind === 'stage' && stage
        ? `${STAGE_WORDS[stage].title}: look what is left to do`
        : WORDS[kind];
  return `${base}${which}${name ? `: ${name}` : ''}`;
}

const restoration = (id: string | null) => `/restorations/${id}`;

/** Where it is done and written down; `null` for what has no screen of its own. */
export function taskPlace({ kind, machine, pieceId, stage }: TaskAbout): string | null {
  const at = restoration(machine);
  switch (kind) {
    case 'own':
      return machine === null ? null : at;
    case 'tag':
      return `${at}/pieces/new`;
    case 'measure':
    case 'look':
      return pieceId ? `${at}/pieces/${pieceId}/measure?stage=brighten` : `${at}/brighten`;
    case 'set up':
    case 'expose':
    case 'wash off':
      return `${at}/brighten?piece=${pieceId}`;
    case 'rust':
      return `${at}/finish/rust`;
    case 'coat':
      return `${at}/finish/coats`;
    case 'answer':
      return `${at}/owner`;
    case 'order':
    case 'parcel':
      return '/stores/orders';
    default:
      return stage ? `${at}/${stage}` : at;
  }
}

import type { Stage } from '../runsheet/stages';
import type { Aim } from './aim';
import type { FindingKind, Severity } from './findings';

/** What a finding asks for under an aim: a stage and what to do there, or why it is left. */
export interface Proposal {
  stage: Stage | null;
  words: string;
}

/** What can be treated at all, and where. */
interface Treatable {
  stage: Stage;
  words: string;
  /** The least aim that asks for it, by severity. */
  from: Record<Severity, Aim>;
  /** Why a lesser aim leaves it. */
  left: string;
}

const EVERY: Record<Severity, Aim> = { slight: 'keep the age', plain: 'keep the age', bad: 'keep the age' };
const CLEANING: Record<Severity, Aim> = { slight: 'clean only', plain: 'clean only', bad: 'clean only' };
const LOOKS: Record<Severity, Aim> = { slight: 'as new', plain: 'presentable', bad: 'presentable' };
/** Function is not age: it is mended wherever anything is. */
const WORKING: Record<Severity, Aim> = { slight: 'presentable', plain: 'presentable', bad: 'presentable' };

const TREATABLE: Record<Exclude<FindingKind, 'keep this mark'>, Treatable> = {
  yellowed: {
    stage: 'brighten',
    words: 'To its hidden patch, after it is washed.',
    from: LOOKS,
    left: 'The yellow stays.',
  },
  soiled: { stage: 'wash', words: 'Gentlest first, and stop when it is good enough.', from: EVERY, left: '' },
  scuffed: { stage: 'wash', words: 'Alcohol, then a fine abrasive only where it is left.', from: CLEANING, left: 'The scuffs stay as its history.' },
  stained: { stage: 'wash', words: 'Up the ladder on this spot; stop when the surface would pay for it.', from: CLEANING, left: 'The stain stays.' },
  ink: { stage: 'wash', words: 'Alcohol first; wet sanding only where nothing lifts it.', from: CLEANING, left: 'The writing stays as its history.' },
  rust: {
    stage: 'finish',
    words: 'Brush it off, stop it, and cover the metal again.',
    from: CLEANING,
    left: 'Dry it and wax it, so that it goes no further.',
  },
  leak: {
    stage: 'wash',
    words: 'What leaked is caustic and goes on eating: gloves and goggles, take it off and neutralise it first.',
    from: EVERY,
    left: '',
  },
  crack: { stage: 'mend', words: 'Hold it from behind, then fill.', from: LOOKS, left: 'The crack stays; keep the load off it.' },
  chip: { stage: 'mend', words: 'Fill it, or a part from a donor.', from: LOOKS, left: 'The chip stays.' },
  missing: { stage: 'mend', words: 'A part from a donor, printed or cast.', from: WORKING, left: 'It stays missing, and the record says so.' },
  sticky: { stage: 'keys', words: 'Clean the guide with a damp swab before anything is sanded.', from: CLEANING, left: 'It stays stiff.' },
  dead: { stage: 'keys', words: 'Find the fault by its pattern, probe, then repair.', from: WORKING, left: 'It stays dead, and the record says so.' },
  loose: { stage: 'mend', words: 'Look why: a screw, a stripped boss or a clip.', from: WORKING, left: 'It stays loose.' },
  'repaired by somebody': {
    stage: 'mend',
    words: 'Look whether the repair holds, and redo it if not.',
    from: LOOKS,
    left: 'The old repair stays as its history.',
  },
};

const FAR: Record<Aim, number> = { 'keep the age': 0, 'clean only': 1, presentable: 2, 'as new': 3 };

/** What a finding asks for under the aim of its piece or machine. */
export function proposalFor({ kind, severity }: { kind: FindingKind; severity: Severity }, aim: Aim): Proposal {
  if (kind === 'keep this mark') return { stage: null, words: 'It is kept. Cover it in wash, brighten and finish.' };
  const { stage, words, from, left } = TREATABLE[kind];
  return FAR[aim] >= FAR[from[severity]] ? { stage, words } : { stage: null, words: `${left} The aim is “${aim}”.` };
}

/** Stages that are worked through only where something asks for them. */
export const ASKED_STAGES: readonly Stage[] = ['wash', 'brighten', 'keys', 'mend', 'finish'];

/**
 * What a list of findings asks for, stage by stage. Dirt that is left shadows the yellow from the peroxide, so
 * what is brightened is washed first whether or not somebody found it soiled.
 *
 * @param aimOf the aim that holds for a finding: its piece's, or the machine's
 */
export function askedOf<F extends { kind: FindingKind; severity: Severity }>(findings: readonly F[], aimOf: (finding: F) => Aim): Map<Stage, F[]> {
  const asked = new Map<Stage, F[]>();
  const add = (stage: Stage, finding: F) => asked.set(stage, [...(asked.get(stage) ?? []), finding]);
  for (const finding of findings) {
    const { stage } = proposalFor(finding, aimOf(finding));
    if (stage) add(stage, finding);
  }
  if (asked.has('brighten') && !asked.has('wash')) asked.set('wash', []);
  return asked;
}

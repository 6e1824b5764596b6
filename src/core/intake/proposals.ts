import type { Stage } from '../runsheet/stages';
import { AIMS, type Aim } from './aim';
import type { FindingKind, FindingPart, Severity } from './findings';

/** What a finding asks for under an aim: a stage and what to do there, or why it is left. */
export interface Proposal {
  stage: Stage | null;
  words: string;
}

/** What of a finding decides where it is treated. */
export interface Asking {
  kind: FindingKind;
  severity: Severity;
  part: FindingPart;
}

/** Where a fault is treated, and how. */
interface Treated {
  stage: Stage;
  words: string;
}

/** What can be treated at all, and where. */
interface Treatable extends Treated {
  /** Aims that ask for it, by severity. */
  under: Record<Severity, readonly Aim[]>;
  /** Why another aim leaves it. */
  left: string;
  /** On these parts it is treated elsewhere. */
  on?: Partial<Record<FindingPart, Treated>>;
}

const always = (aims: readonly Aim[]): Treatable['under'] => ({ slight: aims, plain: aims, bad: aims });
const EVERY = always(AIMS);
const CLEANING = always(['clean only', 'presentable', 'as new']);
const LOOKS: Treatable['under'] = {
  slight: ['as new'],
  plain: ['presentable', 'as new'],
  bad: ['presentable', 'as new'],
};
/** Function and breakage are not age: they are mended where the age is kept too, and left only where nothing but cleaning is asked. */
const WHOLE = always(['keep the age', 'presentable', 'as new']);

const TECHNICIAN: Treated = {
  stage: 'mend',
  words: 'Mains and picture tubes are for a qualified technician. Leave it unplugged, and write down what they find.',
};
const ELECTRONICS: Treated = {
  stage: 'mend',
  words:
    'Look at its leads and sockets first. What is broken on it is for somebody who repairs boards, or a part from a donor.',
};
/** Where something does not work: keys and small switches have a stage of their own, everything else goes to Mend. */
const FAULTY_PARTS: NonNullable<Treatable['on']> = {
  keys: { stage: 'keys', words: 'Find the fault by its pattern, probe, then repair.' },
  'switch or socket': { stage: 'keys', words: 'Alcohol, worked to and fro; then its contacts, bent gently.' },
  supply: TECHNICIAN,
  cable: {
    stage: 'mend',
    words:
      'Measure it end to end while somebody bends it; a broken lead is replaced, mains leads by a qualified technician.',
  },
};

const TREATABLE: Record<Exclude<FindingKind, 'keep this mark' | 'sound on purpose'>, Treatable> = {
  yellowed: {
    stage: 'brighten',
    words: 'To its hidden patch, after it is washed.',
    under: LOOKS,
    left: 'The yellow stays.',
  },
  soiled: { stage: 'wash', words: 'Gentlest first, and stop when it is good enough.', under: EVERY, left: '' },
  scuffed: {
    stage: 'wash',
    words: 'Alcohol, then a fine abrasive only where it is left.',
    under: CLEANING,
    left: 'The scuffs stay as its history.',
  },
  stained: {
    stage: 'wash',
    words: 'Up the ladder on this spot; stop when the surface would pay for it.',
    under: CLEANING,
    left: 'The stain stays.',
  },
  ink: {
    stage: 'wash',
    words: 'Alcohol first; wet sanding only where nothing lifts it.',
    under: CLEANING,
    left: 'The writing stays as its history.',
  },
  rust: {
    stage: 'finish',
    words: 'Brush it off, stop it, and cover the metal again.',
    under: CLEANING,
    left: 'Dry it and wax it, so that it goes no further.',
  },
  leak: {
    stage: 'wash',
    words: 'What leaked is caustic and goes on eating: gloves and goggles, take it off and neutralise it first.',
    under: EVERY,
    left: '',
  },
  crack: {
    stage: 'mend',
    words: 'Hold it from behind, then fill.',
    under: WHOLE,
    left: 'The crack stays; keep the load off it.',
  },
  chip: { stage: 'mend', words: 'Fill it, or a part from a donor.', under: LOOKS, left: 'The chip stays.' },
  'broken, the piece is here': {
    stage: 'mend',
    words: 'Keep the piece with it in a bag. Clean both faces, place it, and hold it from behind.',
    under: WHOLE,
    left: 'It stays broken; the piece is kept with it.',
  },
  'bent or warped': {
    stage: 'mend',
    words: 'Hold it beside another before it is straightened: some things are meant to be bent.',
    under: LOOKS,
    left: 'It stays as it is bent.',
    on: {
      keys: {
        stage: 'keys',
        words: 'Hold it beside another before it is straightened: some things are meant to be bent.',
      },
    },
  },
  melted: {
    on: {
      display: {
        stage: 'mend',
        words: 'Look whether the flaw lies in the film or in the glass; a burnt film is renewed, cracked glass is not.',
      },
    },
    stage: 'mend',
    words: 'Check first whether it came from its mould that way; then fill it, or take a part from a donor.',
    under: LOOKS,
    left: 'The mark stays as its history.',
  },
  corroded: {
    stage: 'finish',
    words: 'Check under a magnifier whether metal is lost; then clean it, stop it and cover it.',
    under: EVERY,
    left: '',
    on: {
      board: {
        stage: 'mend',
        words: 'Check under a magnifier whether metal is lost. Clean it; tracks that no longer conduct are re-tinned.',
      },
      keys: {
        stage: 'keys',
        words: 'Check under a magnifier whether metal is lost. Clean it; tracks that no longer conduct are re-tinned.',
      },
      'switch or socket': { stage: 'keys', words: 'A fibre pen lightly, its splinters blown off, then alcohol.' },
      supply: TECHNICIAN,
    },
  },
  missing: {
    stage: 'mend',
    words: 'Search the machine for it first; then a part from a donor, printed or cast.',
    under: WHOLE,
    left: 'It stays missing, and the record says so.',
    on: { keys: { stage: 'keys', words: 'Search the machine for it first; then a cap or spring from a donor.' } },
  },
  'wrong or foreign part': {
    stage: 'mend',
    words: 'Find out what belongs there; a right one from a donor, or the record says what is in its place.',
    under: LOOKS,
    left: 'It stays, and the record says that it is not its own.',
    on: {
      keys: {
        stage: 'keys',
        words: 'Find out what belongs there; a right one from a donor, or the record says what is in its place.',
      },
    },
  },
  sticky: {
    stage: 'mend',
    words: 'Look why it goes stiff: dirt, old grease, a bent guide.',
    under: WHOLE,
    left: 'It stays stiff.',
    on: {
      keys: { stage: 'keys', words: 'Clean the guide with a damp swab before anything is sanded.' },
      'switch or socket': { stage: 'keys', words: 'Alcohol, worked to and fro, before anything is opened.' },
      'foot or pad': { stage: 'mend', words: 'Wash it; rubber that stays tacky is renewed, all of a set together.' },
      'label or badge': {
        stage: 'wash',
        words: 'What is tacky round it is old glue: the gentlest thing that takes that, and never under the label.',
      },
    },
  },
  dead: { ...ELECTRONICS, under: WHOLE, left: 'It stays dead, and the record says so.', on: FAULTY_PARTS },
  'works now and then': {
    ...ELECTRONICS,
    under: WHOLE,
    left: 'It stays unsure, and the record says so.',
    on: FAULTY_PARTS,
  },
  loose: {
    stage: 'mend',
    words: 'Look why: a screw, a stripped boss or a clip.',
    under: WHOLE,
    left: 'It stays loose.',
    on: { keys: { stage: 'keys', words: 'Look why: its stem, its clip or the plate below.' } },
  },
  'repaired by somebody': {
    stage: 'mend',
    words: 'Check that the repair holds, and redo it if not.',
    under: LOOKS,
    left: 'The old repair stays as its history.',
  },
};

/** What a finding asks for under the aim of its piece or machine. */
export function proposalFor({ kind, severity, part }: Asking, aim: Aim): Proposal {
  if (kind === 'keep this mark') return { stage: null, words: 'It is kept. Cover it in wash, brighten and finish.' };
  if (kind === 'sound on purpose')
    return { stage: null, words: 'It looks like a fault and is none: it is meant so. Nobody mends it.' };
  const { under, left, on, ...usual } = TREATABLE[kind];
  return under[severity].includes(aim)
    ? (on?.[part] ?? { stage: usual.stage, words: usual.words })
    : { stage: null, words: `${left} The aim is “${aim}”.` };
}

/** Stages that are worked through only where something asks for them. */
export const ASKED_STAGES: readonly Stage[] = ['wash', 'brighten', 'keys', 'mend', 'finish'];

/**
 * What a list of findings asks for, stage by stage. Dirt that is left shadows the yellow from the peroxide, so
 * what is brightened is washed first whether or not somebody found it soiled.
 *
 * @param aimOf the aim that holds for a finding: its piece's, or the machine's
 */
export function askedOf<F extends Asking>(findings: readonly F[], aimOf: (finding: F) => Aim): Map<Stage, F[]> {
  const asked = new Map<Stage, F[]>();
  const add = (stage: Stage, finding: F) => asked.set(stage, [...(asked.get(stage) ?? []), finding]);
  for (const finding of findings) {
    const { stage } = proposalFor(finding, aimOf(finding));
    if (stage) add(stage, finding);
  }
  if (asked.has('brighten') && !asked.has('wash')) asked.set('wash', []);
  return asked;
}

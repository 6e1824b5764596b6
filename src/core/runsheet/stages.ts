/** The nine stages of a restoration, in the order of the work. */
export const STAGES = [
  'intake',
  'teardown',
  'wash',
  'brighten',
  'keys',
  'mend',
  'finish',
  'rebuild',
  'record',
] as const;
export type Stage = (typeof STAGES)[number];

export const STAGE_STATES = ['open', 'done', 'not needed'] as const;
export type StageState = (typeof STAGE_STATES)[number];

/** What each stage is for, and what somebody does in it first. */
export const STAGE_WORDS: Record<Stage, { title: string; purpose: string; first: string }> = {
  intake: {
    title: 'Intake',
    purpose: 'What it is, where it came from, what state it is in.',
    first: 'Photograph every side before anything is touched, and find plastic that never saw light.',
  },
  teardown: {
    title: 'Teardown',
    purpose: 'Down to the last plastic piece: metal, foam, springs and boards come out before plastic meets water.',
    first: 'Photograph each screw place and plug before it comes off; note which way it went.',
  },
  wash: {
    title: 'Wash',
    purpose: 'Gentle to harsh, stopping as soon as it is good enough.',
    first: 'Dry brush and vacuum, then warm water and dish soap. Labels covered, metal out.',
  },
  brighten: {
    title: 'Brighten',
    purpose: 'Peroxide and light bring the original colour back.',
    first: 'Measure each piece with a grey card and its hidden patch, then choose a way.',
  },
  keys: {
    title: 'Keys',
    purpose: 'Caps, springs, plungers, domes, membrane and switches.',
    first: 'Map where each cap goes before pulling it; four arrows look alike.',
  },
  mend: {
    title: 'Mend',
    purpose: 'Cracks, broken tabs, hinge pins, missing feet and doors.',
    first: 'Decide by load, visibility, access and plastic. Look in the donors first.',
  },
  finish: {
    title: 'Finish',
    purpose: 'Rust, paint, pin-stripes, polish, wax and protectant.',
    first: 'Test on a hidden spot. What is repainted is recorded as not original.',
  },
  rebuild: {
    title: 'Rebuild',
    purpose: 'Teardown in reverse, with its traps.',
    first: 'Test before closing, and again after. Long screws only where long screws came out.',
  },
  record: {
    title: 'Record',
    purpose: 'Before and after, what was done, with what, for how long, and what is still wrong.',
    first: 'Look the story over, write what is left undone, and export it.',
  },
};

const PLASTICS = ['ABS', 'flame-retarded ABS', 'polystyrene', 'polycarbonate', 'PVC', 'acrylic', 'not known'] as const;
/** Of what a piece may be; only plastic is brightened. */
export const MATERIALS = [...PLASTICS, 'metal', 'rubber', 'glass', 'paper', 'wood'] as const;
/** Whether a piece can be brightened at all. */
export const isPlastic = (material: string): boolean =>
  !(MATERIALS as readonly string[]).slice(PLASTICS.length).includes(material);
/** Answers to whether a piece has a label on it, and metal in it. */
export const YES_NO = ['no', 'yes'] as const;
export const METAL = ['no', 'until it is apart', 'yes'] as const;
export const FINISHES = ['textured', 'smooth', 'glossy', 'painted', 'plated'] as const;

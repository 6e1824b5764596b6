import { assumed, type AssumptionName } from '../../assumptions/assumptions';
import { Refusal } from '../../refusal';
import type { Break, Damage, WindowGlue } from './damage';
import { GLUES, strengthOn } from './glues';
import { backed, facesGlued, pinned, screwed, type Held } from './holds';
import { LOOKS, MEND, MEND_WAYS, ORIGINALS, type MendOutcome, type MendWay } from './ways';

/** The two schools: hide it and make it strong, or keep it honest and change as little as can be. */
export const MEND_SCHOOLS = ['strong and hidden', 'honest'] as const;
export type MendSchool = (typeof MEND_SCHOOLS)[number];

/** What this workshop saw of a way; a repair that broke later does not hold. */
export interface MendTried {
  way: MendWay;
  outcome: MendOutcome;
}

/** A way that can work, with all that is weighed. */
interface MendOption {
  way: MendWay;
  /** Worked out; `null` where nothing can be worked out, as for a part that is bought. */
  held: Held | null;
  /** Chance that it holds, moved by what this workshop saw. */
  odds: number;
  /** Own repairs that it rests on. */
  from: number;
  minutes: number;
  /** Until it may be loaded, at 20 °C. */
  waitMin: number;
  costMinor: number;
  /** What it takes and the stores do not have. */
  missing: string[];
  /** What it counts for, minutes of hands: the least is taken. */
  counts: number;
  /** What goes against it here, beyond its usual risk. */
  notes: string[];
}

/** A way that comes to mind and was ruled out. */
interface RuledOut {
  way: MendWay;
  why: string;
}

export interface Choice {
  options: MendOption[];
  out: RuledOut[];
}

/** Something in the stores. */
export interface Stored {
  name: string;
  priceMinor: number | null;
}

/** Water that softens a plastic enough to press it flat and not so much that it sinks, °C. */
const PRESS_C: Readonly<Record<string, number>> = {
  ABS: 70,
  'flame-retarded ABS': 65,
  polystyrene: 60,
  PVC: 50,
  acrylic: 70,
};
export const pressAt = (plastic: string): number | null => PRESS_C[plastic] ?? null;

/** What is in the way of use, so that leaving it mends nothing. */
const IN_THE_WAY: readonly Break[] = ['film burnt', 'foot worn or gone'];

type Judged = { held: Held | null; odds?: number; notes?: string[] } | { why: string };

const guessed = (name: Parameters<typeof assumed>[0]): Judged => ({ held: null, odds: assumed(name) });

/** Whether a way can work on a break, and how well it holds. */
function judged(way: MendWay, damage: Damage): Judged {
  const { kind, load, plastic, reach, behindMm, stubMm } = damage;
  const stub = kind === 'broken off' && stubMm !== null;
  const behind = reach !== 'front' && behindMm > 0 && !stub;
  const noReach = {
    why: stub
      ? 'Round a stub there is nothing to lay it on.'
      : 'Nothing can be laid behind it: there is no room, or it is reached from in front only.',
  };
  const screw = load === 'screw';
  switch (way) {
    case 'leave':
      if (IN_THE_WAY.includes(kind))
        return {
          held: null,
          odds: assumed('lived with'),
          notes: ['What was wrong with it stays wrong: say whether somebody can live with that.'],
        };
      return load === 'nothing'
        ? { held: null, odds: 1 }
        : {
            held: null,
            odds: kind === 'crack' ? assumed('a loaded crack stays') : 0,
            notes: ['Keep the load off it.'],
          };
    case 'gel':
      if (screw) return { why: 'A screw pulls a glued boss open: it wants a sleeve, or its hole filled.' };
      return { held: facesGlued(damage, 'gel') };
    case 'gel and soda': {
      if (!screw) return { held: facesGlued(damage, 'gel'), notes: ['It fills; it adds no strength to the faces.'] };
      const held = screwed(damage, 'gel');
      return held ? { held } : { why: 'Say how wide boss, hole and screw are: then it can be worked out.' };
    }
    case 'putty behind':
      if (!behind && !screw) return noReach;
      if (!screw) return { held: backed(damage, 'gel', 'putty') };
      {
        const held = screwed(damage, 'putty');
        return held ? { held } : { why: 'Say how wide boss, hole and screw are: then it can be worked out.' };
      }
    case 'solvent':
      if (plastic === 'not known')
        return {
          why: 'Which plastic it is nobody knows yet: a wrong solvent ruins it. Test on a scrap first, then say it.',
        };
      if (strengthOn('solvent', plastic) === 0) return { why: `No solvent of the bench joins ${plastic} cleanly.` };
      if (screw) return { why: 'A boss stays soft for days, and the screw pulls it open.' };
      return {
        held: facesGlued(damage, 'solvent'),
        notes: plastic === 'flame-retarded ABS' ? ['Old and brittle: it may craze. Hidden spot first.'] : [],
      };
    case 'plate behind':
      if (screw) return { why: 'Round a boss a sleeve does what a plate does on a wall.' };
      return behind ? { held: backed(damage, 'gel', 'epoxy') } : noReach;
    case 'pin': {
      if (stubMm === null)
        return load === 'hinge'
          ? { why: 'Say how thick the stub is and how deep it can be drilled.' }
          : { why: 'It is no stub: there is nothing to drill along.' };
      try {
        const held = pinned(damage);
        if (!held) return { why: 'Say how deep the stub can be drilled.' };
        return held.splits
          ? { why: `With a pin of ${held.pinMm} mm too little is left round the hole: the stub splits.` }
          : { held };
      } catch (error) {
        if (error instanceof Refusal) return { why: error.message };
        throw error;
      }
    }
    case 'sleeve': {
      if (!screw) return { why: 'Only a boss takes a sleeve.' };
      const held = screwed(damage, null, true);
      if (!held) return { why: 'Say how wide boss, hole and screw are: then it can be worked out.' };
      return kind === 'stripped hole' && held.capacityN === 0
        ? { why: 'The hole is too wide for its screw: a sleeve holds the boss together, not the thread.' }
        : { held };
    }
    case 'metal part':
      return kind === 'stripped hole' && !screw ? { why: 'There is no screw in it.' } : guessed('mended: metal part');
    case 'printed part':
      return load === 'carries the lid' || load === 'hinge'
        ? ({
            ...guessed('mended: printed part'),
            notes: ['Wider than the original: print breaks where the original did.'],
          } as Judged)
        : guessed('mended: printed part');
    case 'cast part':
      return guessed('mended: cast part');
    case 'donor part':
      return guessed('mended: donor part');
    case 'bought part':
      return screw && kind !== 'missing' ? straightScrew(damage) : guessed('mended: bought part');
    case 'warm and press': {
      const at = pressAt(plastic);
      return at === null
        ? {
            why: `${plastic === 'not known' ? 'Which plastic it is nobody knows: how warm it may get is a guess' : `${plastic} is not pressed flat in warm water`}.`,
          }
        : ({ ...guessed('mended: warm and press'), notes: [`Water at ${at} °C, no warmer.`] } as Judged);
    }
    case 'polish':
      return guessed('mended: polish');
    case 'warm and lift':
      return lifted(damage);
    case 'new film':
      return {
        ...guessed('mended: new film'),
        notes: ['Only a flaw of the film goes with it; one in the glass stays.'],
      } as Judged;
    case 'set of feet':
      return guessed('mended: set of feet');
    case 'part and redo':
      return guessed('mended: part and redo');
  }
}

const LIFTED: Record<WindowGlue, AssumptionName> = {
  tape: 'lifted: tape',
  'soft glue': 'lifted: soft glue',
  'hard glue': 'lifted: hard glue',
  'not known': 'lifted: not known',
};
/** Warmth that glue lets go at and no plastic minds, where nobody knows the plastic, °C. */
const HAND_WARM_C = 45;
/** So much under the warmth that a plastic is pressed at, its rim keeps its shape, K. */
const UNDER_PRESS = 10;

/** A window lifted warm: by what holds it, and no warmer than its plastic bears. */
function lifted({ windowGlue = 'not known', plastic }: Damage): Judged {
  const press = pressAt(plastic);
  const atC = press === null ? HAND_WARM_C : press - UNDER_PRESS;
  return {
    ...guessed(LIFTED[windowGlue]),
    notes: [
      windowGlue === 'hard glue'
        ? 'Hard glue does not let go warm: it mostly breaks. Leave it, or have another window first.'
        : `Warm the rim to ${atC} °C, no warmer${press === null ? ': as warm as a hand bears it' : ''}.`,
    ],
  } as Judged;
}

/** Ways that make a place as it was; what was too thin from the start breaks again so. */
const AS_IT_WAS: readonly MendWay[] = [
  'gel',
  'gel and soda',
  'putty behind',
  'solvent',
  'cast part',
  'donor part',
  'bought part',
];
/** Ways that make it stronger than it was. */
const STRONGER: readonly MendWay[] = ['metal part', 'printed part'];

/** What its kind does to a way: made as it was it wears out again. */
function worn(way: MendWay, odds: number, { wearsOut }: Damage): { odds: number; notes: string[] } {
  if (wearsOut && AS_IT_WAS.includes(way))
    return { odds: odds * assumed('made as it was'), notes: ['Made as it was, it breaks as it did.'] };
  if (wearsOut && way === 'printed part')
    return { odds, notes: ['Wider than the original; the record says that it is improved.'] };
  return { odds, notes: [] };
}

/** A straight shank of the same pitch in the old boss: the whole thread bites where a tapered one bit along half. */
function straightScrew(damage: Damage): Judged {
  const held = screwed(damage, null);
  if (!held) return { why: 'Say how wide boss, hole and screw are: then it can be worked out.' };
  if (held.capacityN === 0) return { why: 'In this hole its thread finds nothing to bite: fill the hole first.' };
  return { held, notes: ['A straight shank of the same pitch, where a tapered one stripped it.'] };
}

/** The figures that a way is done by on a break: drill, depth, torque, warmth, a line each. */
export function figuresOf(way: MendWay, damage: Damage): string[] {
  const found = judged(way, damage);
  return 'why' in found ? [] : [...(found.held?.working ?? []), ...(found.notes ?? [])];
}

/** When its glue may be loaded, at 20 °C; what has none has the clock of its steps. */
export const waitOf = (way: MendWay): number =>
  Math.max(0, ...MEND[way].steps.map(({ glue, minutes = 0 }) => (glue ? GLUES[glue].cureMin : minutes)));

/** The chance of a way, moved by what this workshop saw of it. */
export function oddsOfMend(way: MendWay, odds: number, tried: readonly MendTried[]): { odds: number; from: number } {
  const own = tried.filter((one) => one.way === way);
  const held = own.filter(({ outcome }) => outcome !== 'does not hold').length;
  const weight = assumed('weight of a guessed repair');
  return { odds: (weight * odds + held) / (weight + own.length), from: own.length };
}

/**
 * All ways that can work on a break, the one that counts least first, and those that were ruled out.
 *
 * @param hourMinor what an hour of hands counts for, minor units; 0 where nobody said
 */
export function chooseRepair(
  damage: Damage,
  {
    school,
    tried,
    stores,
    hourMinor,
  }: { school: MendSchool; tried: readonly MendTried[]; stores: readonly Stored[]; hourMinor: number },
): Choice {
  const options: MendOption[] = [];
  const out: RuledOut[] = [];
  const names = stores.map(({ name }) => name.toLowerCase());
  for (const way of MEND_WAYS) {
    const words = MEND[way];
    if (!words.for.includes(damage.kind)) continue;
    const found = judged(way, damage);
    if ('why' in found) {
      out.push({ way, why: found.why });
      continue;
    }
    const kind = worn(way, found.odds ?? found.held!.odds, damage);
    const own = oddsOfMend(way, kind.odds, tried);
    const missing = words.takes.filter((word) => !names.some((name) => name.includes(word)));
    const option = {
      ...{ way, held: found.held, ...own, minutes: words.minutes, waitMin: waitOf(way), missing },
      ...{ costMinor: words.costMinor, notes: [...(found.notes ?? []), ...kind.notes] },
    };
    options.push({ ...option, counts: countsFor(option, damage, school, hourMinor) });
  }
  // Of a kind that wears out the stronger make is offered first, unless little is to be changed.
  const stronger = damage.wearsOut && school === 'strong and hidden' ? STRONGER : [];
  // What is in the way of use is not proposed to be left.
  const last = IN_THE_WAY.includes(damage.kind) ? 'leave' : null;
  options.sort(
    (a, b) =>
      Number(a.way === last) - Number(b.way === last) ||
      Number(stronger.includes(b.way)) - Number(stronger.includes(a.way)) ||
      a.counts - b.counts,
  );
  return { options, out };
}

/** What a way counts for in minutes of hands: its own, its money, its waiting, what it shows, what it takes from the original, and that it fails. */
function countsFor(
  { way, odds, minutes, waitMin, costMinor, missing }: Omit<MendOption, 'counts'>,
  { seen, load }: Damage,
  school: MendSchool,
  hourMinor: number,
): number {
  const { look, original, undone } = MEND[way];
  const honest = school === 'honest';
  const money = hourMinor > 0 ? (60 * costMinor) / hourMinor : 0;
  const shown = seen ? LOOKS.indexOf(look) * assumed('a look') * (honest ? 0.5 : 1) : 0;
  const kept = ORIGINALS.indexOf(original) * assumed('the original') * (honest ? 1 : 0.25);
  const final = undone === 'no' && honest ? assumed('not to be undone') : 0;
  const fails = (1 - odds) * assumed('a second break') * (load === 'nothing' && honest ? 0.5 : 1);
  return (
    minutes +
    money +
    (waitMin / 1440) * assumed('a day of waiting') +
    shown +
    kept +
    final +
    fails +
    missing.length * assumed('a thing to buy')
  );
}

/** Whether it is likely enough to hold to be called so, in a word. */
export const verdictOf = (odds: number): 'holds' | 'may hold' | 'does not hold' =>
  odds >= assumed('holds from') ? 'holds' : odds >= 0.5 ? 'may hold' : 'does not hold';

/** Whether the end of a crack is drilled so that it runs no further, and why. */
export function crackEnd({ kind, load, seen, wallMm }: Damage): string | null {
  if (kind !== 'crack') return null;
  if (load === 'nothing') return 'Its end is not drilled: nothing pulls at it, and a hole is seen for ever.';
  if (seen && wallMm < assumed('wall worth a hole'))
    return 'Its end is not drilled: in so thin a wall that is seen the hole weakens more than it stops.';
  return 'Drill its end, 1 mm, where it stops under a lamp held behind: a round hole does not run on under load.';
}

import { Refusal } from '../refusal';
import type { PieceSize } from '../size';
import { sunAndUv, type Place } from '../sun/day';
import { isShaded, skyShare, type Obstacle } from '../sun/horizon';
import { diffuseShare } from '../sun/uvIndex';
import { amountWords, type UnitSystem } from '../units';

export const FACES = ['top', 'front', 'right', 'back', 'left'] as const;
type Face = (typeof FACES)[number];
export const EDGES = ['front', 'right', 'back', 'left'] as const;
type Edge = (typeof EDGES)[number];

/** How a piece lies: where its front points, and which edge is propped up, if any. */
interface Pose {
  /** Degrees clockwise from north. */
  headingDeg: number;
  raised: Edge | null;
}

/** Length is left to right, width front to back and height as the piece lies. */
export interface TurnPlanInput extends PieceSize {
  place: Place;
  start: Date;
  durationMin: number;
  turnEveryMin: number;
  cloudFraction: number;
  /** What stands in the way of the sun. */
  shading: readonly Obstacle[];
  /** How far an edge may be propped up, degrees; 0 where it has to lie flat (a bath, a bag). */
  leanDeg: number;
}

type FaceDoses = Record<Face, number>;

interface Lying {
  /** Dose of each face over the whole session without film, UVI·h. */
  doses: FaceDoses;
  /** Least to most exposed of the faces that count, 0 to 1. */
  evenness: number;
}

export interface Turn extends Pose {
  /** ISO 8601, UTC. */
  from: string;
  to: string;
  /** Height under the raised edge, mm. */
  propMm: number;
}

export interface TurnPlan extends Lying {
  turns: Turn[];
  neverTurned: Lying & { headingDeg: number };
  /** Faces that count: a side thinner than a cap's skirt does not. */
  faces: Face[];
  notes: string[];
}

const RAD = Math.PI / 180;
const HEADINGS = [0, 45, 90, 135, 180, 225, 270, 315];
/** A side lower than this is an edge, not a face. */
const THIN_MM = 8;
/** The sun is not divided by its height below this: the air takes nearly all of its beam there. */
const LOWEST_SUN_DEG = 3;
const MOST_TURNS = 48;
const SAMPLE_MIN = 5;
/** Turning less is worth this much of the evenness. */
const LESS_WORK = 0.002;

/** Direction that a face looks: degrees from north and above the horizon. */
function lookOf(face: Face, { headingDeg, raised }: Pose, leanDeg: number): { azimuthDeg: number; upDeg: number } {
  const sideAt = (edge: Edge) => headingDeg + 90 * EDGES.indexOf(edge);
  if (raised === null)
    return face === 'top' ? { azimuthDeg: headingDeg, upDeg: 90 } : { azimuthDeg: sideAt(face), upDeg: 0 };
  // The raised edge looks up, the one across looks down, and the top leans over towards that.
  const towards = sideAt(raised) + 180;
  if (face === 'top') return { azimuthDeg: towards, upDeg: 90 - leanDeg };
  if (face === raised) return { azimuthDeg: sideAt(face), upDeg: leanDeg };
  return { azimuthDeg: sideAt(face), upDeg: (sideAt(face) - towards) % 360 === 0 ? -leanDeg : 0 };
}

interface Light {
  /** UV index square to the sun's beam. */
  beam: number;
  /** UV index of the whole sky on a flat surface. */
  diffuse: number;
  elevationDeg: number;
  azimuthDeg: number;
}

function lightAt({ place, cloudFraction, shading }: TurnPlanInput, time: Date, sky: number): Light {
  const { elevationDeg, azimuthDeg, uvIndex } = sunAndUv(place, time, cloudFraction);
  const share = diffuseShare(elevationDeg, cloudFraction);
  const beam = isShaded(shading, azimuthDeg, elevationDeg)
    ? 0
    : (uvIndex * (1 - share)) / Math.sin(Math.max(LOWEST_SUN_DEG, elevationDeg) * RAD);
  return { beam, diffuse: uvIndex * share * sky, elevationDeg, azimuthDeg };
}

/**
 * UV index on a face: beam · max(0, n·s) + diffuse · (1 + cos tilt)/2.
 */
function uvOn(face: Face, pose: Pose, leanDeg: number, { beam, diffuse, elevationDeg, azimuthDeg }: Light): number {
  const look = lookOf(face, pose, leanDeg);
  const [up, high] = [look.upDeg * RAD, elevationDeg * RAD];
  const cosine =
    Math.sin(up) * Math.sin(high) + Math.cos(up) * Math.cos(high) * Math.cos((look.azimuthDeg - azimuthDeg) * RAD);
  return beam * Math.max(0, cosine) + (diffuse * (1 + Math.sin(up))) / 2;
}

/** Doses of every counted face, for every turn and pose: the table that the search works on. */
export interface DoseTable {
  faces: Face[];
  poses: Pose[];
  /** `table[turn][pose][face]`, UVI·h. */
  table: number[][][];
  slots: { from: Date; to: Date }[];
}

/** What each pose would bring to each face in each stretch between two turns. */
export function doseTable(input: TurnPlanInput): DoseTable {
  const { start, durationMin, turnEveryMin, heightMm, leanDeg, shading } = input;
  const faces: Face[] = heightMm < THIN_MM ? ['top'] : [...FACES];
  const poses = [null, ...(leanDeg > 0 ? EDGES : [])].flatMap((raised) =>
    HEADINGS.map((headingDeg): Pose => ({ headingDeg, raised })),
  );
  const count = Math.min(MOST_TURNS, Math.max(1, Math.ceil(durationMin / turnEveryMin)));
  const end = start.getTime() + durationMin * 60_000;
  const at = (i: number) => new Date(Math.min(end, start.getTime() + i * turnEveryMin * 60_000));
  const slots = Array.from({ length: count }, (_, i) => ({
    from: at(i),
    to: i === count - 1 ? new Date(end) : at(i + 1),
  }));
  const sky = skyShare(shading);
  const table = slots.map(({ from, to }) => {
    const ms = to.getTime() - from.getTime();
    const samples = Math.max(1, Math.round(ms / 60_000 / SAMPLE_MIN));
    const hours = ms / 3_600_000 / samples;
    const lights = Array.from({ length: samples }, (_, i) =>
      lightAt(input, new Date(from.getTime() + ((i + 0.5) * ms) / samples), sky),
    );
    return poses.map((pose) =>
      faces.map((face) => lights.reduce((sum, light) => sum + hours * uvOn(face, pose, leanDeg, light), 0)),
    );
  });
  return { faces, poses, table, slots };
}

/** Least to most of a row of doses; 0 in the dark. */
export function evennessOf(doses: readonly number[]): number {
  const most = Math.max(...doses);
  return most > 0 ? Math.min(...doses) / most : 0;
}

const sumOf = (table: number[][][], chosen: readonly number[]): number[] =>
  table[0]![0]!.map((_, face) => chosen.reduce((sum, pose, turn) => sum + table[turn]![pose]![face]!, 0));

/** So few turns are also exchanged three at a time: under an even sky one or two gain nothing where three do. */
const MOST_IN_THREES = 5;

/** Starts whose pairs of turns are exchanged too: all of them in a short session, the best one in a long one. */
const pairedStarts = (turns: number): number => (turns <= 5 ? Infinity : turns <= 12 ? 2 : 1);

/**
 * Poses whose least exposed face comes nearest to the most exposed: greedy starts, then one pose and two poses at a
 * time are exchanged until nothing gains, in a short session three (up to three turns nothing is better). Deterministic.
 */
export function evenestPoses({ table, poses }: DoseTable): number[] {
  const searches: Exchange[] = [];
  for (let begin = 0; begin < poses.length; begin += 4) {
    const search = new Exchange(table, greedy(table, poses.length, begin));
    while (search.singles());
    searches.push(search);
  }
  searches.sort((a, b) => b.worth - a.worth);
  for (const search of searches.slice(0, pairedStarts(table.length))) while (search.pairs() && search.singles());
  const found = searches.reduce((best, search) => (search.worth > best.worth ? search : best));
  if (table.length <= MOST_IN_THREES) while (found.threes());
  return found.chosen;
}

/** Turn by turn the pose that leaves the doses so far evenest. */
function greedy(table: number[][][], count: number, begin: number): number[] {
  const chosen = [begin];
  const sums = [...table[0]![begin]!];
  for (let turn = 1; turn < table.length; turn++) {
    let [best, found] = [0, -1];
    for (let pose = 0; pose < count; pose++) {
      const even = evennessOf(sums.map((sum, face) => sum + table[turn]![pose]![face]!));
      if (even > found) [best, found] = [pose, even];
    }
    chosen.push(best);
    table[turn]![best]!.forEach((dose, face) => (sums[face] = sums[face]! + dose));
  }
  return chosen;
}

/** A row of poses that is bettered by exchange; the doses of its faces are kept up with each change. */
class Exchange {
  chosen: number[];
  worth: number;
  private sums: number[];
  private tried: number[];

  constructor(
    private readonly table: number[][][],
    from: readonly number[],
  ) {
    this.chosen = [...from];
    this.sums = sumOf(table, from);
    this.tried = [...this.sums];
    this.worth = this.worthWith(this.sums, []);
  }

  /** Evenness, less a little for every time that the piece is moved. */
  private worthWith(sums: readonly number[], changed: readonly (readonly [turn: number, pose: number])[]): number {
    const { chosen } = this;
    const before = changed.map(([turn]) => chosen[turn]!);
    changed.forEach(([turn, pose]) => (chosen[turn] = pose));
    let moves = 0;
    for (let turn = 1; turn < chosen.length; turn++) if (chosen[turn] !== chosen[turn - 1]) moves++;
    changed.forEach(([turn], i) => (chosen[turn] = before[i]!));
    return evennessOf(sums) - (LESS_WORK * moves) / Math.max(1, chosen.length - 1);
  }

  /** Takes a change where it gains. */
  private gains(changed: readonly (readonly [turn: number, pose: number])[]): boolean {
    const { sums, tried, table, chosen } = this;
    for (let face = 0; face < sums.length; face++) {
      let sum = sums[face]!;
      for (const [turn, pose] of changed) sum += table[turn]![pose]![face]! - table[turn]![chosen[turn]!]![face]!;
      tried[face] = sum;
    }
    // Most changes do not even come near: the moves are counted only where the light says yes.
    if (evennessOf(tried) <= this.worth) return false;
    const worth = this.worthWith(tried, changed);
    if (worth <= this.worth + 1e-9) return false;
    this.worth = worth;
    changed.forEach(([turn, pose]) => (chosen[turn] = pose));
    [this.sums, this.tried] = [tried, sums];
    return true;
  }

  singles(): boolean {
    let gained = false;
    for (let turn = 0; turn < this.table.length; turn++)
      for (let pose = 0; pose < this.table[turn]!.length; pose++) if (this.gains([[turn, pose]])) gained = true;
    return gained;
  }

  pairs(): boolean {
    let gained = false;
    for (let a = 0; a < this.table.length; a++)
      for (let b = a + 1; b < this.table.length; b++)
        for (let pose = 0; pose < this.table[a]!.length; pose++) if (this.pairWith(a, pose, b)) gained = true;
    return gained;
  }

  /** Two turns are given poses, and every pose is tried for a third. */
  threes(): boolean {
    const { table } = this;
    let gained = false;
    for (let a = 0; a < table.length; a++)
      for (let b = a + 1; b < table.length; b++)
        for (let c = b + 1; c < table.length; c++)
          for (let first = 0; first < table[a]!.length; first++)
            for (let second = 0; second < table[b]!.length; second++)
              for (let third = 0; third < table[c]!.length; third++)
                if (
                  this.gains([
                    [a, first],
                    [b, second],
                    [c, third],
                  ])
                )
                  gained = true;
    return gained;
  }

  /** One turn is given a pose, and every pose is tried for another. */
  private pairWith(a: number, pose: number, b: number): boolean {
    const { sums, table, chosen } = this;
    const [first, old, second] = [table[a]![pose]!, table[a]![chosen[a]!]!, table[b]!];
    const without = sums.map((sum, face) => sum + first[face]! - old[face]! - second[chosen[b]!]![face]!);
    for (let other = 0; other < second.length; other++) {
      const brought = second[other]!;
      let [least, most] = [Infinity, 0];
      for (let face = 0; face < without.length; face++) {
        const sum = without[face]! + brought[face]!;
        if (sum < least) least = sum;
        if (sum > most) most = sum;
      }
      if (
        least > this.worth * most &&
        this.gains([
          [a, pose],
          [b, other],
        ])
      )
        return true;
    }
    return false;
  }
}

/**
 * Which way a piece should point at each turn, so that its least exposed face comes as near to the most exposed as
 * can be; against laying it down once, its front to the sun.
 *
 * @throws Refusal for turns that are no turns, or a session without length
 */
export function turnPlan(input: TurnPlanInput): TurnPlan {
  const { durationMin, turnEveryMin, leanDeg, lengthMm, widthMm } = input;
  if (durationMin <= 0) throw new Refusal('durationMin', 'A session needs a length: give its minutes.');
  if (turnEveryMin < 5)
    throw new Refusal('turnEveryMin', 'Nobody turns a piece more often than every 5 min. Give 5 or more.');
  const known = doseTable(input);
  const chosen = evenestPoses(known);
  const turns = known.slots.map(({ from, to }, i): Turn => {
    const pose = known.poses[chosen[i]!]!;
    const across = pose.raised === 'front' || pose.raised === 'back' ? widthMm : lengthMm;
    return {
      ...pose,
      from: from.toISOString(),
      to: to.toISOString(),
      propMm: pose.raised === null ? 0 : Math.round(across * Math.sin(leanDeg * RAD)),
    };
  });
  const first = sunAndUv(input.place, input.start);
  const still = HEADINGS.reduce((near, heading) =>
    apart(heading, first.azimuthDeg) < apart(near, first.azimuthDeg) ? heading : near,
  );
  const never = known.poses.findIndex(({ headingDeg, raised }) => raised === null && headingDeg === still);
  const lying = (poses: readonly number[]): Lying => {
    const sums = sumOf(known.table, poses);
    const doses = Object.fromEntries(FACES.map((face) => [face, sums[known.faces.indexOf(face)] ?? 0])) as FaceDoses;
    return { doses, evenness: evennessOf(sums) };
  };
  const plan = lying(chosen);
  return {
    ...plan,
    turns,
    neverTurned: { ...lying(known.slots.map(() => never)), headingDeg: still },
    faces: known.faces,
    notes: notesOn(plan, known, input),
  };
}

const apart = (a: number, b: number) => Math.abs(((a - b + 540) % 360) - 180);

function notesOn(
  { doses, evenness }: Lying,
  { faces, slots }: DoseTable,
  { durationMin, turnEveryMin, shading }: TurnPlanInput,
): string[] {
  const notes: string[] = [];
  if (Math.max(...FACES.map((face) => doses[face])) < 0.05)
    notes.push(
      shading.length > 0
        ? 'No sun reaches it then: night, or the horizon that you drew shuts it out. Choose another hour or another place.'
        : 'No sun reaches it then: night, winter or polar night. Choose another hour, a lamp or vapour.',
    );
  else if (faces.length === 1)
    notes.push('So flat that only its upper face counts: turning keeps the film even, not the light.');
  else if (evenness < 0.8) {
    const least = faces.reduce((low, face) => (doses[face] < doses[low] ? face : low));
    notes.push(
      `The ${least} still gets ${Math.round(100 * evenness)} % of the most exposed face. Give it a session of its own, or turn more often.`,
    );
  }
  if (durationMin / turnEveryMin > slots.length)
    notes.push(`Planned for ${MOST_TURNS} turns; go on in the same order after that.`);
  return notes;
}

const COMPASS = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'] as const;

/** A direction in words. */
export const compass = (deg: number): string => COMPASS[Math.round((((deg % 360) + 360) % 360) / 45) % 8]!;

/** What to do at a turn, in words. */
export function turnWords(
  { headingDeg, raised, propMm }: Pick<Turn, 'headingDeg' | 'raised' | 'propMm'>,
  units: UnitSystem = 'metric',
): string {
  const lies = raised === null ? 'flat' : `${raised} edge propped up ${amountWords(propMm, 'mm', 0, units)}`;
  return `Front to the ${compass(headingDeg)}, ${lies}`;
}

import type { Caution } from '../../peroxide/cautions';
import { BREAKS, type Break } from './damage';
import type { GlueName } from './glues';

/** Ways to bring a broken place back, or to leave it. */
export const MEND_WAYS = [
  'leave',
  'gel',
  'gel and soda',
  'putty behind',
  'solvent',
  'plate behind',
  'pin',
  'sleeve',
  'metal part',
  'printed part',
  'cast part',
  'donor part',
  'bought part',
  'warm and press',
  'polish',
  'warm and lift',
  'new film',
  'set of feet',
  'part and redo',
] as const;
export type MendWay = (typeof MEND_WAYS)[number];

export const MEND_OUTCOMES = ['holds', 'holds, with a flaw', 'does not hold'] as const;
export type MendOutcome = (typeof MEND_OUTCOMES)[number];

/** How it looks from in front, the best first. */
export const LOOKS = ['as it was', 'a hair line', 'a line or a spot', 'another part, other colour'] as const;
export type Look = (typeof LOOKS)[number];

/** How much of the piece is still what the maker made. */
export const ORIGINALS = ['all of it', 'all of it, something added', 'most of it', 'replaced'] as const;
export type Original = (typeof ORIGINALS)[number];

export const LOOK_WORDS: Record<Look, string> = {
  'as it was': 'looks as it was',
  'a hair line': 'a hair line is seen',
  'a line or a spot': 'a line or a spot is seen',
  'another part, other colour': 'another part, its colour is another',
};
export const ORIGINAL_WORDS: Record<Original, string> = {
  'all of it': 'all of it stays original',
  'all of it, something added': 'all of it stays, something is added',
  'most of it': 'most of it stays original',
  replaced: 'this part is no longer original',
};

/** A step of the hands; its caution is read before it, its clock begins with it. */
export interface MendStep {
  words: string;
  caution?: Caution['id'];
  /** The glue whose open time, handling time and full cure begin here. */
  glue?: GlueName;
  /** Minutes of a clock that is no glue’s. */
  minutes?: number;
}

export interface MendWords {
  title: string;
  /** Of hands. */
  minutes: number;
  /** Roughly, in minor units. */
  costMinor: number;
  /** What it takes that is used up or bought, by the word that its name in the stores holds. */
  takes: readonly string[];
  needs: readonly string[];
  look: Look;
  original: Original;
  /** Whether it comes apart again without harm. */
  undone: 'as it was' | 'with traces' | 'no';
  risk: string;
  steps: readonly MendStep[];
  /** How it is tried at the end. */
  check: string;
  clamp: string | null;
  for: readonly Break[];
}

export const MEND_CAUTIONS: Record<string, Caution> = {
  cyanoacrylate: {
    id: 'cyanoacrylate',
    severity: 'caution',
    hazard: 'Cyanoacrylate bonds skin and eyelids in seconds, and its fumes sting.',
    protection: 'glasses, air, nothing leaning over it; warm soapy water and patience where skin is bonded',
    never: 'Never onto cotton or wool: it gets hot enough to burn.',
  },
  putty: {
    id: 'putty',
    severity: 'caution',
    hazard: 'Unmixed resin and hardener make skin allergic for good.',
    protection: 'nitrile gloves, air; wet sanding only, so that no dust flies',
    never: 'Never with bare fingers, however quickly.',
  },
  solvent: {
    id: 'solvent',
    severity: 'strong',
    hazard: 'Solvents that melt plastic burn like petrol, and their vapour makes dizzy and harms.',
    protection:
      'outdoors or with air drawn off, gloves that the sheet names, glasses, no flame and nothing that sparks',
    never: 'Never near heat, never on plastic that is not known, never left open.',
  },
  drill: {
    id: 'drill',
    severity: 'caution',
    hazard: 'A drill that catches turns the piece, and chips fly.',
    protection: 'glasses, the piece held in a clamp with soft jaws, by hand or the slowest speed',
    never: 'Never with the piece in the other hand.',
  },
  'hot water': {
    id: 'hot water',
    severity: 'caution',
    hazard: 'Hot water scalds.',
    protection: 'gloves that keep water out, a thermometer, the tub on firm ground',
    never: 'Never lift a full tub of it.',
  },
  resin: {
    id: 'resin',
    severity: 'strong',
    hazard: 'Casting resin harms skin and lungs until it is hard, and it gets hot. A pot under pressure can burst.',
    protection: 'gloves, glasses, air drawn off; a pot that is rated for the pressure, its valve tried first',
    never: 'Never above the rating of the pot, never a pot that was made for something else.',
  },
  'warm air': {
    id: 'warm air',
    severity: 'caution',
    hazard: 'Hot air burns skin, and glass under stress breaks into shards.',
    protection: 'gloves and glasses, the dryer moving all the time, a hand’s breadth off',
    never: 'Never near a picture tube, a battery or anything wet with alcohol.',
  },
  blade: {
    id: 'blade',
    severity: 'caution',
    hazard: 'A blade slips, and cuts hand or ribbon.',
    protection: 'cut-proof glove on the hand that holds, glasses, the blade flat and pushed away from you',
    never: 'Never towards a hand, never into a ribbon.',
  },
  'alcohol on glue': {
    id: 'alcohol on glue',
    severity: 'caution',
    hazard: 'Alcohol burns with a flame that is hardly seen, and its vapour makes dizzy in an hour and a half.',
    protection: 'air, gloves, no flame and nothing that sparks, the display without power and batteries',
    never: 'Never onto clear acrylic or a coated screen: it clouds them.',
  },
  dust: {
    id: 'dust',
    severity: 'caution',
    hazard: 'Dust of plastic, glass fibre and putty harms lungs.',
    protection: 'sand wet, or a mask for fine dust; glasses',
    never: 'Never blow it off.',
  },
};

const DRY_FIT: MendStep = {
  words: 'Fit it dry first: it must close without force. Mark how it lies with tape across.',
};
const CLEAN: MendStep = {
  words: 'Clean both faces with alcohol and let them dry; never sand the faces of a clean break.',
};
const HIDDEN: MendStep = {
  words: 'Try it on scrap or on a hidden spot of the same plastic first, and look after an hour.',
};

export const MEND: Record<MendWay, MendWords> = {
  leave: {
    ...{ title: 'Leave it as it is', minutes: 2, costMinor: 0, takes: [], needs: [] },
    ...{ look: 'a line or a spot', original: 'all of it', undone: 'as it was' },
    risk: 'It may go on breaking where it is loaded.',
    steps: [{ words: 'Photograph it, and write down that it was left and why.' }],
    check: 'Keep the load off it.',
    clamp: null,
    for: BREAKS,
  },
  gel: {
    ...{ title: 'Gel cyanoacrylate in the break', minutes: 10, costMinor: 40, takes: ['cyanoacrylate'] },
    needs: ['gel cyanoacrylate', 'tape', 'isopropyl alcohol'],
    ...{ look: 'a hair line', original: 'all of it, something added', undone: 'with traces' },
    risk: 'Too much of it fogs the plastic round about and runs where it should not.',
    steps: [
      DRY_FIT,
      CLEAN,
      {
        words: 'A thin line of gel on one face only. Close it, hold it, do not move it again.',
        caution: 'cyanoacrylate',
        glue: 'gel',
      },
      { words: 'Wipe nothing while it is wet; what came out is shaved when it is hard.' },
    ],
    check: 'Bend it lightly over the break with two fingers: nothing opens, nothing clicks.',
    clamp: 'tape across, pulled tight',
    for: ['crack', 'broken off', 'loose', 'old glue'],
  },
  'gel and soda': {
    ...{ title: 'Cyanoacrylate with baking soda', minutes: 20, costMinor: 50, takes: ['cyanoacrylate'] },
    needs: ['thin cyanoacrylate', 'baking soda', 'tape as a dam', 'fine file'],
    ...{ look: 'a line or a spot', original: 'all of it, something added', undone: 'no' },
    risk: 'It sets at once and gets hot, and is harder than the plastic: filing it takes the plastic first.',
    steps: [
      CLEAN,
      { words: 'Tape as a dam behind the gap. Fill it with baking soda, a millimetre at a time.' },
      {
        words: 'Wet each layer with thin cyanoacrylate; it is hard within a second.',
        caution: 'cyanoacrylate',
        glue: 'gel',
      },
      { words: 'File it level when it is cool; drill it anew where a screw goes in.', caution: 'dust' },
    ],
    check: 'Press on it with a nail: nothing gives.',
    clamp: null,
    for: ['crack', 'chipped', 'stripped hole'],
  },
  'putty behind': {
    ...{
      title: 'Gel in the break, two-part putty behind',
      minutes: 30,
      costMinor: 200,
      takes: ['cyanoacrylate', 'putty'],
    },
    needs: ['gel cyanoacrylate', 'two-part putty', 'water', 'gloves'],
    ...{ look: 'a hair line', original: 'all of it, something added', undone: 'no' },
    risk: 'Putty that stands proud keeps the shell from closing.',
    steps: [
      DRY_FIT,
      CLEAN,
      { words: 'Gel on one face, close and hold.', caution: 'cyanoacrylate', glue: 'gel' },
      { words: 'Roughen the plastic behind, both sides of the break, and wipe it.', caution: 'dust' },
      {
        words: 'Knead the putty to one colour, press it over the break and smooth it with a wet finger in its glove.',
        caution: 'putty',
        glue: 'putty',
      },
    ],
    check: 'Bend it lightly over the break; then try whether the shell closes over the putty.',
    clamp: 'nothing: it lies flat until it is hard',
    for: ['crack', 'broken off', 'chipped', 'loose', 'stripped hole'],
  },
  solvent: {
    ...{ title: 'Solvent of the same plastic', minutes: 15, costMinor: 60, takes: ['solvent'] },
    needs: ['solvent for this plastic', 'fine brush', 'tape'],
    ...{ look: 'a hair line', original: 'all of it', undone: 'no' },
    risk: 'A drop on the face melts its texture for good; old plastic under stress crazes.',
    steps: [
      HIDDEN,
      DRY_FIT,
      {
        words:
          'Close it with tape, then let a little run into the break from behind; press until it wells up as a bead.',
        caution: 'solvent',
        glue: 'solvent',
      },
      { words: 'Leave it alone: it is soft long after it feels hard.' },
    ],
    check: 'Bend it lightly over the break: nothing opens.',
    clamp: 'tape or soft clamps, without twisting',
    for: ['crack', 'broken off'],
  },
  'plate behind': {
    ...{ title: 'Gel in the break, a plate glued behind', minutes: 40, costMinor: 150, takes: ['epoxy'] },
    needs: ['gel cyanoacrylate', 'two-part epoxy', 'plate of the same plastic, or glass-fibre board', 'abrasive 240'],
    ...{ look: 'a hair line', original: 'all of it, something added', undone: 'with traces' },
    risk: 'A plate in the way of a rib or a board keeps the shell from closing: try it dry.',
    steps: [
      DRY_FIT,
      { words: 'Cut the plate as long as the break and as wide as there is room; round its corners; try it dry.' },
      CLEAN,
      { words: 'Gel on one face of the break, close and hold.', caution: 'cyanoacrylate', glue: 'gel' },
      { words: 'Roughen plate and shell where they meet, wet; wipe and dry.', caution: 'dust' },
      { words: 'Epoxy on the plate, pressed down evenly.', caution: 'putty', glue: 'epoxy' },
    ],
    check: 'Bend it lightly over the break; then try whether the shell closes.',
    clamp: 'soft clamps, or a weight on a block',
    for: ['crack', 'broken off', 'loose'],
  },
  pin: {
    ...{ title: 'Drill and pin', minutes: 60, costMinor: 200, takes: ['epoxy', 'pin'] },
    needs: ['metal pin or rod', 'drill of the size that is named', 'two-part epoxy', 'tape as a stop on the drill'],
    ...{ look: 'a hair line', original: 'most of it', undone: 'no' },
    risk: 'A hole that runs out of line splits the stub: drill by hand, from small to full.',
    steps: [
      { words: 'Find the middle of both faces and mark it through one sheet of paper with the outline of the stub.' },
      { words: 'Start with half the size by hand, then the full drill, tape on it at the depth.', caution: 'drill' },
      { words: 'Put it together dry with the pin: it must turn and line up. Shorten the pin where it does not close.' },
      {
        words: 'Roughen the pin, wipe it, glue it into the stub and the stub onto its place.',
        caution: 'putty',
        glue: 'epoxy',
      },
    ],
    check: 'Move the hinge through its whole way by hand, then with half the weight, then with all.',
    clamp: 'tape in line; nothing that bends it',
    for: ['broken off'],
  },
  sleeve: {
    ...{ title: 'A sleeve over the boss', minutes: 30, costMinor: 80, takes: ['epoxy'] },
    needs: ['sleeve of metal or printed', 'two-part epoxy'],
    ...{ look: 'as it was', original: 'all of it, something added', undone: 'with traces' },
    risk: 'A sleeve that has to be forced on bursts the boss for good.',
    steps: [
      { words: 'Measure the boss over all, crack closed; the sleeve is larger by a tenth or two.' },
      { words: 'Try it dry: it slides on by hand, and clears what stands round it.' },
      { words: 'Glue into crack and round the boss, sleeve on with a turn.', caution: 'putty', glue: 'epoxy' },
    ],
    check: 'Turn the screw in by hand, to the torque that is named and no further.',
    clamp: 'the sleeve is the clamp',
    for: ['crack', 'stripped hole', 'broken off'],
  },
  'metal part': {
    ...{ title: 'A part of metal in its place', minutes: 90, costMinor: 400, takes: ['sheet metal'] },
    needs: ['sheet or bar', 'saw and files', 'screws or epoxy'],
    ...{ look: 'another part, other colour', original: 'replaced', undone: 'with traces' },
    risk: 'Metal that bears on plastic wears it: round its edges.',
    steps: [
      { words: 'Draw it from the twin or from its sizes (Make a part), print the sheet at 1:1, lay it on.' },
      { words: 'Saw, file, round every edge.', caution: 'dust' },
      { words: 'Try it dry, then fix it.' },
    ],
    check: 'Move it through its whole way ten times.',
    clamp: null,
    for: ['broken off', 'missing', 'stripped hole'],
  },
  'printed part': {
    ...{ title: 'A printed part', minutes: 45, costMinor: 150, takes: ['filament'] },
    needs: ['printer, or somebody with one', 'fine file'],
    ...{ look: 'another part, other colour', original: 'replaced', undone: 'as it was' },
    risk: 'It breaks along its layers: lay it so that the load does not pull them apart.',
    steps: [
      { words: 'Draw it under Make a part and try the first one before its twin is printed.' },
      { words: 'Take the burrs off, try it dry, file until it goes in without force.', caution: 'dust' },
    ],
    check: 'In and out ten times; then under its load for a day.',
    clamp: null,
    for: ['broken off', 'missing', 'foot worn or gone'],
  },
  'cast part': {
    ...{ title: 'A cast from a good one', minutes: 150, costMinor: 1200, takes: ['silicone', 'resin'] },
    needs: ['a good twin', 'silicone', 'casting resin', 'release agent', 'pigment'],
    ...{ look: 'a line or a spot', original: 'replaced', undone: 'as it was' },
    risk: 'Without release agent the halves bond for ever; tint mostly lands too bright.',
    steps: [
      {
        words: 'Box, silicone, release agent, resin: by the amounts of the sum Mould and cast.',
        caution: 'resin',
        minutes: 24 * 60,
      },
      { words: 'Trim it, try it dry.', caution: 'dust' },
    ],
    check: 'Beside its twin under the same light; then in its place.',
    clamp: null,
    for: ['broken off', 'missing', 'foot worn or gone'],
  },
  'donor part': {
    ...{ title: 'The part of a donor', minutes: 30, costMinor: 500, takes: ['donor'] },
    needs: ['a donor of the same family'],
    ...{ look: 'another part, other colour', original: 'replaced', undone: 'as it was' },
    risk: 'It is as old as the one that broke, and its yellow is another.',
    steps: [
      { words: 'Hold it beside the old one: holes, height, hand.' },
      { words: 'Take it out of the donor as carefully as from the machine; write down what came from where.' },
    ],
    check: 'Move it through its whole way; look at it beside its neighbour.',
    clamp: null,
    for: ['broken off', 'missing', 'window clouded', 'warped', 'window to come out', 'film burnt', 'foot worn or gone'],
  },
  'bought part': {
    ...{ title: 'A part that is bought', minutes: 15, costMinor: 800, takes: ['part'] },
    needs: ['the part'],
    ...{ look: 'another part, other colour', original: 'replaced', undone: 'as it was' },
    risk: 'Its colour never quite matches.',
    steps: [{ words: 'Compare sizes before anything of the old one is thrown away. Keep the old one in its bag.' }],
    check: 'In its place and moved ten times.',
    clamp: null,
    for: ['missing', 'stripped hole', 'loose', 'window clouded', 'window to come out'],
  },
  'warm and press': {
    ...{ title: 'Warm water and flat weights', minutes: 25, costMinor: 0, takes: [] },
    needs: ['warm water', 'thermometer', 'two flat boards', 'weights'],
    ...{ look: 'as it was', original: 'all of it', undone: 'as it was' },
    risk: 'Too warm, and it bends where it never was bent; too quick, and old plastic cracks.',
    steps: [
      { words: 'Hold it beside another first: some things are meant to be bent.' },
      { words: 'Water at the warmth that is named, ten minutes, the whole piece under.', caution: 'hot water' },
      { words: 'Between boards with weights, and leave it there until it is cold through.', minutes: 120 },
    ],
    check: 'On a flat plate: measure the gap under it again after a day.',
    clamp: 'flat boards and weights',
    for: ['warped'],
  },
  polish: {
    ...{ title: 'The polish ladder', minutes: 40, costMinor: 60, takes: ['polish'] },
    needs: ['plastic polish', 'fine abrasive 2000 and 3000', 'soft cloth', 'water'],
    ...{ look: 'a hair line', original: 'all of it', undone: 'no' },
    risk: 'Haze goes, deep scratches stay; print on the window goes with the polish.',
    steps: [
      { words: 'Tape over print and edges. Polish alone on a corner first: often it is enough.' },
      { words: 'Only where it is not: wet 2000, then 3000, crosswise, then polish again.', caution: 'dust' },
      { words: 'Stop when what is left can be felt with a nail: that is too deep to take out.' },
    ],
    check: 'Look through it at print: sharp from where the eye is in use.',
    clamp: null,
    for: ['window clouded'],
  },
  'warm and lift': {
    ...{ title: 'Warm the rim and lift the window', minutes: 45, costMinor: 200, takes: ['mounting tape'] },
    needs: ['hair dryer', 'thin plastic card', 'stout blade', 'waxed paper', 'soap', 'thin mounting tape'],
    ...{ look: 'a line or a spot', original: 'all of it', undone: 'no' },
    risk: 'Glue that is not the maker’s does not let go, and the window breaks. The rim will be better, not perfect.',
    steps: [
      { words: 'Photograph it, both sides. Say to whoever owns it that it may break, before it is touched.' },
      { words: 'Board, ribbons and batteries are out of the way; what is printed on the window is known.' },
      {
        words: 'Warm the rim, round and round, to the warmth that is named: the glue softens, not the window.',
        caution: 'warm air',
      },
      {
        words:
          'A card into the corner that gives, and along, slowly. Where it resists strongly: stop. That is foreign glue, and the next push breaks it.',
      },
      { words: 'Lay it face down on waxed paper, so that its own glue stays alive.' },
      {
        words:
          'What is left on the rim: shards and glue with a stout blade, five minutes a good part, fifteen all of it; soap and water, then a finer pass.',
        caution: 'blade',
      },
      { words: 'Back with its own glue or with thin tape laid close to the edge; pressed for a minute all round.' },
    ],
    check: 'Hold the case upside down and shake it once over a cloth; look along it: no gap.',
    clamp: 'books on a cloth, overnight',
    for: ['window to come out'],
  },
  'new film': {
    ...{
      title: 'A new polarising film',
      minutes: 150,
      costMinor: 700,
      takes: ['polarising film', 'isopropyl alcohol'],
    },
    needs: ['polarising film, larger than the glass', 'blade', 'isopropyl alcohol', 'cotton swabs', 'lint-free wipes'],
    ...{ look: 'as it was', original: 'all of it, something added', undone: 'no' },
    risk: 'It goes on once. A cut ribbon or cracked glass ends the display; a bubble means doing it again.',
    steps: [
      {
        words:
          'Look first: is the flaw in the film or in the glass? Only what lies in the film goes with it. Photograph the display running.',
      },
      { words: 'Mark on the old film which edge is up, and the way its lines run if another film shows it dark.' },
      {
        words: 'Lift a corner of the old film and go round slowly, flat; nothing bends, nothing goes into the ribbon.',
        caution: 'blade',
      },
      {
        words:
          'The glue: alcohol, swabs, a fresh one for each patch, until the glass squeaks. It takes about 90 minutes.',
        caution: 'alcohol on glue',
      },
      {
        words:
          'Hold the new film over the bare, running display and turn it: dark digits on light, or light on dark. Mark the edge that is up; see which side has glue, and whether the glass is scratched.',
      },
      { words: 'Cut it a hair larger than the glass on two sides. No fingers on either face.' },
      { words: 'Dust off, film off its paper, one edge down, and rolled on from there. Once: it is not lifted again.' },
      {
        words:
          'Try it in a loose assembly with batteries, through the contrast’s whole range. Only then is it washed and closed; the protective film comes off last.',
      },
    ],
    check: 'Every segment, in even light and against the window, at both ends of the contrast.',
    clamp: null,
    for: ['film burnt'],
  },
  'set of feet': {
    ...{ title: 'Four new feet, as a set', minutes: 25, costMinor: 400, takes: ['feet'] },
    needs: ['four feet of one kind', 'isopropyl alcohol', 'caliper'],
    ...{ look: 'a line or a spot', original: 'replaced', undone: 'as it was' },
    risk: 'One that is higher than its fellows makes the machine rock; soft ones stick to a varnished table.',
    steps: [
      {
        words:
          'Measure a sound one: height, width, hole, how it is held. The new ones are as high to half a millimetre.',
      },
      { words: 'Old ones off; glue that is left with alcohol, on a hidden spot first.' },
      { words: 'Measure the new four, and set them by Four feet so that the case does not rock.' },
      { words: 'On, pressed for a minute each. The old ones go into a bag with the machine’s name.' },
    ],
    check: 'On a flat table: press each corner in turn; nothing knocks.',
    clamp: null,
    for: ['foot worn or gone'],
  },
  'part and redo': {
    ...{ title: 'Take the old glue off and do it anew', minutes: 60, costMinor: 60, takes: ['isopropyl alcohol'] },
    needs: ['isopropyl alcohol', 'plastic scraper', 'patience'],
    ...{ look: 'a hair line', original: 'all of it', undone: 'with traces' },
    risk: 'Glue that is stronger than the plastic takes plastic with it.',
    steps: [
      { words: 'Name the glue: brittle and clear, rubbery, or hard and coloured. Try alcohol on an edge of it.' },
      { words: 'Let it soak under a wet wipe, work a plastic edge in; nothing is pried that does not move.' },
      { words: 'What is clean now is a new break: enter it, and choose for it.' },
    ],
    check: 'Both faces clean and dry.',
    clamp: null,
    for: ['old glue'],
  },
};

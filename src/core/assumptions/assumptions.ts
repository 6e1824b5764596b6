/**
 * How sure a number is that decides advice: a law of nature, a figure of handbooks or standards, a convention that Kvell
 * takes, or a guess that stands until the workshop's own record says better.
 */
export const STANDINGS = ['law', 'handbook', 'convention', 'guess'] as const;
export type Standing = (typeof STANDINGS)[number];

export interface Assumption {
  value: number;
  unit: string;
  /** What it decides, as a sentence that the value completes. */
  what: string;
  source: string;
  standing: Standing;
}

const CRAFT = 'What people at benches see, put into figures by Kvell.';
const OWN = 'Kvell’s own weighing.';

const a = (
  value: number,
  unit: string,
  what: string,
  standing: Standing,
  source = standing === 'guess' ? CRAFT : OWN,
): Assumption => ({
  value,
  unit,
  what,
  source,
  standing,
});

/**
 * Every number that decides advice and is no measurement: in one place, each with its standing. A test names for each a
 * case that it decides.
 */
export const ASSUMPTIONS = {
  'fade of cream': a(0.06, 'of the yellow per UVI·h', 'Cream and film takes at first', 'guess'),
  'fade of bag and bath': a(0.04, 'of the yellow per UVI·h', 'Bag and bath take at first', 'guess'),
  'fade of a strong bath': a(0.1, 'of the yellow per UVI·h', 'A bath over 12 % takes at first', 'guess'),
  'fade of oxygen soak': a(0.015, 'of the yellow per hour at 25 °C', 'Warm oxygen-bleach soak takes at first', 'guess'),
  'fade of vapour': a(0.04, 'of the yellow per hour at 25 °C', 'Vapour takes at first', 'guess'),
  strength: a(
    0.6,
    'as a power of the strength',
    'How fast it works goes with',
    'guess',
    'A guess between the usual rates of 6, 12 and 35 %.',
  ),
  'cream dries': a(60, 'min', 'Without film, cream works for', 'guess'),
  'dose of the sun': a(0.2, 'of the dose', 'A dose worked out from the sky may be off by', 'guess'),
  'dose of a lamp': a(0.1, 'of the dose', 'A dose by a stated lamp may be off by', 'guess'),
  'dose of warmth': a(0.15, 'of the dose', 'Hours at a stated temperature may be off by', 'guess'),
  'rest off the target': a(1, 'b*', 'A fade may come to rest above or below the hidden patch by', 'guess'),
  'a unit of yellow left': a(60, 'min of hands', 'A unit of b* that can be seen at the end counts for', 'convention'),
  'evening out': a(15, 'min of hands', 'Shading the pale parts of a session takes', 'guess'),
  'spread of fades': a(0.6, 'log standard deviation', 'A first rate may be off by', 'guess'),
  'spread of workshops': a(
    0.7,
    'log standard deviation',
    'A workshop’s usual rate lies about the first guess within',
    'guess',
  ),
  'spread of pieces': a(0.5, 'log standard deviation', 'Pieces of one workshop differ from each other by', 'guess'),
  'a measured b*': a(
    0.6,
    'b*',
    'One measurement with a card is good to',
    'guess',
    'The simulated camera under noise, tilt and five kinds of light.',
  ),
  'a day of waiting': a(20, 'min of hands', 'Between two ways a day of waiting counts for', 'convention'),
  'a unit of uneven b*': a(15, 'min of hands', 'Between two ways a unit of uneven b* counts for', 'convention'),
  'a risk': a(30, 'min of hands', 'Between two ways each thing that can go wrong counts for', 'convention'),
  'a thing to buy': a(60, 'min of hands', 'Between two ways each thing that is missing counts for', 'convention'),
  'too late': a(600, 'min of hands', 'Between two ways being late for the wished day counts for', 'convention'),
  'a change of way': a(120, 'min of hands', 'Leaving the way that goes counts for', 'convention'),
  'seen b*': a(1, 'b*', 'Less than this is not seen side by side, and no session is advised for it', 'convention'),
  'palest part': a(-1.5, 'b*', 'Palest parts so far below the hidden patch are on their way past it', 'convention'),
  'there together': a(1.5, 'b*', 'Pieces nearer than this to their common target count as there', 'convention'),
  'patch apart': a(3, 'b*', 'A hidden patch farther than this from the others is not trusted', 'convention'),
  'come to rest': a(
    0.3,
    'of what was to be expected',
    'A session that took less than this share has come to rest',
    'guess',
  ),
  'worth moving': a(1.5, 'times the dose', 'A planned window is moved only for', 'convention'),
  'next to no dose': a(0.2, 'UVI·h', 'A session that brings less is asked about before it begins', 'convention'),
  'worth putting out': a(2, 'UV index', 'Sun is worth putting plastic out from', 'convention'),
  haze: a(
    0.1,
    'of the ultraviolet',
    'The haze of an ordinary clear day takes',
    'guess',
    'Aerosol of an optical depth of 0.2 to 0.4 takes 5 to 15 %; without it noon values come out 17 % high over thirteen places.',
  ),
  'UV under a closed sky': a(
    0.4,
    'of that of a clear one',
    'A closed sky lets through of the ultraviolet',
    'handbook',
    'Between 30 and 50 % by measurements at the ground; the middle.',
  ),
  'worth the setting up': a(1, 'h', 'Sun is worth the setting up where it lasts', 'convention'),
  'a spot in front': a(90, 'min', 'A plain spot in front is worth', 'convention'),
  'a spot underneath': a(25, 'min', 'A plain spot underneath is worth', 'convention'),
  'a spot inside': a(6, 'min', 'A plain spot inside is worth', 'convention'),
  'what eats on': a(400, 'min', 'What eats on is worth, wherever it sits', 'convention'),
  'a test spot': a(5, 'min', 'A test on a hidden spot takes', 'guess'),
  'waiting at the sink': a(0.1, 'of a minute of hands', 'A minute of waiting at the sink counts for', 'convention'),
  'wear of the delicate': a(1.5, 'times', 'Wear counts on a delicate surface', 'convention'),
  'a twin': a(0.35, 'of its chance', 'Where one agent did nothing, its twin keeps', 'guess'),
  'weight of the data set': a(4, 'own passes', 'The data set’s chance counts for as much as', 'convention'),
  'handling a part': a(0.3, 'min', 'Handling one part at the brush takes', 'guess'),
  brushing: a(0.008, 'min per cm²', 'Brushing all over takes', 'guess'),
  'drying hollow': a(1.5, 'times', 'What is hollow dries longer', 'guess'),
  'drying in moving air': a(0.5, 'of the time', 'In moving air it dries in', 'guess'),
  'drying after a cloth': a(0.2, 'of the time', 'After a damp cloth it dries in', 'guess'),
  'a closed bottle': a(0.02, 'a year at 20 °C', 'A closed bottle loses', 'guess'),
  'an open bottle': a(0.15, 'a year at 20 °C', 'An opened bottle loses', 'guess'),
  'doubt about a bottle': a(2.5, 'times', 'The loss of a bottle may be off by', 'guess'),
  'an old bottle': a(3, 'months', 'A bottle’s age says more than its label from', 'convention'),
  'likely worth it': a(0.75, 'of the chances', 'A restoration is called worth it from', 'convention'),
  'matched ΔE00': a(
    2,
    'ΔE00',
    'A piece matches its hidden patch up to',
    'handbook',
    'Differences up to about 2 are seen only by a trained eye, side by side (CIE practice).',
  ),
  'uneven b*': a(5, 'b*', 'A piece that matches is uneven from a spread of', 'convention'),
  'several parts': a(15, 'b*', 'An outline holds several parts from a spread of', 'convention'),
  'of one colour': a(0.5, 'of the outline', 'A verdict needs of one colour at least', 'convention'),
  'still there': a(2, 'h', 'Whoever attended to something within this is taken to be there still', 'convention'),
  'line breaks': a(0.004, 'a stretch', 'Between two keys a line is open in', 'guess'),
  'fold breaks': a(10, 'times', 'Over a fold a line breaks more often by', 'guess'),
  'contact fails': a(0.01, 'a key', 'A key’s own contact is bad in', 'guess'),
  'key sticks': a(0.003, 'a key', 'A key is stuck in', 'guess'),
  'seen wrongly': a(0.01, 'of what is seen', 'What a key did was seen wrongly in', 'guess'),
  'read wrongly': a(0.01, 'of the readings', 'A reading of the meter is wrong in', 'guess'),
  'stretch is whole': a(2000, 'Ω', 'A stretch of a line is whole under', 'convention'),
  'stretch is broken': a(20_000, 'Ω', 'A stretch of a line is broken over', 'convention'),
  'plug sits badly': a(0.02, 'a board', 'A plug or clamp sits badly in', 'guess'),
  'badly plugged line': a(0.5, 'of its lines', 'A plug that sits badly leaves open', 'guess'),
  'lines bridged': a(0.002, 'a pair', 'Two neighbouring lines are joined in', 'guess'),
  'repair: reseat': a(0.625, 'of the repairs', 'Cleaning and reseating a plug helps in', 'guess'),
  'repair: wipe': a(0.57, 'of the repairs', 'Wiping pad and contact helps in', 'guess'),
  'repair: abrade': a(0.6, 'of the repairs', 'Drawing a carbon pad over paper helps in', 'guess'),
  'repair: free': a(0.75, 'of the repairs', 'Cleaning the guide frees a key that stays on in', 'guess'),
  'repair: paint': a(0.7, 'of the repairs', 'A painted bridge holds in', 'guess'),
  'repair: film pads': a(0.8, 'of the repairs', 'New pads help in', 'guess'),
  'repair: wire link': a(0.8, 'of the repairs', 'A wire link holds in', 'guess'),
  'repair: re-tin': a(0.6, 'of the repairs', 'Re-tinning brings a corroded track back in', 'guess'),
  'repair: unbridge': a(0.7, 'of the repairs', 'Parting two joined lines works in', 'guess'),
  'repair: donor part': a(0.9, 'of the repairs', 'A donor’s part works in', 'guess'),
  'repair: new membrane': a(0.95, 'of the repairs', 'A new membrane works in', 'guess'),
  'weight of a guessed repair': a(10, 'repairs', 'A guess about a repair weighs as much as', 'guess'),
  'contact passes': a(
    1000,
    'Ω',
    'A contact passes under',
    'handbook',
    'Service sheets allow a carbon contact a kilo-ohm over its life; one or two hundred are good.',
  ),
  'contact is cleaned': a(5000, 'Ω', 'A contact is worth cleaning up to', 'convention'),
  'strength of cyanoacrylate': a(5, 'MPa', 'On ABS gel cyanoacrylate bears in shear', 'handbook'),
  'strength of putty': a(6, 'MPa', 'On ABS two-part putty and epoxy bear in shear', 'handbook'),
  'strength of a solvent joint': a(15, 'MPa', 'A solvent joint of ABS bears in shear', 'handbook'),
  'peel of shear': a(0.1, 'of the shear', 'Pried open, a glued face bears at most', 'handbook'),
  'moved again and again': a(0.33, 'of what it bears once', 'Glue that is moved again and again bears', 'guess'),
  'old plastic bears': a(20, 'MPa', 'Old shells bear in pull and bending', 'guess'),
  'spread of a joint': a(0.4, 'log standard deviation', 'The strength of a joint is off by', 'guess'),
  'spread of a load': a(0.3, 'log standard deviation', 'What pulls at a joint is off by', 'guess'),
  'load: nothing': a(2, 'N', 'A place that carries nothing still gets', 'guess'),
  'load: held by hand': a(40, 'N', 'A place that is held by hand gets', 'guess'),
  'load: snaps': a(25, 'N', 'A tab that snaps gets', 'guess'),
  'load: carries the lid': a(15, 'N', 'A place that carries the lid gets', 'guess'),
  'load: hinge': a(20, 'N', 'A hinge stub gets', 'guess'),
  'load: screw': a(80, 'N', 'A screw that is snug pulls with', 'guess'),
  'a loaded crack stays': a(0.3, 'of them', 'A crack under load that is left runs no further in', 'guess'),
  'mended: metal part': a(0.95, 'of the repairs', 'A part of metal holds in', 'guess'),
  'mended: printed part': a(0.8, 'of the repairs', 'A printed part holds in', 'guess'),
  'mended: cast part': a(0.8, 'of the repairs', 'A cast part holds in', 'guess'),
  'mended: donor part': a(0.85, 'of the repairs', 'A donor’s part holds in', 'guess'),
  'mended: bought part': a(0.9, 'of the repairs', 'A bought part holds in', 'guess'),
  'mended: warm and press': a(0.6, 'of the repairs', 'A warped part pressed warm stays flat in', 'guess'),
  'mended: polish': a(0.8, 'of the repairs', 'Polish clears a window in', 'guess'),
  'mended: new film': a(0.75, 'of the repairs', 'A new polarising film lies without a flaw in', 'guess'),
  'mended: set of feet': a(0.95, 'of the repairs', 'Four new feet stay on in', 'guess'),
  'lifted: tape': a(0.9, 'of the windows', 'A window on tape comes off warm and whole in', 'guess'),
  'lifted: soft glue': a(0.75, 'of the windows', 'A window on soft glue comes off warm and whole in', 'guess'),
  'lifted: hard glue': a(0.15, 'of the windows', 'A window on hard glue comes off warm and whole in', 'guess'),
  'lifted: not known': a(0.5, 'of the windows', 'A window on who knows what comes off whole in', 'guess'),
  'lived with': a(0.3, 'of them', 'A burnt film or a worn foot that is left is lived with', 'guess'),
  'made as it was': a(
    0.5,
    'of what it holds else',
    'What was too thin from the start, made anew as it was, holds',
    'guess',
  ),
  'mended: part and redo': a(0.6, 'of the repairs', 'Old glue comes off without harm in', 'guess'),
  'a look': a(40, 'min of hands', 'Each step that a repair is seen more counts for', 'convention'),
  'the original': a(60, 'min of hands', 'Each step away from what the maker made counts for', 'convention'),
  'not to be undone': a(30, 'min of hands', 'That a repair cannot be undone counts for', 'convention'),
  'a second break': a(240, 'min of hands', 'That it breaks again counts for', 'convention'),
  'holds from': a(0.9, 'of the chance', 'A repair is said to hold from', 'convention'),
  'wall worth a hole': a(1.5, 'mm', 'The end of a crack that is seen is drilled only in a wall from', 'guess'),
  'glue film round a pin': a(0.05, 'mm', 'Round a glued pin the hole is wider on each side by', 'convention'),
  'least wall round a pin': a(0.8, 'mm', 'Round a pin old plastic is left at least', 'convention'),
  'wall round a pin': a(0.5, 'of the pin', 'Round a pin old plastic is left at least', 'convention'),
  'depth of a pin': a(3, 'times the pin', 'A pin is set as deep as', 'convention'),
  'length that a taper bites': a(0.5, 'of its length', 'A tapered screw bites along', 'guess'),
  'share of a thread in plastic': a(
    0.6,
    'of the cylinder',
    'Between the turns of a thread plastic is sheared over',
    'guess',
  ),
  'thread spins under': a(0.2, 'of its depth', 'A thread that bites less than this spins', 'convention'),
  'thread holds from': a(0.5, 'of its depth', 'A thread holds from a bite of', 'convention'),
  'wall of a boss': a(0.25, 'of the thread', 'A boss bursts with a wall under', 'guess'),
  'stop before it strips': a(0.5, 'of that torque', 'Stop turning at', 'convention'),
  'thinnest wall': a(0.4, 'mm', 'A nozzle lays a wall of at least', 'handbook', 'The usual width of a nozzle.'),
  'sturdy wall': a(1.2, 'mm', 'A printed wall is called thin under', 'handbook', 'Three lines of a usual nozzle.'),
  overhang: a(
    45,
    'degrees from the bed',
    'A face that leans out over the bed hangs under',
    'handbook',
    'Usual of printers that lay plastic in lines.',
  ),
  'foot of a print': a(0.15, 'of its height', 'A print falls over on a first layer narrower than', 'guess'),
  'breaks along its layers': a(
    1.2,
    'times its width',
    'A print that is bent breaks along a layer with a lever above it longer than',
    'guess',
  ),
  'focal length of a phone': a(
    26,
    'mm of 35 mm film',
    'Where a picture notes none, a phone has',
    'handbook',
    'Main lenses of phones, 23 to 28 mm.',
  ),
  'spread of focal lengths': a(0.12, 'of it', 'That may be off by', 'guess'),
  'noted focal length is off': a(0.04, 'of it', 'A focal length that a picture notes may be off by', 'guess'),
  'hand marks corners': a(0.5, 'px', 'Corners that are marked, and then drawn to their edges, are off by', 'guess'),
  'hand sets a mark': a(2, 'px', 'A mark with no edge beside it is off by', 'guess'),
  'bend of a lens': a(
    0.006,
    'of the half diagonal at a corner',
    'Without a sheet of marks a lens may bend by',
    'guess',
  ),
  'scale of a printed sheet': a(0.002, 'of a length', 'A sheet of marks whose bar was measured may be off by', 'guess'),
  'volts off': a(
    0.05,
    'of the label’s',
    'A supply may be off its label by',
    'convention',
    'Logic of that time bears five in a hundred.',
  ),
  'reading of a drop': a(0.01, 'of its reflectance', 'The colour of a test drop is read to within', 'guess'),
  'mixing by a single constant': a(
    0.2,
    'of the way between their K/S',
    'A drop that is not the target tells of the target with an error of',
    'guess',
  ),
  'a mixture at best': a(1.4, 'ΔE00', 'A mixture that was tried nearly so comes nine times in ten within', 'guess'),
  'a mixture by a far drop': a(
    0.4,
    'of the distance of the nearest drop',
    'A mixture comes nine times in ten within',
    'guess',
  ),
} satisfies Record<string, Assumption>;

export type AssumptionName = keyof typeof ASSUMPTIONS;

/** The value that a sum goes by. */
export const assumed = (name: AssumptionName): number => ASSUMPTIONS[name].value;

/** A value without the last digits that nobody counts. */
const plain = (value: number): string => String(Number(value.toPrecision(4)));

/** An assumption in a line: what, how much, and how sure that is. */
export const assumedWords = (name: AssumptionName): string => {
  const { what, value, unit, standing } = ASSUMPTIONS[name];
  return `${what} ${plain(value)} ${unit} (${standing})`;
};

/** Assumptions as a line of working, for where the advice stands. */
export const assumedLine = (names: readonly AssumptionName[]): { what: string; how: string } => ({
  what: 'Assumed',
  how: names.map(assumedWords).join('; '),
});

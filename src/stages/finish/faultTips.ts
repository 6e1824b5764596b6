/** Flaws of a coat by how they look: their name, and what mends each. */
export const FAULT_TIPS = [
  {
    looks: 'Wrinkled like skin on milk',
    name: 'lifted',
    mend: 'The coat came in the bad time of the one under it. Let it go through, sand it flat, and begin again within the window.',
  },
  {
    looks: 'Curtains and drops',
    name: 'runs',
    mend: 'Smooth a drop at once while it is wet; else let it go through, shave it flat with 400 and lay one thin coat.',
  },
  {
    looks: 'Milky and dull in damp air',
    name: 'blush',
    mend: 'Water settled in it. Warm and dry air often clears it; else key it and lay a thin coat on a dry day.',
  },
  {
    looks: 'Dimpled like the peel of a fruit',
    name: 'orange peel',
    mend: 'Too far off, too warm or too thick. Level it with 800 wet, then a thin coat from nearer.',
  },
  {
    looks: 'Grains under the finger',
    name: 'dust',
    mend: 'Through, then 1000 wet on the spot and polish; wet the floor before the next coat.',
  },
  {
    looks: 'Small round craters',
    name: 'fish eyes',
    mend: 'Silicone, wax or oil under it. Take it off there, clean with white spirit and a fresh cloth, and begin again.',
  },
] as const;

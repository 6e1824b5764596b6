/** Kinds of joint that are undone at a bench, each with the caution that stands before the step. */
export const JOINTS = {
  screws: {
    title: 'Screws',
    caution: 'Lengths differ even in one lid. Look at each screw beside the last, and note its hole.',
    ask: 'Is one longer or shorter than the rest?',
  },
  clips: {
    title: 'Clips',
    caution:
      'Old plastic is brittle and clips snap. Warm the room, press the tab in, lever with plastic a little at a time, never with one strong pull.',
    ask: 'Which way does the tab bend?',
  },
  spring: {
    title: 'Spring under load',
    caution:
      'A trapped spring flies across the room. Goggles on, a hand or a bag over it, and let the load off slowly.',
    ask: 'Which end sat where, and was it stretched or pressed?',
  },
  'ribbon clamp': {
    title: 'Ribbon clamp',
    caution:
      'A ribbon clamp is not a plug. Open its bar first, then draw the foil straight out with fingers. Pliers split it.',
    ask: 'How does the clamp open, and which side of the foil is bare?',
  },
  plug: {
    title: 'Plug',
    caution: 'Pull on the plug, not on its wires. Mark which way round it sat before it comes off.',
    ask: 'Which side is the mark or the coloured wire on?',
  },
  wires: {
    title: 'Wire pair',
    caution: 'Two wires change places easily. Photograph them, and mark which is upper.',
    ask: 'Which colour is upper?',
  },
  solder: {
    title: 'Soldered joint',
    caution: 'Soldering burns and fumes: goggles, air, nothing under current. A lifted pad ends the track.',
    ask: 'What was where, and which way round?',
  },
  glue: {
    title: 'Glue or tape',
    caution: 'Warm glue softens; glue that somebody else added does not let go, and the window breaks before it does.',
    ask: 'Is it the maker’s glue, or was somebody here before?',
  },
  cap: {
    title: 'Key cap',
    caution: 'Pull straight up over the stem. Wide caps have the stem off-centre and snap when levered in the middle.',
    ask: 'Is the keyboard photographed?',
  },
  hinge: {
    title: 'Hinge or pin',
    caution:
      'Pins sit in thin plastic and may be under a spring. Support both sides and push the pin from its thin end.',
    ask: 'Which end of the pin came out?',
  },
  'laid in': {
    title: 'Laid or slid in',
    caution: 'Nothing holds it once the part above is off: it falls out when the piece is turned.',
    ask: 'Which way does it slide?',
  },
  mains: {
    title: 'Mains part or picture tube',
    caution:
      'Unplugged is not discharged: mains supplies and picture tubes hold a lethal charge. Leave it to a qualified technician.',
    ask: 'Who will do it?',
  },
} as const;

export type Joint = keyof typeof JOINTS;
export const JOINT_KINDS = Object.keys(JOINTS) as Joint[];

/** Joints whose undoing is a connection with a way round, to be ticked on the way back. */
export const CONNECTION_KINDS = ['plug', 'ribbon clamp', 'wires', 'solder'] as const;
/** Joints of which nobody sees afterwards which way round they were: the way is written down before the next thing comes off. */
export const WAY_ROUND: readonly Joint[] = ['plug', 'ribbon clamp', 'wires'];
export type ConnectionKind = (typeof CONNECTION_KINDS)[number];

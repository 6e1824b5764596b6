import fc from 'fast-check';
import { AIMS, type Aim } from './aim';
import { FINDING_KINDS, FINDING_PARTS, SEVERITIES, usualPart, type FindingKind, type FindingPart } from './findings';
import { ASKED_STAGES, askedOf, proposalFor, type Asking } from './proposals';

const finding: fc.Arbitrary<Asking> = fc.record({
  kind: fc.constantFrom(...FINDING_KINDS),
  severity: fc.constantFrom(...SEVERITIES),
  part: fc.constantFrom(...FINDING_PARTS),
});
const asking = (
  kind: FindingKind,
  part: FindingPart = usualPart(kind),
  severity: Asking['severity'] = 'plain',
): Asking => ({ kind, severity, part });

describe('what a finding asks for', () => {
  it('is brightened to look right, not where the age is kept or it is only cleaned', () => {
    const yellow = asking('yellowed');
    expect(AIMS.map((aim) => proposalFor(yellow, aim).stage)).toEqual([null, null, 'brighten', 'brighten']);
    expect(proposalFor(yellow, 'keep the age').words).toBe('The yellow stays. The aim is “keep the age”.');
    expect(proposalFor(asking('yellowed', 'case', 'slight'), 'presentable').stage).toBeNull();
    expect(proposalFor(asking('yellowed', 'case', 'slight'), 'as new').stage).toBe('brighten');
  });

  it('a leak is taken off whatever the aim; a mark worth keeping, and what is meant so, are never treated', () => {
    for (const aim of AIMS) {
      expect(proposalFor(asking('leak', 'board', 'slight'), aim).stage).toBe('wash');
      expect(proposalFor(asking('keep this mark', 'case', 'bad'), aim).stage).toBeNull();
      expect(proposalFor(asking('sound on purpose', 'metal', 'bad'), aim).stage).toBeNull();
    }
  });

  it.each([
    ['dead', 'keys', 'keys'],
    ['dead', 'board', 'mend'],
    ['dead', 'drive', 'mend'],
    ['works now and then', 'switch or socket', 'keys'],
    ['works now and then', 'display', 'mend'],
    ['sticky', 'keys', 'keys'],
    ['sticky', 'foot or pad', 'mend'],
    ['sticky', 'label or badge', 'wash'],
    ['corroded', 'metal', 'finish'],
    ['corroded', 'board', 'mend'],
    ['corroded', 'keys', 'keys'],
    ['broken, the piece is here', 'case', 'mend'],
    ['bent or warped', 'case', 'mend'],
    ['melted', 'case', 'mend'],
    ['wrong or foreign part', 'case', 'mend'],
    ['missing', 'keys', 'keys'],
    ['rust', 'metal', 'finish'],
  ] as [FindingKind, FindingPart, string][])('%s on %s goes to %s', (kind, part, stage) => {
    expect(proposalFor(asking(kind, part), 'as new').stage).toBe(stage);
  });

  it('what does not work or is broken is no age: it is mended where the age is kept, and not where only cleaning is asked', () => {
    for (const kind of [
      'dead',
      'works now and then',
      'sticky',
      'loose',
      'missing',
      'crack',
      'broken, the piece is here',
    ] as const) {
      expect(proposalFor(asking(kind), 'keep the age').stage).not.toBeNull();
      expect(proposalFor(asking(kind), 'clean only').stage).toBeNull();
    }
  });

  it('mains is named as work for a technician on whatever does not work there', () => {
    for (const kind of ['dead', 'works now and then', 'corroded'] as const)
      expect(proposalFor(asking(kind, 'supply'), 'as new').words).toContain('qualified technician');
  });

  it('the furthest aim asks for all that any aim asks for, and a worse fault never for less than a slighter one', () => {
    fc.assert(
      fc.property(finding, fc.constantFrom(...AIMS), fc.nat(SEVERITIES.length - 2), (given, aim, severe) => {
        const asks = (a: Aim, severity = given.severity) => proposalFor({ ...given, severity }, a).stage !== null;
        if (asks(aim)) expect(asks('as new')).toBe(true);
        if (asks(aim, SEVERITIES[severe])) expect(asks(aim, SEVERITIES[severe + 1])).toBe(true);
      }),
    );
  });
});

describe('what a list asks for', () => {
  it('puts each finding under its stage, by the aim of its own piece', () => {
    const lid = { ...asking('yellowed', 'case', 'bad'), piece: 'K1' };
    const door = { ...asking('yellowed', 'case', 'bad'), piece: 'K2' };
    const asked = askedOf([lid, door], ({ piece }) => (piece === 'K2' ? 'keep the age' : 'presentable'));
    expect(asked.get('brighten')).toEqual([lid]);
  });

  it('washes what is brightened, dirty or not', () => {
    expect(askedOf([asking('yellowed', 'case', 'bad')], () => 'presentable').has('wash')).toBe(true);
    expect(askedOf([asking('yellowed', 'case', 'bad')], () => 'keep the age').size).toBe(0);
  });

  it('loses no finding and asks only for stages that are worked by findings', () => {
    fc.assert(
      fc.property(fc.array(finding, { maxLength: 12 }), fc.constantFrom(...AIMS), (findings, aim) => {
        const asked = askedOf(findings, () => aim);
        expect([...asked.values()].flat()).toHaveLength(
          findings.filter((f) => proposalFor(f, aim).stage !== null).length,
        );
        for (const stage of asked.keys()) expect(ASKED_STAGES).toContain(stage);
      }),
    );
  });
});

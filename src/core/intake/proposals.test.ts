import fc from 'fast-check';
import { AIMS, type Aim } from './aim';
import { FINDING_KINDS, SEVERITIES } from './findings';
import { ASKED_STAGES, askedOf, proposalFor } from './proposals';

const finding = fc.record({ kind: fc.constantFrom(...FINDING_KINDS), severity: fc.constantFrom(...SEVERITIES) });

describe('what a finding asks for', () => {
  it('is brightened to look right, not where the age is kept or it is only cleaned', () => {
    const yellow = { kind: 'yellowed', severity: 'plain' } as const;
    expect(AIMS.map((aim) => proposalFor(yellow, aim).stage)).toEqual([null, null, 'brighten', 'brighten']);
    expect(proposalFor(yellow, 'keep the age').words).toBe('The yellow stays. The aim is “keep the age”.');
    expect(proposalFor({ kind: 'yellowed', severity: 'slight' }, 'presentable').stage).toBeNull();
    expect(proposalFor({ kind: 'yellowed', severity: 'slight' }, 'as new').stage).toBe('brighten');
  });

  it('a leak is taken off whatever the aim, and a mark worth keeping is never treated', () => {
    for (const aim of AIMS) {
      expect(proposalFor({ kind: 'leak', severity: 'slight' }, aim).stage).toBe('wash');
      expect(proposalFor({ kind: 'keep this mark', severity: 'bad' }, aim).stage).toBeNull();
    }
  });

  it('a further aim never asks for less, nor a worse fault for less than a slighter one', () => {
    fc.assert(
      fc.property(finding, fc.nat(AIMS.length - 2), fc.nat(SEVERITIES.length - 2), ({ kind, severity }, aim, severe) => {
        const asks = (a: Aim, s = severity) => proposalFor({ kind, severity: s }, a).stage !== null;
        if (asks(AIMS[aim]!)) expect(asks(AIMS[aim + 1]!)).toBe(true);
        if (asks(AIMS[aim]!, SEVERITIES[severe])) expect(asks(AIMS[aim]!, SEVERITIES[severe + 1])).toBe(true);
      }),
    );
  });
});

describe('what a list asks for', () => {
  it('puts each finding under its stage, by the aim of its own piece', () => {
    const lid = { kind: 'yellowed', severity: 'bad', piece: 'K1' } as const;
    const door = { kind: 'yellowed', severity: 'bad', piece: 'K2' } as const;
    const asked = askedOf([lid, door], ({ piece }) => (piece === 'K2' ? 'keep the age' : 'presentable'));
    expect(asked.get('brighten')).toEqual([lid]);
  });

  it('washes what is brightened, dirty or not', () => {
    expect(askedOf([{ kind: 'yellowed', severity: 'bad' }], () => 'presentable').has('wash')).toBe(true);
    expect(askedOf([{ kind: 'yellowed', severity: 'bad' }], () => 'keep the age').size).toBe(0);
  });

  it('loses no finding and asks only for stages that are worked by findings', () => {
    fc.assert(
      fc.property(fc.array(finding, { maxLength: 12 }), fc.constantFrom(...AIMS), (findings, aim) => {
        const asked = askedOf(findings, () => aim);
        expect([...asked.values()].flat()).toHaveLength(findings.filter((f) => proposalFor(f, aim).stage !== null).length);
        for (const stage of asked.keys()) expect(ASKED_STAGES).toContain(stage);
      }),
    );
  });
});

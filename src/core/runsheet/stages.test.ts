import { JOINT_KINDS, JOINTS, CONNECTION_KINDS } from '../teardown/joints';
import { STAGES, STAGE_WORDS } from './stages';

it('nine stages in the order of the work, each with its purpose and what comes first', () => {
  expect(STAGES).toHaveLength(9);
  expect([STAGES[0], STAGES[8]]).toEqual(['intake', 'record']);
  expect(STAGES.indexOf('wash')).toBeLessThan(STAGES.indexOf('brighten'));
  for (const stage of STAGES)
    for (const words of Object.values(STAGE_WORDS[stage])) expect(words.length).toBeGreaterThan(3);
});

it('every kind of joint has its caution before the step, and mains is for a technician', () => {
  for (const kind of JOINT_KINDS) {
    expect(JOINTS[kind].caution).toMatch(/\.$/);
    expect(JOINTS[kind].ask).toMatch(/\?$/);
  }
  expect(JOINTS.mains.caution).toMatch(/qualified technician/);
  expect(JOINTS.spring.caution).toMatch(/Goggles/);
  expect(CONNECTION_KINDS.every((kind) => JOINT_KINDS.includes(kind))).toBe(true);
});

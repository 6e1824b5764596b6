import { letterText, requestLetter } from './letter';

const GIVEN = {
  owner: 'Ines Torvel',
  machine: 'Orvane Two',
  workshop: 'Lindra’s bench',
  piece: 'K1 Lid',
  what: 'Brighten it.',
  why: 'It is yellow.',
  cost: '€12.00',
  alternatives: 'Leave it.',
  date: '2 Jul 2026',
};

it('names what, why, cost, what else, and the three answers', () => {
  const text = letterText(requestLetter(GIVEN));
  for (const words of [
    'Orvane Two',
    'To Ines Torvel',
    '(K1 Lid): Brighten it.',
    'Why: It is yellow.',
    '€12.00',
    'Leave it.',
    '- No, leave it',
    'Lindra’s bench',
  ])
    expect(text).toContain(words);
});

it('says so where it costs nothing and is about the whole machine', () => {
  const { paragraphs } = requestLetter({ ...GIVEN, cost: '', piece: null });
  expect(paragraphs[0]).toBe('What I would do: Brighten it.');
  expect(paragraphs[2]).toBe('What it costs: nothing beyond the work.');
});

import { STAGES } from './stages';
import { viewByDigit, viewHref, VIEWS } from './views';

it('a digit leads to its stage, and pressed there to each of its views and back to the first', () => {
  for (const [i, stage] of STAGES.entries()) {
    let path = '/restorations/a1';
    const seen: string[] = [];
    for (let press = 0; press <= VIEWS[stage].length; press++) seen.push((path = viewByDigit('a1', path, i + 1)!));
    expect(seen).toEqual([...VIEWS[stage].map(({ at }) => viewHref('a1', stage, at)), viewHref('a1', stage)]);
  }
  expect(viewByDigit('a1', '/restorations/a1', 0)).toBeNull();
});

it('no two views of a stage share an address or a name', () => {
  for (const views of Object.values(VIEWS)) {
    expect(new Set(views.map(({ at }) => at)).size).toBe(views.length);
    expect(new Set(views.map(({ title }) => title)).size).toBe(views.length);
  }
});

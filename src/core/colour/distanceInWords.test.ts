import { distanceInWords, yellowSeverity } from './distanceInWords';

it.each([
  [0.4, 'as its hidden patch'],
  [-0.4, 'as its hidden patch'],
  [3.94, 'slightly yellower, b* 3.9 to go'],
  [3.96, 'clearly yellower, b* 4.0 to go'],
  [4, 'clearly yellower, b* 4.0 to go'],
  [9.9, 'clearly yellower, b* 9.9 to go'],
  [9.96, 'far yellower, b* 10.0 to go'],
  [10, 'far yellower, b* 10.0 to go'],
  [-2.26, 'paler than its hidden patch by b* 2.3'],
])('b* %d above the patch is %s', (deltaB, words) => {
  expect(distanceInWords(deltaB)).toBe(words);
});

it.each([
  [-2.26, null],
  [0.99, null],
  [1, 'slight'],
  [3.94, 'slight'],
  [4, 'plain'],
  [9.9, 'plain'],
  [10, 'bad'],
] as const)('b* %d above the patch is %s as a finding', (deltaB, severity) => {
  expect(yellowSeverity(deltaB)).toBe(severity);
});

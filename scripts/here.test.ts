import { isHere } from './here.mjs';

it('takes nothing but this machine’s own addresses for it', () => {
  expect(['127.0.0.1', '127.8.3.1', '::1', '::ffff:127.0.0.1'].filter((address) => !isHere(address))).toEqual([]);
  const others = [
    '192.168.1.7',
    '10.0.0.2',
    '128.0.0.1',
    '0.0.0.0',
    '::',
    'fe80::1',
    '::ffff:192.168.1.7',
    '',
    '127',
    '127.0.0.1.evil',
  ];
  expect(others.filter(isHere)).toEqual([]);
});

import { peerOf } from './peer';

afterEach(() => delete process.env.KVELL_PEER_KEY);

it('believes only the server of our own, and knows the desk', () => {
  expect([null, '127.0.0.1', ':127.0.0.1', 'undefined:127.0.0.1'].map(peerOf)).toEqual(Array(4).fill('somewhere'));
  process.env.KVELL_PEER_KEY = 'k1';
  expect(['k1:127.0.0.1', 'k1:::1', 'k1:::ffff:127.0.0.1', 'k1:192.168.1.7'].map(peerOf)).toEqual([
    'desk',
    'desk',
    'desk',
    '192.168.1.7',
  ]);
  expect(['k2:127.0.0.1', '127.0.0.1', null].map(peerOf)).toEqual(['somewhere', 'somewhere', 'somewhere']);
});

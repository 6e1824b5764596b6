import { DESK } from '@/data/door';
import { peerOf } from './peer';

afterEach(() => delete process.env.KVELL_PEER_KEY);

it('believes only the server of our own, and knows the desk', () => {
  expect([null, 'desk', ':desk', 'undefined:desk'].map(peerOf)).toEqual(Array(4).fill('somewhere'));
  process.env.KVELL_PEER_KEY = 'k1';
  expect(['k1:desk', 'k1:192.168.1.7', 'k1:::ffff:192.168.1.7'].map(peerOf)).toEqual([
    DESK,
    '192.168.1.7',
    '::ffff:192.168.1.7',
  ]);
  expect(['k2:desk', 'desk', 'k1', null].map(peerOf)).toEqual(Array(4).fill('somewhere'));
});

import { BlockList } from 'node:net';

const HERE = new BlockList();
HERE.addSubnet('127.0.0.0', 8);
HERE.addAddress('::1', 'ipv6');

/** Whether an address is this machine’s own: nobody else can ask from it. */
export const isHere = (address) => address !== '' && HERE.check(address, address.includes(':') ? 'ipv6' : 'ipv4');

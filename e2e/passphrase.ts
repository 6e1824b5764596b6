/** What the test server of the local network is entered with. */
export const PASSPHRASE = 'rain on a tin roof';

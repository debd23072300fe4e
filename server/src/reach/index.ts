export { DEVICES_FILE } from './devices.js';
export { readReach, type Reach } from './reach.js';
export { keepSecret, PASSPHRASE_FILE, passphraseProblem, secretOf } from './passphrase.js';

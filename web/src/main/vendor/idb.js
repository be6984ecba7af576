// How the boat's app keeps what it needs on the phone, as one module.
export { openDB } from 'idb';

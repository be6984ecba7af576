// Entries of the competition log that the server has not acknowledged yet, kept on the device until it has.

/** Keys of the outboxes in the device's storage begin with it. */
export const OUTBOXES = 'lochan-boat ';

/** Types of entries as version 1 called them: devices may have kept some since. */
const TYPES_OF_VERSION_1 = { strike: 'bite', 'well-water': 'livewell' };

function current(entry) {
  return { ...entry, type: TYPES_OF_VERSION_1[entry.type] ?? entry.type };
}

/** An id for an entry: 128 random bits, which pages without TLS can make too. */
export function freshCode(crypto) {
  return Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** What the device keeps of one log: the last log seen, entries not sent, what was told of each, what was refused, what clashes. */
export class Outbox {
  constructor(storage, key) {
    this.storage = storage;
    this.key = key;
  }

  read() {
    const { log = null, unsent = [], ...rest } = JSON.parse(this.storage.getItem(this.key) ?? '{}');
    return {
      told: {},
      refused: [],
      clashes: [],
      ...rest,
      log: log && { ...log, entries: log.entries.map(current) },
      unsent: unsent.map(current),
    };
  }

  /** Changes what is kept; another page of this device may have changed it since it was read. */
  change(how) {
    const kept = this.read();
    how(kept);
    this.storage.setItem(this.key, JSON.stringify(kept));
    return kept;
  }
}

/** The log as it is known here: what the server has, then what waits. */
export function joined(log, unsent) {
  const there = new Set(log.entries.map((entry) => entry.id));
  return { ...log, entries: [...log.entries, ...unsent.filter((entry) => !there.has(entry.id))] };
}

/** What a row decided, to be compared. */
export function decision(rows, id) {
  const row = rows.find((one) => one.entry === id);
  return row ? [row.decision, row.released].join(' ') : '';
}

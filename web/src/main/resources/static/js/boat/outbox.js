// What the phone keeps of one event, and how it changes: pure, so that it can be tried without a browser.

/** Types of entries as version 1 called them: devices may have kept some since. */
const TYPES_OF_VERSION_1 = { strike: 'bite', 'well-water': 'livewell' };

/**
 * Kept of an event that was never opened here: no log, nothing that waits.
 * log, ahead and token: as the server gave them last (ahead: its clock before this one's, ms); plan: the Plan screen and when it was made;
 * practice: its last days, as the server has them; unsent: entries of the competition log that the server does not have, in order; told: what
 * was said of each; changes: of practice, that it does not have; plans: stops of days planned again that it does not have;
 * undo: what takes the last change back; refused: what it did not take;
 * faults: reports of advice that failed, that it does not have; clashes: what reads differently now; rung: alarms that were seen.
 */
export function nothing() {
  const unread = { log: null, ahead: 0, token: null, plan: null, practice: { places: [], stops: [] } };
  const queues = { unsent: [], changes: [], plans: [], faults: [] };
  return { ...unread, ...queues, told: {}, undo: null, refused: [], clashes: [], rung: [] };
}

/** An id for an entry: 128 random bits, which pages without TLS can make too. */
export function freshCode(crypto) {
  return Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join('');
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

/**
 * Takes the server's answer to what was sent.
 *
 * @param rows  of the log as the server has it
 * @param lines of that log, by id: `{what, time, brought}`
 */
export function answered(kept, sent, { refused = [], moved = [] }, rows, lines) {
  const ids = new Set(sent.map((entry) => entry.id));
  const not = new Map(refused.map((one) => [one.id, one.message]));
  kept.unsent = kept.unsent.filter((entry) => !ids.has(entry.id));
  for (const entry of sent) {
    const before = kept.told[entry.id];
    const line = lines.get(entry.id);
    if (not.has(entry.id)) {
      const words = before?.words || 'an entry of this device';
      kept.refused.push({ id: entry.id, entry, words, message: not.get(entry.id) });
    } else if (before && before.told !== decision(rows, entry.id)) {
      kept.clashes.push({
        id: entry.id,
        words: `Conflict: this device said “${before.words || 'nothing'}” of ${line?.what ?? 'an entry'} at ${line?.time ?? ''}. With the entries of the other phone it reads “${line?.brought || 'nothing'}”. Check the livewell and correct the log where it differs.`,
      });
    }
    delete kept.told[entry.id];
  }
  for (const one of moved) {
    const line = lines.get(one.id);
    kept.clashes.push({
      id: `${one.id} moved`,
      words: `Taken with a change: ${line?.what ?? 'an entry'} of ${line?.time ?? 'this device'}. ${one.message}`,
    });
  }
}

/** Takes the server's answer to changes of practice that were sent. */
export function taken(kept, sent, { refused = [], clashes = [], practice }) {
  const ids = new Set(sent.map((change) => change.id));
  kept.changes = kept.changes.filter((change) => !ids.has(change.id));
  for (const { id, message } of refused) {
    const change = sent.find((one) => one.id === id);
    kept.refused.push({ id, change, words: `${change.what} of practice`, message });
  }
  kept.clashes.push(...clashes.map(({ id, words }) => ({ id, words: `Changed on two phones. ${words}` })));
  kept.practice = practice;
}

/** How many entries, changes and plans the server does not have. */
export function waiting({ unsent = [], changes = [], plans = [], refused = [] }) {
  return unsent.length + changes.length + plans.length + refused.length;
}

/** What stays after signing out: what waits, without the words that tell of it; null: nothing. */
export function withoutSecrets(kept) {
  if (waiting(kept) === 0) return null;
  const refused = kept.refused.map((one) => ({ ...one, words: 'an entry of this device' }));
  return { ...nothing(), unsent: kept.unsent, changes: kept.changes, plans: kept.plans, refused };
}

/** What versions before the app kept in a device's storage, by the app's roots: entries that wait. */
export function keptBefore(storage) {
  const keys = Array.from({ length: storage.length }, (_, i) => storage.key(i));
  return keys
    .map((key) => ({ key, event: /^lochan-boat \/events\/(\d+)\/competition$/.exec(key)?.[1] }))
    .filter(({ event }) => event)
    .map(({ key, event }) => {
      const { unsent = [], refused = [] } = JSON.parse(storage.getItem(key));
      const current = (entry) => ({ ...entry, type: TYPES_OF_VERSION_1[entry.type] ?? entry.type });
      return {
        key,
        root: `/boat/${event}`,
        unsent: unsent.map(current),
        refused: refused.map((one) => ({ ...one, entry: current(one.entry) })),
      };
    });
}

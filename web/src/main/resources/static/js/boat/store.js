// What the phone keeps of events, in its own database: written to its disk before a promise made here is kept.
import { openDB } from '/assets/idb.js';
import { keptBefore, nothing, waiting, withoutSecrets } from './outbox.js';

/** Set in the device's storage until the server knows that its angler signed out; holds the token of the form. */
export const LEAVING = 'lochan-leaving';

const EVENTS = 'events';
/** The packs of events, by their roots: `{pack, tag, at}`; kept apart, since it is large and no tap changes it. */
const PACKS = 'packs';
/** Where the boat was while it was recorded: `{root, fix: [ms, lat, lon]}`. */
const FIXES = 'fixes';

export class Store {
  static async open() {
    const store = new Store(
      await openDB('lochan-boat', 2, {
        upgrade: (db, before) => {
          if (before < 1) db.createObjectStore(EVENTS);
          db.createObjectStore(PACKS);
          db.createObjectStore(FIXES, { autoIncrement: true }).createIndex('root', 'root');
        },
        blocking: (_current, _blocked, event) => event.target.close(),
      }),
    );
    for (const { key, root, unsent, refused } of keptBefore(localStorage)) {
      await store.change(root, (kept) => {
        const there = new Set(kept.unsent.map((entry) => entry.id));
        kept.unsent.unshift(...unsent.filter((entry) => !there.has(entry.id)));
        kept.refused.push(...refused);
      });
      localStorage.removeItem(key);
    }
    return store;
  }

  constructor(db) {
    this.db = db;
    this.others = new BroadcastChannel('lochan-boat');
  }

  writing() {
    return this.db.transaction(EVENTS, 'readwrite', { durability: 'strict' });
  }

  /** Returns the records of an event, by its root `/boat/ID`. */
  async read(root) {
    return keptIn(this.db.transaction(EVENTS).store, root);
  }

  /** Changes what is kept of an event; it is on the disk when the promise is kept. Where somebody signs out meanwhile only what waits stays. */
  async change(root, how) {
    const change = this.writing();
    const kept = await keptIn(change.store, root);
    how(kept);
    await put(change.store, root, localStorage.getItem(LEAVING) === null ? kept : withoutSecrets(kept));
    await change.done;
    this.others.postMessage(root);
    return kept;
  }

  /** Returns the pack of an event; undefined: none. */
  readPack(root) {
    return this.db.get(PACKS, root);
  }

  /** Takes a pack along. Where somebody signs out meanwhile it is not. */
  async takePack(root, taken) {
    if (localStorage.getItem(LEAVING) === null) await this.db.put(PACKS, taken, root);
  }

  /** Keeps where the boat is. */
  addFix(root, fix) {
    return this.db.add(FIXES, { root, fix });
  }

  /** Where the boat was, the first first: `{keys, fixes}`, so many at most. */
  async fixes(root, most) {
    const index = this.db.transaction(FIXES).store.index('root');
    const [keys, kept] = await Promise.all([index.getAllKeys(root, most), index.getAll(root, most)]);
    return { keys, fixes: kept.map(({ fix }) => fix) };
  }

  async forgetFixes(keys) {
    const change = this.db.transaction(FIXES, 'readwrite');
    await Promise.all(keys.map((key) => change.store.delete(key)));
    await change.done;
  }

  /** Takes all of an event off the phone but what waits: it is not one of who is signed in. */
  async hide(root) {
    const change = this.writing();
    await strip(change.store, root);
    await change.done;
    await this.db.delete(PACKS, root);
    return this.read(root);
  }

  /** How many entries of this phone the server does not have. */
  async waiting() {
    const tracks = (await this.db.count(FIXES)) > 0 ? 1 : 0;
    return (await this.db.getAll(EVENTS)).reduce((sum, kept) => sum + waiting(kept), tracks);
  }

  /** Takes packs, logs, names and what was told off the phone; entries that wait stay. */
  async wipe() {
    const change = this.writing();
    for (const root of await change.store.getAllKeys()) await strip(change.store, root);
    await change.done;
    await this.db.clear(PACKS);
  }

  /** Tells when another page of this phone has changed what is kept of an event. */
  onChange(root, then) {
    this.others.addEventListener('message', ({ data }) => data === root && then());
  }
}

async function keptIn(store, root) {
  return { ...nothing(), ...(await store.get(root)) };
}

async function strip(store, root) {
  return put(store, root, withoutSecrets(await keptIn(store, root)));
}

function put(store, root, kept) {
  return kept === null ? store.delete(root) : store.put(kept, root);
}

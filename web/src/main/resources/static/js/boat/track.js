// Records where the boat goes, while the angler wants it: kept on the phone, sent in pieces, made stops of at the desk.
const APART_MILLIS = 5000;
const AT_ONCE = 2000;
/** A place known no better says nothing of a stop. */
const SURE_M = 60;

export class Track {
  constructor(root, store) {
    this.root = root;
    this.store = store;
    this.last = 0;
  }

  get key() {
    return `lochan-track ${this.root}`;
  }

  get isOn() {
    return localStorage.getItem(this.key) === 'on';
  }

  toggle() {
    if (this.isOn) localStorage.removeItem(this.key);
    else localStorage.setItem(this.key, 'on');
  }

  /** Keeps a place of the boat, a few seconds after the one before. */
  async note({ coords: { latitude, longitude, accuracy }, timestamp }) {
    if (!this.isOn || accuracy > SURE_M || timestamp - this.last < APART_MILLIS) return;
    this.last = timestamp;
    await this.store.addFix(this.root, [
      Math.round(timestamp),
      Number(latitude.toFixed(6)),
      Number(longitude.toFixed(6)),
    ]);
  }

  /**
   * Sends what is kept, and forgets what arrived.
   *
   * @param post sends fixes; true: they arrived
   */
  async send(post) {
    for (;;) {
      const { keys, fixes } = await this.store.fixes(this.root, AT_ONCE);
      if (keys.length === 0) return true;
      if (!(await post(fixes))) return false;
      await this.store.forgetFixes(keys);
    }
  }
}

/** Keeps the screen on while it is wanted; the platform takes that back whenever the page is hidden. */
export class Awake {
  constructor() {
    this.can = 'wakeLock' in navigator;
  }

  get isOn() {
    return localStorage.getItem('lochan-awake') === 'on';
  }

  toggle() {
    localStorage.setItem('lochan-awake', this.isOn ? 'off' : 'on');
    this.hold();
  }

  /** @param recording whether a track is recorded, which needs the page */
  async hold(recording = false) {
    if (!this.can) return;
    const wanted = (this.isOn || recording) && document.visibilityState === 'visible';
    if (wanted && (!this.lock || this.lock.released)) this.lock = await navigator.wakeLock.request('screen');
    if (!wanted && this.lock) await this.lock.release();
  }
}

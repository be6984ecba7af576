// The boat's app: it logs, decides and shows the day by itself, by the same rules as the server (the module is made of the same Java), keeps
// each tap on the phone before it answers, and brings everything to the server in order as soon as it can be reached.
import { render } from '/assets/lit-html.js';
import { finishSignOut, keepForOneAccount, signOut, watchSignOut } from '../sign-out.js';
import * as rules from './bag.js';
import { Bell } from './bell.js';
import { Compass } from './compass.js';
import { Scale } from './scale.js';
import { DayApp, ago } from './day-app.js';
import { answered, decision, freshCode, joined, taken } from './outbox.js';
import { screen } from './screens.js';
import { Store } from './store.js';
import { Awake, Track } from './track.js';

const RETRY_MILLIS = 4000;
const PACK_AGAIN_MILLIS = 5000;
const TICK_MILLIS = 15_000;
const ADVICE_MILLIS = 2 * 60_000;
const PATIENCE_MILLIS = 8000;
const PACK_PATIENCE_MILLIS = 60_000;
const MINUTE = 60_000;
/** Slower, a boat's way is not its heading. */
const SLOW_MPS = 0.7;
const AT_ONCE = 200;

class BoatApp extends DayApp {
  constructor(root, store, kept) {
    super(root, root.replace('/boat/', '/events/'), kept);
    this.store = store;
    this.heard = new Set();
    this.allowed = new Set();
    this.track = new Track(root, store);
    this.awake = new Awake();
    this.bell = new Bell();
    this.compass = new Compass();
    this.scale = new Scale(
      (weighing) => this.weighed(weighing),
      () => this.draw(),
    );
    this.weighedBy = null;
    this.wayWords = 'Go here';
    this.startsFirst = false;
    this.alarmKinds = rules.alarmKinds();
    this.thumb = window.matchMedia('(pointer: coarse)').matches;
    this.Ear = window.SpeechRecognition ?? window.webkitSpeechRecognition;
    this.canLocate = window.isSecureContext && 'geolocation' in navigator;
  }

  now() {
    return deviceTime() + this.kept.ahead;
  }

  /** How much the server does not have yet. */
  get waits() {
    return this.kept.unsent.length + this.kept.changes.length + this.kept.plans.length;
  }

  /** The log as it is known here. */
  known() {
    return joined(this.kept.log, this.kept.unsent);
  }

  /** Practice as it is known here. */
  knownPractice() {
    return { ...this.kept.practice, changes: this.kept.changes };
  }

  practiceView() {
    const { lat = NaN, lon = NaN } = this.position ?? {};
    return rules.practice(this.kept.log, this.knownPractice(), this.now(), Number(lat), Number(lon));
  }

  /** Practice or competition, by the date; the angler may say otherwise. */
  get mode() {
    return sessionStorage.getItem(`lochan-mode ${this.root}`) ?? (this.practice.competes ? 'competition' : 'practice');
  }

  setMode(mode) {
    sessionStorage.setItem(`lochan-mode ${this.root}`, mode);
    this.show('log');
  }

  async change(how) {
    this.kept = await this.store.change(this.root, how);
  }

  draw() {
    this.view = this.kept.log && this.viewOf(this.known());
    // Beside the competition's log only the date is asked of practice.
    if (this.kept.log && !(this.practice && this.mode === 'competition')) this.practice = this.practiceView();
    if (this.view)
      this.ringing = this.alarms().filter(({ id, kind }) => this.bell.rings(kind) && !this.kept.rung.includes(id));
    render(screen(this), document.getElementById('app'));
    this.drawLake();
    this.ring();
    document.title = `${this.view ? this.event.name : 'On the water'} · Lochan`;
  }

  /** Rings for what has come since; it stays on the screen until it is seen. */
  ring() {
    for (const alarm of this.ringing ?? []) {
      if (this.heard.has(alarm.id)) continue;
      this.heard.add(alarm.id);
      this.bell.ring(alarm);
    }
  }

  async hasSeen(alarm) {
    await this.change((kept) => kept.rung.push(alarm.id));
    this.draw();
  }

  async testAlarm() {
    this.bell.wake();
    await this.bell.allow();
    this.bell.ring({ id: 'test', words: 'This is how an alarm sounds.' });
  }

  toggleAlarm(kind) {
    this.bell.toggle(kind);
    this.draw();
  }

  /** How old what is known here of others is. */
  age() {
    return this.kept.log ? `as of ${this.clockOf(this.kept.log.now)}${ago(this.now() - this.kept.log.now)}` : '';
  }

  /** Asks before a spot off limits is fished; the answer holds for this spot until the page is left. */
  mayStart(spot, start) {
    if (!this.offLimits(spot) || this.allowed.has(spot)) return true;
    this.asking = {
      words: `${this.names.spots[spot]} is off limits by your rules. Start there anyway?`,
      yes: () => {
        this.asking = null;
        this.allowed.add(spot);
        start();
      },
    };
    this.draw();
    // The question stands at the top, wherever the answer was tapped for.
    window.scrollTo(0, 0);
    return false;
  }

  dropQuestion() {
    this.asking = null;
    this.draw();
  }

  /** Keeps what is known of advice that failed; it is sent to the server's log with the next signal. */
  async reportFault() {
    const fault = this.adviceFailed;
    await this.change((kept) => kept.faults.push(fault));
    this.reported = fault;
    this.draw();
    this.send();
  }

  /** Makes an entry of a form, keeps it, shows what follows from it, sends it. */
  async submit(event, form) {
    event.preventDefault();
    const { target } = event;
    const spot = form === 'start' ? new FormData(target).get('spot') : null;
    if (!this.mayStart(spot, () => target.requestSubmit())) return;
    // A second tap on the same fish, before it has been kept.
    if (this.keeping) return;
    this.keeping = true;
    const fields = Object.fromEntries(new FormData(target));
    const known = this.known();
    const now = this.now();
    let made;
    try {
      // What the phone keeps is read while the rules judge.
      const change = this.change((kept) => made?.entry && keepEntry(kept, made));
      made = rules.entry(known, fields, freshCode(globalThis.crypto), now, this.leaveAt, this.leaveFor);
      await change;
    } finally {
      this.keeping = false;
    }
    const { entry, view, errors } = made;
    this.errors = errors ? { form, messages: errors.map((error) => error.message) } : null;
    if (errors) {
      this.draw();
      target.querySelector(`[name="${errors[0].field}"]`)?.focus();
      return;
    }
    const { told } = view;
    this.see({ ...known, entries: [...known.entries, entry] }, now, view);
    target.querySelectorAll('input[type=text], input[type=number]').forEach((input) => (input.value = ''));
    target.querySelectorAll('input[type=checkbox]').forEach((input) => (input.checked = false));
    if (form === 'fish') this.weighedBy = null;
    target.closest('details')?.removeAttribute('open');
    this.draw();
    if (told) this.announce(told);
    onceSeen(() => {
      this.askPlan();
      this.send();
    });
  }

  /** Logs something of practice: it is kept, shown, then sent. Without words it is not offered to be undone. */
  async log(fields, words, form = 'practice') {
    const made = rules.practiceChange(
      this.kept.log,
      this.knownPractice(),
      fields,
      freshCode(globalThis.crypto),
      this.now(),
    );
    this.errors = made.errors ? { form, messages: made.errors.map((error) => error.message) } : null;
    if (made.change)
      await this.change((kept) => {
        kept.changes.push(made.change);
        kept.undo = made.undo && words ? { fields: made.undo, words } : null;
      });
    this.draw();
    if (made.change) {
      navigator.vibrate?.(60);
      this.send();
    }
    return Boolean(made.change);
  }

  /** Changes fields of a stop or bite: those that were changed, with what they read before. */
  async edit(event, change, fields) {
    event.preventDefault();
    const { target } = event;
    const changed = [...new FormData(target)].filter(([name, value]) => value !== (fields[name] ?? ''));
    const marked = changed.flatMap(([name, value]) => [
      [`set/${name}`, value],
      [`was/${name}`, fields[name] ?? ''],
    ]);
    if (changed.length > 0 && !(await this.log({ ...change, ...Object.fromEntries(marked) }, 'change'))) return;
    target.closest('details')?.removeAttribute('open');
  }

  /** Marks what the electronics show. */
  async markWaypoint(event) {
    event.preventDefault();
    const { target } = event;
    const { lat, lon } = this.position;
    const fields = Object.fromEntries(new FormData(target));
    const made = await this.log({ ...fields, what: 'waypoint', position: `${lat}, ${lon}` }, null, 'waypoint');
    if (!made) return;
    target.reset();
    target.closest('details')?.removeAttribute('open');
  }

  /** Writes where the phone points into a field. */
  async takeHeading(field) {
    const heading = await this.compass.heading();
    if (heading === null) this.announce('No compass heading. Enter it.');
    else document.querySelector(`form [name=${field}]`).value = String(Math.round(heading));
  }

  /** Keeps where the boat is now as the first of two places that something is seen from. */
  takePlaceBefore({ target }) {
    target.form.elements.position2.value = `${this.position.lat}, ${this.position.lon}`;
  }

  undoChange() {
    return this.log(this.kept.undo.fields);
  }

  async bite(event) {
    event.preventDefault();
    const { target, submitter } = event;
    const outcome = submitter.value;
    const fields = Object.fromEntries(new FormData(target));
    const logged = await this.log(
      { ...fields, what: 'bite', stop: this.practice.open.id, how: 'guess', outcome },
      submitter.textContent.trim().toLowerCase(),
    );
    if (logged) target.querySelector('#size').value = '';
  }

  /** Starts a stop at a spot, or at a new one where the boat is. */
  async start(event) {
    event.preventDefault();
    const { target, submitter } = event;
    const form = new FormData(target);
    const presentation = form.getAll('presentation').join(',');
    let spot = submitter.value || form.get('other');
    if (spot === 'here') {
      spot = `here-${freshCode(globalThis.crypto).slice(0, 12)}`;
      const name = `New spot ${this.practice.clock}`;
      const { lat, lon } = this.position;
      if (!(await this.log({ what: 'spot', spot, name, position: `${lat}, ${lon}` }, name))) return;
    }
    if (!this.mayStart(spot, () => target.requestSubmit(submitter))) return;
    await this.log({ what: 'start', spot, presentation }, 'start of the stop');
    window.scrollTo(0, 0);
  }

  async forget(list, item) {
    await this.change((kept) => (kept[list] = kept[list].filter((one) => one.id !== item.id)));
    this.draw();
  }

  async sendAgain(item) {
    await this.change((kept) => {
      kept.refused = kept.refused.filter((one) => one.id !== item.id);
      if (item.change) kept.changes.push(item.change);
      else kept.unsent.push(item.entry);
    });
    this.send();
  }

  /** Sends what waits, in order, and takes the log as the server has it. */
  async send() {
    this.again = true;
    if (this.sending) return;
    this.sending = true;
    clearTimeout(this.timer);
    try {
      while (this.again || this.waits > 0) {
        this.again = false;
        if (
          !(await this.exchange()) ||
          !(await this.exchangePractice()) ||
          !(await this.sendPlans()) ||
          !(await this.sendFaults()) ||
          !(await this.sendTrack())
        )
          return;
      }
      this.away = false;
    } catch {
      this.away = true;
      if (!this.kept.log) this.trouble = 'The server cannot be reached. Open this page once with a signal.';
      this.timer = setTimeout(() => this.send(), RETRY_MILLIS);
      return;
    } finally {
      this.sending = false;
      this.draw();
    }
    this.askPack().catch(() => {});
  }

  /** One exchange with the server; false when the angler has to sign in first. */
  async exchange() {
    const sent = this.kept.token === null ? [] : this.kept.unsent.slice(0, AT_ONCE);
    const answer = await this.fetch('log', sent.length === 0 ? {} : this.posting(JSON.stringify({ entries: sent })));
    if (answer.status === 403 && sent.length > 0) {
      await this.change((kept) => (kept.token = null));
      this.again = true;
      return true;
    }
    if (answer.status === 404) this.kept = await this.store.hide(this.root);
    if (!this.isMine(answer)) return false;
    const said = await answer.json();
    await keepForOneAccount(String((said.log ?? said).account));
    await this.take(said.log ?? said, sent, said);
    return true;
  }

  /** Sends practice changes. */
  async exchangePractice() {
    const sent = this.kept.token === null ? [] : this.kept.changes.slice(0, AT_ONCE);
    const answer = await this.fetch(
      'practice',
      sent.length === 0 ? {} : this.posting(JSON.stringify({ changes: sent })),
    );
    if (!this.isMine(answer)) return false;
    const said = await answer.json();
    await this.change((kept) => taken(kept, sent, said.practice ? said : { practice: said }));
    return true;
  }

  /** Whether the server knows who asks, and the event is theirs. What waits stays where it is not. */
  isMine(answer) {
    this.signedOut = answer.redirected || answer.status === 401 || answer.status === 403;
    if (answer.status === 404)
      this.trouble =
        'This event is not one of the account that is signed in. What waits is sent when its owner signs in.';
    else if (this.signedOut)
      this.trouble = this.kept.log ? null : 'You are signed out: sign in, then open this page again.';
    else if (!answer.ok) throw new Error(`status ${answer.status}`);
    else this.trouble = null;
    return answer.ok && !this.signedOut;
  }

  fetch(path, options = {}) {
    return fetch(`${this.root}/${path}`, {
      signal: AbortSignal.timeout(PATIENCE_MILLIS),
      headers: { Accept: 'application/json' },
      ...options,
    });
  }

  posting(body) {
    return {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', 'X-CSRF-TOKEN': this.kept.token ?? '' },
      body,
    };
  }

  async take(log, sent, said) {
    const ahead = log.now - deviceTime();
    const rows = rules.rows(log);
    const lines = new Map(rules.view(log, 0, log.now, NaN, null).lines.map((line) => [line.id, line]));
    await this.change((kept) => {
      answered(kept, sent, said, rows, lines);
      Object.assign(kept, { log, ahead, token: log.token });
    });
  }

  /** Stops of days that were planned again here, in order. */
  async sendPlans() {
    while (this.kept.token !== null && this.kept.plans.length > 0) {
      const [sent] = this.kept.plans;
      const answer = await this.fetch('plan', this.posting(JSON.stringify(sent)));
      const refused = answer.status === 422 ? (await answer.json()).message : null;
      if (!refused && !this.isMine(answer)) return false;
      await this.change((kept) => (kept.plans = kept.plans.filter(({ id }) => id !== sent.id)));
      if (refused) this.errors = { form: 'rest', messages: [`Your plan was not changed. ${refused}`] };
    }
    return true;
  }

  /** What failed here, for the server's log. */
  async sendFaults() {
    const { faults, token } = this.kept;
    if (token === null || faults.length === 0) return true;
    if (!this.isMine(await this.fetch('faults', this.posting(JSON.stringify({ faults }))))) return false;
    await this.change((kept) => (kept.faults = kept.faults.slice(faults.length)));
    return true;
  }

  /** Where the boat was while it was recorded. */
  async sendTrack() {
    if (this.kept.token === null) return true;
    return this.track.send(async (fixes) =>
      this.isMine(await this.fetch('track', this.posting(JSON.stringify({ fixes })))),
    );
  }

  /** Records where the boat goes, or no longer. */
  toggleTrack() {
    this.track.toggle();
    if (this.track.isOn && !this.following) this.follow();
    this.keepAwake();
    this.draw();
    if (!this.track.isOn) this.send();
  }

  toggleAwake() {
    this.awake.toggle();
    this.keepAwake();
    this.draw();
  }

  keepAwake() {
    this.awake.hold(this.track.isOn).catch(() => {});
  }

  /** Takes the pack along that was kept before. */
  async openPack() {
    this.taken = await this.store.readPack(this.root);
    if (this.taken) await this.usePack();
  }

  /** Asks for the pack, which comes again only where it has changed. */
  async askPack() {
    clearTimeout(this.packTimer);
    const answer = await this.fetch('pack', {
      cache: 'no-store',
      signal: AbortSignal.timeout(PACK_PATIENCE_MILLIS),
      headers: this.taken?.tag ? { 'If-None-Match': this.taken.tag } : {},
    });
    if (answer.status === 304) {
      this.taken.at = this.now();
    } else if (this.isMine(answer)) {
      this.taken = { pack: await answer.json(), tag: answer.headers.get('ETag'), at: this.now() };
      await this.usePack();
      if (this.taken.pack.days.some(({ ladder }) => ladder === null))
        this.packTimer = setTimeout(() => this.askPack().catch(() => {}), PACK_AGAIN_MILLIS);
    } else return;
    await this.store.takePack(this.root, this.taken);
    this.draw();
  }

  /** Shows where the boat is; follows it from now on. */
  showBoat() {
    if (this.position) this.lake.centre({ lat: Number(this.position.lat), lon: Number(this.position.lon) });
    else this.follow();
  }

  /** Returns the map's actions at a spot; null: none. */
  get startWords() {
    return this.mode === 'practice' ? 'Start here' : null;
  }

  get adviceRestsOn() {
    return `Worked out on this phone, from what it took along at ${this.packAge()}.`;
  }

  /** Starts a stop at a spot of the map. */
  async startAt(spot, presentation) {
    if (!this.mayStart(spot, () => this.startAt(spot, presentation))) return;
    if (await this.log({ what: 'start', spot, presentation: presentation ?? '' }, 'start of the stop'))
      this.show('log');
  }

  /** Changes the plan of the day here, and then at the server. */
  async changePlan(stops) {
    const { plans } = this.taken.pack.data;
    const { day } = this.view;
    const plan = this.planOfDay();
    if (plan) plan.stops = stops;
    else plans.push({ day, stops });
    await this.store.takePack(this.root, { ...this.taken, tag: null });
    await this.change((kept) => kept.plans.push({ id: freshCode(globalThis.crypto), day, stops }));
    await this.usePack();
    this.send();
  }

  /** Follows the boat, so that runs and the time to leave are computed from where it is, or no longer. */
  follow() {
    if (this.following) {
      this.stopFollowing();
      return;
    }
    this.following = navigator.geolocation.watchPosition(
      (place) => {
        const { coords } = place;
        const first = !this.position;
        this.track.note(place).catch(() => {});
        this.position = { lat: coords.latitude.toFixed(5), lon: coords.longitude.toFixed(5) };
        if (coords.heading !== null && coords.speed > SLOW_MPS)
          this.position.heading = String(Math.round(coords.heading));
        if (first) {
          this.draw();
          this.askPlan();
          this.askMap();
        }
        this.drawLake();
      },
      ({ code, PERMISSION_DENIED }) => {
        // Out of sight of the sky for a while: where it was last still holds.
        if (code !== PERMISSION_DENIED) return;
        this.stopFollowing();
        this.trouble = "No position: run times start from the spot you're fishing.";
        this.draw();
      },
      { enableHighAccuracy: true, maximumAge: this.track.isOn ? 0 : MINUTE },
    );
    this.draw();
  }

  /** Follows the boat without being asked where the phone was allowed to before. */
  async followAsBefore() {
    if (!this.canLocate) return;
    const allowed = await navigator.permissions?.query({ name: 'geolocation' });
    if (allowed?.state === 'granted' && !this.following) this.follow();
  }

  stopFollowing() {
    navigator.geolocation.clearWatch(this.following);
    this.following = null;
    this.position = null;
    this.draw();
  }

  leave() {
    signOut(this.kept.token ?? '');
  }

  /** Listens for a fish, as "largemouth three four", and fills its form: it is logged by a tap when it was heard right. */
  listen() {
    const ear = new this.Ear();
    ear.lang = 'en-US';
    ear.onresult = ({ results }) => this.heardFish(results[0][0].transcript);
    ear.onerror = () => this.heardFish('');
    this.listening = true;
    this.draw();
    ear.start();
  }

  heardFish(words) {
    this.listening = false;
    const { species, measure } = rules.spoken(this.kept.log, words);
    const form = document.querySelector('section.pad form');
    if (species) form.querySelector(`[name=species][value=${species}]`).checked = true;
    if (measure) form.querySelector(this.byLength ? '[name=length]' : '[name=weight]').value = measure;
    this.errors = measure
      ? null
      : {
          form: 'fish',
          messages: [
            words
              ? `“${words}” was heard: say species and weight, or type them.`
              : 'Nothing was heard: say it again, or type it.',
          ],
        };
    this.draw();
    form.querySelector('button.act').focus();
  }

  /** The field that the keypad types into. */
  typeInto(field) {
    if (field instanceof HTMLInputElement) this.field = field;
  }

  typed(key) {
    if (!key) return;
    const field = this.field?.isConnected ? this.field : document.querySelector('.measures input');
    field.value = key === 'back' ? field.value.slice(0, -1) : field.value + key;
  }

  /** Fills a weight of the scale into the fish form; it is logged by the angler alone. */
  weighed({ grams, from }) {
    const field = document.querySelector('.measures input[name=weight]');
    if (!field) return;
    field.value = rules.typedWeight(this.known(), grams);
    this.weighedBy = { from, at: this.clockOf(this.now()) };
    this.draw();
  }

  /** Tries the rules with a fish that nobody caught, so that the first one does not wait for code that has never run. */
  rehearse() {
    if (this.kept.log)
      rules.entry(this.known(), { type: 'catch', weight: '1-0', length: '12' }, 'none', this.now(), NaN, null);
  }

  tick() {
    if (this.kept.log) this.practice = this.practiceView();
    this.draw();
    if (this.now() - (this.kept.plan?.now ?? 0) >= ADVICE_MILLIS) this.askPlan();
    this.askMap();
  }

  watch() {
    this.scale.watch();
    document.addEventListener('pointerdown', () => this.bell.wake(), { once: true });
    const changes = new EventSource(`${this.root}/changes`);
    changes.addEventListener('log', () => this.send());
    changes.addEventListener('open', () => this.send());
    window.addEventListener('online', () => this.send());
    this.store.onChange(this.root, async () => {
      this.kept = await this.store.read(this.root);
      this.draw();
    });
    document.addEventListener('visibilitychange', () => {
      this.keepAwake();
      if (document.visibilityState === 'visible') this.tick();
    });
    setInterval(() => this.tick(), TICK_MILLIS);
  }
}

/** Keeps an entry that was made, until it is sent, with what was said of it. */
function keepEntry(kept, { entry, row, view }) {
  kept.unsent.push(entry);
  kept.told[entry.id] = { told: decision([row], entry.id), words: view.told?.act ?? '' };
}

/** What no answer on the screen waits for is done once the answer is seen. */
function onceSeen(then) {
  if (document.hidden) then();
  else requestAnimationFrame(() => setTimeout(then));
}

/** The device's time, ms of the epoch: it runs on evenly when its clock is set. */
function deviceTime() {
  return performance.timeOrigin + performance.now();
}

/** The phone keeps the app where it may: with TLS, or on the machine itself. */
async function keepApp() {
  if (!('serviceWorker' in navigator)) return;
  await navigator.serviceWorker.register('/worker.js');
  const worker = await navigator.serviceWorker.ready;
  worker.active.postMessage('here');
}

const theme = localStorage.getItem('lochan-theme');
if (theme) document.documentElement.classList.toggle('dark', theme === 'dark');
finishSignOut();
watchSignOut();
const root = window.location.pathname;
const store = await Store.open();
const app = new BoatApp(root, store, await store.read(root));
app.draw();
app.watch();
document.body.dataset.ready = 'true';
onceSeen(() => {
  app.openPack().catch(() => {});
  app.send();
  app.followAsBefore().catch(() => {});
  app.keepAwake();
  keepApp().catch(() => {});
  (window.requestIdleCallback ?? setTimeout)(() => app.rehearse());
});

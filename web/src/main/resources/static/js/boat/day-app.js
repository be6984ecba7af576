// The base of apps that show a competition day, live or rehearsed: the view of the rules' module, the advice, the map and the theme.
import * as rules from './bag.js';
import { cellsOf } from '../map/depths.js';
import { LakeMap } from '../map/lake-map.js';
import { bytesOf, keptLayers } from '../map/page.js';

const SECOND = 1000;
const MINUTE = 60_000;

/** A day: its log is `kept.log`, its advice `kept.plan`, what was taken along `taken`. */
export class DayApp {
  constructor(root, desk, kept) {
    this.root = root;
    this.desk = desk;
    this.kept = kept;
    this.screen = 'log';
    this.adviser = new Adviser();
    this.fishCautions = rules.fishCautions();
    this.canSpeak = 'speechSynthesis' in window;
  }

  get event() {
    return this.kept.log.event;
  }

  get names() {
    return this.kept.log.names;
  }

  get byLength() {
    return this.event.format === 'limit-length';
  }

  get byBalance() {
    return Boolean(this.event.scoring?.balanceOnly);
  }

  get isDark() {
    return document.documentElement.classList.contains('dark');
  }

  /** Returns the presentations the angler's rules forbid, by id. */
  get notAllowed() {
    return this.taken?.pack.notAllowed ?? {};
  }

  /** Whether the angler's rules put a spot off limits. */
  offLimits(spot) {
    return this.taken?.pack.offLimits?.includes(spot) ?? false;
  }

  get leaveAt() {
    return Date.parse(this.kept.plan?.stay?.leaveAt);
  }

  /** The shelter to leave for; null: check-in. */
  get leaveFor() {
    return this.kept.plan?.stay?.leaveFor ?? null;
  }

  /** Keeps what is seen of a log: it holds for a second while nothing is logged. */
  see(log, at, view) {
    this.seen = { of: this.whatIsSeen(log), at, view };
  }

  whatIsSeen(log) {
    return [log.now, log.entries.length, log.entries.at(-1)?.id, this.leaveAt].join(' ');
  }

  /** The day of a log in words. */
  viewOf(log) {
    const now = this.now();
    if (this.seen?.of !== this.whatIsSeen(log) || now - this.seen.at > SECOND)
      this.see(log, now, rules.view(log, 0, now, this.leaveAt, this.leaveFor));
    return this.seen.view;
  }

  /** Returns the alarms due now. */
  alarms() {
    const { stay, due, lightning } = this.kept.plan ?? {};
    const day = {
      leaveBy: stay?.leaveAt,
      leaveFor: this.leaveFor,
      lightning: lightning ?? [],
      next: stay?.departure,
      fired: (stay?.ahead?.fired ?? []).map((one) => `${one.what} Switch to ${one.backup}.`),
      fish: (due ?? []).map(({ id, at, place }) => ({ id, at, words: place })),
      livewell: this.view.livewell?.look,
    };
    return rules.alarms(this.kept.log, day, this.now());
  }

  show(name) {
    this.screen = name;
    this.errors = null;
    this.draw();
    window.scrollTo(0, 0);
    document.getElementById('main').focus({ preventScroll: true });
    this.askMap();
  }

  planAge() {
    return ago(this.now() - this.kept.plan.now);
  }

  /** How old what was taken along is; empty: nothing was. */
  packAge() {
    return this.taken ? `${this.clockOf(this.taken.at)}${ago(this.now() - this.taken.at)}` : '';
  }

  clockOf(millis) {
    const { timeZone } = this.event;
    if (this.clock?.timeZone !== timeZone)
      this.clock = {
        timeZone,
        format: new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone }),
      };
    return this.clock.format.format(millis);
  }

  announce(told) {
    window.scrollTo(0, 0);
    navigator.vibrate?.(told.tone === 'keep' ? 60 : [60, 60, 60]);
    if (this.aloud && this.canSpeak) {
      window.speechSynthesis.cancel();
      window.speechSynthesis.speak(new SpeechSynthesisUtterance(told.act));
    }
  }

  /** Opens or closes what corrects an entry: one at a time. */
  correct(id, open) {
    if (open === (this.correcting === id)) return;
    this.correcting = open ? id : null;
    this.draw();
  }

  async usePack() {
    await this.advised(async () => {
      this.isReady = false;
      await this.adviser.take(this.taken.pack);
    });
    this.askMap();
    await this.askPlan();
  }

  /** Does something with the adviser; where that fails it says so, and the log goes on. */
  async advised(ask) {
    try {
      await ask();
      if (!this.adviceFailed) return;
      this.adviceFailed = null;
    } catch (error) {
      const { entries } = this.kept.log ?? { entries: [] };
      this.adviceFailed = {
        at: Math.round(this.now()),
        error: String(error.message ?? error),
        entries: entries.length,
      };
    }
    this.draw();
  }

  /** Returns the question to the adviser: the log and the boat's place. */
  standing() {
    const { lat = NaN, lon = NaN } = this.position ?? {};
    const { entries } = this.known();
    return { log: { entries }, now: this.now(), lat: Number(lat), lon: Number(lon) };
  }

  /** The Plan screen for where the boat is; how the day is likely to end takes longer the first time. */
  async askPlan() {
    if (!this.taken || !this.kept.log) return;
    await this.advised(async () => {
      await this.keepPlan(await this.adviser.ask('plan', this.standing()));
      if (this.isReady || !this.kept.plan.stay) return;
      this.isReady = true;
      await this.adviser.ask('ready', this.standing());
      await this.keepPlan(await this.adviser.ask('plan', this.standing()));
    });
  }

  async keepPlan(plan) {
    await this.change((kept) => (kept.plan = plan));
    this.draw();
  }

  /** The lake of what was taken along, made once for each. */
  sheet() {
    const { pack } = this.taken;
    if (this.drawn?.pack !== pack) {
      const { lake, event, spots, waypoints } = pack.data;
      const { launch, checkInAt } = event;
      const elsewhere = checkInAt.lat !== launch.lat || checkInAt.lon !== launch.lon;
      this.marks = {
        waypoints: waypoints.map(({ id, lat, lon, note }) => ({ id, lat, lon, words: note ?? '' })),
        ramps: [{ ...launch, letter: 'L' }, ...(elsewhere ? [{ ...checkInAt, letter: 'C' }] : [])],
      };
      this.drawn = {
        pack,
        sheet: {
          lake,
          places: [launch, checkInAt, ...spots],
          unit: pack.units.depth === 'ft' ? { code: 'ft', metres: 0.3048 } : { code: 'm', metres: 1 },
          depths: pack.depths && { ...pack.depths, cells: cellsOf(bytesOf(pack.depths.cells)) },
        },
      };
    }
    return this.drawn.sheet;
  }

  /** Returns the map for the boat's place. */
  async askMap() {
    if (!this.taken || !this.kept.log || this.screen !== 'map') return;
    await this.advised(async () => {
      this.map = await this.adviser.ask('map', this.standing());
      this.way = this.target ? await this.adviser.ask('way', { ...this.standing(), spot: this.target }) : null;
    });
    this.draw();
  }

  drawLake() {
    const canvas = document.querySelector('canvas[data-lake]');
    if (!canvas || !this.taken || !this.map) return;
    if (this.lake?.canvas !== canvas) {
      this.lake = new LakeMap(canvas, { chosen: (id) => this.choose(id) }, this.lake);
      this.lake.layers = keptLayers();
    }
    this.lake.take(this.sheet());
    const { places, route, beads } = this.map;
    this.lake.show({
      places,
      routes: route.length > 1 ? [{ way: route.flatMap(({ lat, lon }) => [lat, lon]) }] : [],
      beads,
      ...this.marks,
      way: this.way,
      boat: this.position,
      chosen: this.chosen,
    });
  }

  choose(id) {
    this.chosen = id;
    this.draw();
    document.querySelector('[data-place]')?.scrollIntoView({ block: 'end' });
  }

  /** Shows the way to a spot, or no longer. */
  async goThere(id) {
    this.target = this.target === id ? null : id;
    await this.askMap();
  }

  /** Notes what is picked in a choice, so that it can be judged before it is taken. */
  pick(id, value) {
    this.picked = { ...this.picked, [id]: value };
    this.draw();
  }

  /** Looks for the best way to fish what is left of the day. */
  async planRest() {
    this.errors = null;
    this.done = null;
    this.rest = { running: true };
    this.draw();
    try {
      this.rest = await this.adviser.ask('rest', this.standing());
    } catch (error) {
      this.rest = { failed: true };
      await this.advised(() => Promise.reject(error));
    }
    this.draw();
  }

  dropRest() {
    this.rest = null;
    this.draw();
  }

  async takeRest() {
    const before = this.planOfDay()?.stops ?? [];
    await this.changePlan(this.rest.plan);
    this.rest = null;
    this.done = { words: 'Your plan now has the new rest of the day.', before };
    this.draw();
  }

  async undoRest() {
    const { before } = this.done;
    this.done = null;
    await this.changePlan(before);
  }

  planOfDay() {
    return this.taken.pack.data.plans.find(({ day }) => day === this.view.day);
  }

  get aloud() {
    return localStorage.getItem('lochan-aloud') === 'on';
  }

  toggleAloud() {
    localStorage.setItem('lochan-aloud', this.aloud ? 'off' : 'on');
    this.draw();
  }

  toggleTheme() {
    localStorage.setItem('lochan-theme', this.isDark ? 'light' : 'dark');
    document.documentElement.classList.toggle('dark');
    this.draw();
  }
}

/** Advice, computed beside the page: questions are answered one after the other. A worker that breaks is replaced, and given the pack again. */
class Adviser {
  constructor() {
    this.asked = new Map();
    this.count = 0;
  }

  start() {
    this.worker = new Worker('/js/boat/adviser.js', { type: 'module' });
    this.worker.addEventListener('message', ({ data: { id, said, error } }) => {
      const { resolve, reject } = this.asked.get(id);
      this.asked.delete(id);
      if (error) reject(new Error(error));
      else resolve(said);
    });
    this.worker.addEventListener('error', ({ message }) => this.broke(message ?? 'The adviser did not load.'));
    if (this.pack) this.post('take', { pack: this.pack }).catch(() => {});
  }

  broke(message) {
    this.worker.terminate();
    this.worker = null;
    const waiting = [...this.asked.values()];
    this.asked.clear();
    waiting.forEach(({ reject }) => reject(new Error(message)));
  }

  take(pack) {
    this.pack = pack;
    return this.ask('take', { pack });
  }

  ask(what, of) {
    if (!this.worker) this.start();
    return this.post(what, of);
  }

  post(what, of) {
    this.count += 1;
    const id = this.count;
    return new Promise((resolve, reject) => {
      this.asked.set(id, { resolve, reject });
      this.worker.postMessage({ id, what, ...of });
    });
  }
}

/** As ", 3 min ago"; nothing within the minute. */
export function ago(millis) {
  const minutes = Math.floor(millis / MINUTE);
  if (minutes < 1) return '';
  return minutes < 60 ? `, ${minutes} min ago` : `, ${Math.floor(minutes / 60)} h ${minutes % 60} min ago`;
}

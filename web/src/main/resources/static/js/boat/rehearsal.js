// A rehearsal: the boat's screens on a day that the server draws and keeps. Each step is sent and answered; nothing is written to the real log.
import { render } from '/assets/lit-html.js';
import { finishSignOut, watchSignOut } from '../sign-out.js';
import { DayApp } from './day-app.js';
import { OWN } from './rehearsal-screen.js';
import { screen } from './screens.js';

const PATIENCE_MILLIS = 20_000;
/** What a rehearsal rings for: it has no livewell to look after. */
const RINGS = ['leave', 'lightning', 'stop', 'trigger'];
const AWAY = "Can't reach the server. The day is unchanged. Tap again when it's back.";

class RehearsalApp extends DayApp {
  constructor(root, id) {
    super(root, root.replace('/boat/', '/events/'), { log: null, plan: null, rung: [], clashes: [], refused: [] });
    this.id = id;
    this.own = OWN;
    this.mode = 'rehearsal';
    this.waits = 0;
    this.track = { isOn: false };
    this.ringing = [];
    this.wayWords = 'Show the way';
    this.startsFirst = true;
    this.adviceRestsOn = 'From practice and the forecast as they were when this rehearsal began.';
  }

  get listPage() {
    return `${this.desk}/plan/rehearsals`;
  }

  get resultPage() {
    return `${this.listPage}/played?rehearsal=${this.id}`;
  }

  /** Returns the map's actions at the tapped spot. */
  get startWords() {
    const { lightning, late, over } = this.state;
    const lure = this.names.presentations[this.lureFor(this.chosen)];
    return lightning || late || over || !lure ? null : `Run there with ${lure}`;
  }

  now() {
    return this.kept.log.now;
  }

  known() {
    return this.kept.log;
  }

  planAge() {
    return '';
  }

  change(how) {
    how(this.kept);
  }

  async ask(path, options = {}) {
    const answer = await fetch(`${this.root}/rehearsal/${path}`, {
      signal: AbortSignal.timeout(PATIENCE_MILLIS),
      headers: { Accept: 'application/json', 'X-CSRF-TOKEN': this.state?.token ?? '' },
      ...options,
    });
    if (answer.redirected || answer.status === 401 || answer.status === 403)
      throw new Error('You are signed out: sign in, then load this page again.');
    if (answer.status === 404)
      throw new Error('This rehearsal is not there any more: it was deleted, or is of another account.');
    if (!answer.ok) throw new Error(AWAY);
    return answer.json();
  }

  /** Takes how things stand, and asks for what is advised and shown then. */
  async take(state) {
    this.state = state;
    this.refusal = state.refusal;
    this.kept.log = state.log;
    this.position = { lat: state.lat, lon: state.lon };
    const known = !this.taken || this.taken.storms === state.storms;
    if (!known) this.kept.plan = null;
    this.draw();
    if (known) await this.askAll();
    else await this.takeAlong();
  }

  /** Returns the day as known; a storm that came changes it. */
  async takeAlong() {
    const pack = await this.ask(`pack?rehearsal=${this.id}`);
    if (this.taken) pack.data.plans = this.taken.pack.data.plans;
    this.taken = { pack, at: this.now(), storms: this.state.storms };
    await this.usePack();
  }

  async askAll() {
    if (!this.taken || this.state.over) return;
    await this.askMap();
    await this.askPlan();
  }

  /** The places are asked for whatever screen is shown: the way to them is chosen from. */
  async askMap() {
    if (!this.taken || !this.kept.log) return;
    this.map = await this.adviser.ask('map', this.standing());
    this.way = this.target ? await this.adviser.ask('way', { ...this.standing(), spot: this.target }) : null;
    this.draw();
  }

  draw() {
    const view = this.kept.log && this.viewOf(this.kept.log);
    this.view = view && {
      ...view,
      livewell: null,
      lines: view.lines.map((line) => ({ ...line, mayVoid: false })),
    };
    if (this.view && !this.state.over)
      this.ringing = this.alarms().filter(({ id, kind }) => RINGS.includes(kind) && !this.kept.rung.includes(id));
    else this.ringing = [];
    render(screen(this), document.getElementById('app'));
    this.drawLake();
  }

  hasSeen(alarm) {
    this.kept.rung.push(alarm.id);
    this.draw();
  }

  /** Decides: the answer says what came of it. */
  async step(what) {
    if (this.busy) return;
    this.busy = true;
    this.draw();
    try {
      const state = await this.ask(`step?rehearsal=${this.id}`, {
        method: 'POST',
        headers: {
          Accept: 'application/json',
          'Content-Type': 'application/json',
          'X-CSRF-TOKEN': this.state.token,
        },
        body: JSON.stringify({ taken: this.state.taken, ...what }),
      });
      this.busy = false;
      this.spot = null;
      await this.take(state);
      if (state.told) this.announce({ act: state.told, tone: 'keep' });
    } catch (error) {
      this.fails(error);
    }
  }

  fails(error) {
    this.busy = false;
    this.refusal = error.name === 'Error' ? error.message : AWAY;
    this.draw();
    window.scrollTo(0, 0);
  }

  async go(event) {
    event.preventDefault();
    const { spot, presentation } = Object.fromEntries(new FormData(event.target));
    await this.step({ what: 'go', spot, presentation });
  }

  /** Runs to a spot of the map with the lure of the plan, or the best there now. */
  async startAt(spot) {
    const presentation = this.lureFor(spot);
    this.target = null;
    this.show('log');
    await this.step({ what: 'go', spot, presentation });
  }

  /** The spot that is picked; at first the next one of the advice where it is shown, else of the plan. */
  get spotChosen() {
    return this.spot ?? this.nextOfPlan ?? this.map?.places[0]?.id;
  }

  get nextOfPlan() {
    const ahead = this.planOfDay()?.stops.find(({ leave }) => Date.parse(leave) > this.now());
    return ahead?.spot;
  }

  spotPicked(spot) {
    this.spot = spot;
    this.draw();
  }

  /** The lure to offer for a spot: the plan's, else the best now. */
  lureFor(spot) {
    const planned = this.planOfDay()?.stops.find(
      (stop) => stop.spot === spot && Date.parse(stop.leave) > this.now(),
    )?.presentation;
    return planned ?? this.map?.places.find(({ id }) => id === spot)?.lure;
  }

  planOfDay() {
    return this.taken?.pack.data.plans.find(({ day }) => day === this.state.day);
  }

  async showAdvice(shown) {
    try {
      await this.take(await this.ask(`advice?rehearsal=${this.id}&shown=${shown}`, { method: 'POST' }));
    } catch (error) {
      this.fails(error);
    }
  }

  /** Another rest of the day holds while this page is open; the plan that is rehearsed stays what it was. */
  async changePlan(stops) {
    this.planOfDay().stops = stops;
    await this.usePack();
  }

  async open() {
    try {
      await this.take(await this.ask(`state?rehearsal=${this.id}`));
      await this.takeAlong();
    } catch (error) {
      this.trouble = error.name === 'Error' ? error.message : AWAY;
      this.draw();
    }
  }

  /** Before anything of it is here. */
  get canLocate() {
    return false;
  }
}

const theme = localStorage.getItem('lochan-theme');
if (theme) document.documentElement.classList.toggle('dark', theme === 'dark');
finishSignOut();
watchSignOut();
const app = new RehearsalApp(
  window.location.pathname.replace(/\/rehearsal$/, ''),
  new URLSearchParams(window.location.search).get('rehearsal'),
);
app.draw();
await app.open();
document.body.dataset.ready = 'true';

// The Competition page in the boat: it logs, decides and shows the bag by itself, by the same rules as the server (the module is made of the same
// Java), and brings everything to the server in order as soon as it can be reached.
import * as bag from './boat/bag.js';
import { fill } from './fill.js';
import { LEAVING } from './sign-out.js';
import { decision, freshCode, joined, Outbox, OUTBOXES } from './outbox.js';

const RETRY_MILLIS = 4000;
const AGAIN_MILLIS = 2000;
const TICK_MILLIS = 15_000;
const ADVICE_MILLIS = 15 * 60_000;
const PATIENCE_MILLIS = 8000;
const MINUTE = 60_000;
const AT_ONCE = 200;

class BoatPage {
  constructor(content) {
    this.content = content;
    this.root = content.dataset.boat;
    this.day = Number(content.dataset.day);
    this.token = content.dataset.token;
    this.outbox = new Outbox(localStorage, `${OUTBOXES}${this.root}`);
    const page = JSON.parse(document.getElementById('boat-log').dataset.log);
    // A page that comes from the device's own store is older than the log it keeps.
    const kept = this.outbox.read();
    const fromDevice = Boolean(content.dataset.kept && kept.log);
    this.log = fromDevice ? kept.log : page;
    this.ahead = fromDevice ? kept.ahead : page.now - performance.timeOrigin - performance.now();
    this.leaveBy = Number(content.dataset.leave || NaN);
    this.adviceAt = fromDevice ? page.now : this.now();
    this.keep(this.log);
  }

  now() {
    return performance.timeOrigin + performance.now() + this.ahead;
  }

  keep(log) {
    this.log = log;
    // A page that is being left keeps nothing more.
    if (localStorage.getItem(LEAVING) !== null) return;
    this.outbox.change((kept) => {
      kept.log = log;
      kept.ahead = this.ahead;
    });
  }

  known() {
    return joined(this.log, this.outbox.read().unsent);
  }

  /** Shows the log as it is known here. */
  show() {
    const view = bag.view(this.known(), this.day, this.now(), this.leaveBy);
    for (const line of view.lines) line.correct = `Correct the entry ${line.what} of ${line.time}`;
    for (const part of this.content.querySelectorAll('[data-live]')) fill(part, view);
    this.showWaiting();
    this.listen();
    return view;
  }

  showWaiting() {
    const { unsent, refused, clashes } = this.outbox.read();
    const box = this.content.querySelector('[data-unsent]');
    box.hidden = unsent.length === 0;
    box.textContent = `No signal: ${unsent.length} ${unsent.length === 1 ? 'entry is' : 'entries are'} kept on this device and will be sent in order. The bag counts them already.`;
    const list = this.content.querySelector('[data-clashes]');
    list.replaceChildren(
      ...clashes.map((clash) => this.notice(clash.words, [['Settled', () => this.forget('clashes', clash)]])),
      ...refused.map((one) =>
        this.notice(`Not taken: ${one.words}. ${one.message}`, [
          ['Send it again', () => this.sendAgain(one)],
          ['Drop it', () => this.forget('refused', one)],
        ]),
      ),
    );
  }

  notice(words, acts) {
    const note = document.createElement('div');
    note.className = 'note trouble';
    note.setAttribute('role', 'alert');
    const text = document.createElement('span');
    text.textContent = words;
    note.append(
      text,
      ...acts.map(([label, act]) => {
        const button = document.createElement('button');
        button.type = 'button';
        button.textContent = label;
        button.addEventListener('click', act);
        return button;
      }),
    );
    return note;
  }

  forget(list, item) {
    this.outbox.change((kept) => (kept[list] = kept[list].filter((one) => one.id !== item.id)));
    this.showWaiting();
  }

  sendAgain(item) {
    this.outbox.change((kept) => {
      kept.refused = kept.refused.filter((one) => one.id !== item.id);
      kept.unsent.push(item.entry);
    });
    this.send();
  }

  /** Makes an entry of a form, shows what follows from it, sends it. */
  submit(form) {
    const fields = Object.fromEntries([...new FormData(form)].filter(([name]) => name !== '_csrf' && name !== 'code'));
    const made = bag.entry(this.known(), fields, freshCode(globalThis.crypto), this.now());
    this.showErrors(form, made.errors ?? []);
    if (made.errors) return;
    this.outbox.change((kept) => kept.unsent.push(made.entry));
    const rows = bag.rows(this.known());
    const told = decision(rows, made.entry.id);
    form.querySelectorAll('input[type=text], input[type=number]').forEach((input) => (input.value = ''));
    form.querySelectorAll('input[type=checkbox]').forEach((input) => (input.checked = false));
    form.closest('details')?.removeAttribute('open');
    const view = this.show();
    this.outbox.change((kept) => (kept.told[made.entry.id] = { told, words: view.told?.act ?? '' }));
    this.announce(view);
    this.send();
  }

  showErrors(form, errors) {
    const box =
      form.closest('section, details')?.querySelector('[data-errors]') ?? this.content.querySelector('[data-errors]');
    box.hidden = errors.length === 0;
    box.textContent = errors.map((error) => error.message).join(' ');
    if (errors.length > 0) {
      box.scrollIntoView({ block: 'center' });
      form.querySelector(`[name="${errors[0].field}"]`)?.focus();
    }
  }

  announce(view) {
    if (!view.told) return;
    this.content.querySelector('.verdict').scrollIntoView({ block: 'start' });
    navigator.vibrate?.(view.told.tone === 'keep' ? 60 : [60, 60, 60]);
    if (localStorage.getItem('lochan-aloud') === 'on' && 'speechSynthesis' in window) {
      window.speechSynthesis.cancel();
      window.speechSynthesis.speak(new SpeechSynthesisUtterance(view.told.act));
    }
  }

  /** Sends what waits, in order, and takes the log as the server has it. */
  async send() {
    this.again = true;
    if (this.sending) return;
    this.sending = true;
    clearTimeout(this.timer);
    try {
      while (this.again || this.outbox.read().unsent.length > 0) {
        this.again = false;
        if (!(await this.exchange())) return;
      }
    } catch {
      this.showWaiting();
      this.timer = setTimeout(() => this.send(), RETRY_MILLIS);
      return;
    } finally {
      this.sending = false;
    }
    this.show();
    this.askAdvice().catch(() => {});
  }

  /** One exchange with the server; false when the angler has to sign in first. */
  async exchange() {
    const waiting = this.outbox.read().unsent.slice(0, AT_ONCE);
    const signal = AbortSignal.timeout(PATIENCE_MILLIS);
    const answer = await fetch(
      `${this.root}/log`,
      waiting.length === 0
        ? { signal, headers: { Accept: 'application/json' } }
        : {
            method: 'POST',
            signal,
            headers: { 'Content-Type': 'application/json', 'X-CSRF-TOKEN': this.token },
            body: JSON.stringify({ entries: waiting }),
          },
    );
    if (answer.status === 403 || answer.redirected) {
      this.again = await this.signedIn();
      return this.again;
    }
    if (!answer.ok) throw new Error(`status ${answer.status}`);
    const said = await answer.json();
    this.take(said.log ?? said, waiting, said.refused ?? [], said.moved ?? []);
    return true;
  }

  /** Gets a token that holds; false when the angler has to sign in first. What waits stays. */
  async signedIn() {
    const answer = await fetch(window.location.href, { cache: 'no-store' });
    const page = new DOMParser().parseFromString(await answer.text(), 'text/html').getElementById('content');
    if (page?.dataset.token) {
      this.token = page.dataset.token;
      return true;
    }
    const box = this.content.querySelector('[data-unsent]');
    box.hidden = false;
    box.textContent =
      'You are signed out. What you log is kept on this device: sign in again on this page and it is sent.';
    return false;
  }

  take(log, sent, refused, moved) {
    this.ahead = log.now - performance.timeOrigin - performance.now();
    const not = new Map(refused.map((one) => [one.id, one.message]));
    const rows = bag.rows(log);
    const words = new Map(bag.view(log, this.day, this.now(), NaN).lines.map((line) => [line.id, line]));
    this.outbox.change((kept) => {
      const ids = new Set(sent.map((entry) => entry.id));
      kept.unsent = kept.unsent.filter((entry) => !ids.has(entry.id));
      for (const entry of sent) {
        const before = kept.told[entry.id];
        if (not.has(entry.id)) {
          kept.refused.push({
            id: entry.id,
            entry,
            words: before?.words || 'an entry of this device',
            message: not.get(entry.id),
          });
        } else if (before && before.told !== decision(rows, entry.id)) {
          const line = words.get(entry.id);
          kept.clashes.push({
            id: entry.id,
            words: `Conflict: this device said “${before.words || 'nothing'}” of ${line?.what ?? 'an entry'} at ${line?.time ?? ''}. With the entries of the other phone it reads “${line?.brought || 'nothing'}”. Check the livewell and correct the log where it differs.`,
          });
        }
        delete kept.told[entry.id];
      }
      for (const one of moved) {
        const line = words.get(one.id);
        kept.clashes.push({
          id: `${one.id} moved`,
          words: `Taken with a change: ${line?.what ?? 'an entry'} of ${line?.time ?? 'this device'}. ${one.message}`,
        });
      }
    });
    this.keep(log);
  }

  /** What the server is told of where the boat is. */
  where() {
    return this.position ? new URLSearchParams(this.position) : new URLSearchParams();
  }

  async askAdvice() {
    clearTimeout(this.adviceTimer);
    const place = document.getElementById('advice');
    const answer = await fetch(`${place.dataset.advice}?${this.where()}`, {
      signal: AbortSignal.timeout(PATIENCE_MILLIS),
    });
    if (!answer.ok || answer.redirected) return;
    place.innerHTML = new DOMParser().parseFromString(await answer.text(), 'text/html').body.innerHTML;
    this.adviceAt = this.now();
    this.leaveBy = Number(place.querySelector('[data-leave]')?.dataset.leave || NaN);
    this.show();
    this.showAge();
    this.askAgain();
  }

  /** What is still computed is asked for again. */
  askAgain() {
    if (this.content.querySelector('#advice [data-soon]'))
      this.adviceTimer = setTimeout(() => this.askAdvice().catch(() => {}), AGAIN_MILLIS);
  }

  /** Asks the server to do something; without a signal the page stays and says so. */
  async ask(form) {
    const body = new URLSearchParams([...new FormData(form), ...this.where()]);
    body.set('_csrf', this.token);
    try {
      await fetch(form.action, {
        method: 'POST',
        body,
        redirect: 'manual',
        signal: AbortSignal.timeout(PATIENCE_MILLIS),
      });
      if (form.dataset.ask === 'reload') window.location.reload();
      else await this.askAdvice();
    } catch {
      this.showErrors(form, [{ message: 'No signal: this needs the server. Try again where there is one.' }]);
    }
  }

  showAge() {
    const minutes = Math.floor((this.now() - this.adviceAt) / MINUTE);
    for (const age of this.content.querySelectorAll('[data-age]'))
      age.textContent = minutes < 1 ? '' : `, ${minutes} min ago${navigator.onLine ? '' : ', no signal'}`;
  }

  tick() {
    this.show();
    this.showAge();
    if (this.now() - this.adviceAt >= ADVICE_MILLIS) this.askAdvice().catch(() => {});
  }

  listen() {
    for (const form of this.content.querySelectorAll('form[data-log]:not([data-heard])')) {
      form.dataset.heard = 'true';
      form.addEventListener('submit', (event) => {
        event.preventDefault();
        this.submit(form);
      });
    }
    for (const form of this.content.querySelectorAll('form[data-ask]:not([data-heard])')) {
      form.dataset.heard = 'true';
      form.addEventListener('submit', (event) => {
        event.preventDefault();
        this.ask(form);
      });
    }
  }

  /** Follows the boat, so that runs and the time to leave are computed from where it is, or no longer. */
  follow(button) {
    if (this.following) {
      this.stopFollowing(button);
      return;
    }
    button.setAttribute('aria-pressed', 'true');
    this.following = navigator.geolocation.watchPosition(
      ({ coords }) => {
        const first = !this.position;
        this.position = { lat: coords.latitude.toFixed(5), lon: coords.longitude.toFixed(5) };
        if (first) this.askAdvice().catch(() => {});
      },
      () => {
        this.stopFollowing(button);
        this.showErrors(button, [
          { message: 'This device does not tell where it is: runs are computed from the spot you fish.' },
        ]);
      },
      { enableHighAccuracy: true, maximumAge: MINUTE },
    );
  }

  stopFollowing(button) {
    navigator.geolocation.clearWatch(this.following);
    this.following = null;
    this.position = null;
    button.setAttribute('aria-pressed', 'false');
  }

  watch() {
    const changes = new EventSource(`${this.root}/changes`);
    changes.addEventListener('log', () => this.send());
    changes.addEventListener('open', () => this.send());
    window.addEventListener('online', () => this.send());
    window.addEventListener('storage', (event) => event.key === this.outbox.key && this.show());
    document.addEventListener('visibilitychange', () => document.visibilityState === 'visible' && this.tick());
    setInterval(() => this.tick(), TICK_MILLIS);
  }
}

/** A keypad as large as a wet thumb: the keyboard of the device stays away. */
function offerKeypad(content) {
  const pad = content.querySelector('[data-keypad]');
  if (!pad || !window.matchMedia('(pointer: coarse)').matches) return;
  const inputs = [...content.querySelectorAll('.measures input')];
  let into = inputs[0];
  pad.hidden = false;
  for (const input of inputs) {
    input.setAttribute('inputmode', 'none');
    input.addEventListener('focus', () => (into = input));
  }
  pad.addEventListener('click', (event) => {
    const { key } = event.target.dataset;
    if (!key) return;
    into.value = key === 'back' ? into.value.slice(0, -1) : into.value + key;
  });
}

function offerVoice(content) {
  const button = content.querySelector('[data-aloud]');
  if (!('speechSynthesis' in window)) return;
  const show = () => button.setAttribute('aria-pressed', String(localStorage.getItem('lochan-aloud') === 'on'));
  button.hidden = false;
  button.addEventListener('click', () => {
    localStorage.setItem('lochan-aloud', localStorage.getItem('lochan-aloud') === 'on' ? 'off' : 'on');
    show();
  });
  show();
}

const content = document.querySelector('[data-boat]');
if (content) {
  const page = new BoatPage(content);
  offerKeypad(content);
  offerVoice(content);
  page.show();
  page.watch();
  page.send();
  page.askAgain();
  const follow = content.querySelector('[data-follow]');
  if (window.isSecureContext && 'geolocation' in navigator) {
    follow.hidden = false;
    follow.addEventListener('click', () => page.follow(follow));
  }
  content.inert = false;
  content.dataset.ready = 'true';
}

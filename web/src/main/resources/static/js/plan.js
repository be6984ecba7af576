// The Plan page: every change is sent as a form and the answer takes the page's place, so that what is shown is what the server keeps.
import { watchMaps } from './map/page.js';
import { watchWork } from './work.js';

const GRID_MINUTES = 5;
const DRAWN = 1000;
const TAP = 3;

/** Where the focus comes back to after the page was exchanged. */
function marked(element) {
  return element?.id || element?.closest?.('form[id]')?.id || '';
}

/** Puts a page's answer in the place of the content. */
export function exchange(html, url, focus) {
  const fresh = new DOMParser().parseFromString(html, 'text/html');
  const supposed = suppositionNow();
  const notes = document.querySelectorAll('main > .note');
  notes.forEach((note) => note.remove());
  for (const note of fresh.querySelectorAll('main > .note')) document.querySelector('main').prepend(note);
  document.querySelector('#content').replaceWith(fresh.querySelector('#content'));
  if (url && url !== window.location.href) history.replaceState(null, '', url);
  watchPlan();
  supposeAgain(supposed);
  const back = focus && document.getElementById(focus);
  if (back) back.focus({ preventScroll: true });
}

function suppositionForm() {
  return document.querySelector('form[data-suppose]');
}

/** The supposition about the shown plan. */
function suppositionNow() {
  const form = suppositionForm();
  return form && new URLSearchParams(new FormData(form)).toString();
}

/** A change of the plan keeps the supposition about it. */
function supposeAgain(before) {
  const form = suppositionForm();
  const supposed = new URLSearchParams(before ?? '');
  if (!form || supposed.get('plan') !== form.elements.plan.value || before === suppositionNow()) return;
  for (const name of ['wind', 'boats', 'target']) form.elements[name].value = supposed.get(name);
  form.elements.weak.checked = supposed.has('weak');
  form.dispatchEvent(new Event('input'));
}

let last = Promise.resolve();

/** Sends one change after the other: each knows of the one before. */
function send(url, body, focus) {
  last = last.then(() => sendNow(url, body, focus));
}

async function sendNow(url, body, focus) {
  const content = document.querySelector('#content');
  const seen = content.querySelector('form[data-edit] [name=seen]');
  if (body.has('seen') && seen) body.set('seen', seen.value);
  content.setAttribute('aria-busy', 'true');
  try {
    const answer = await fetch(url, { method: 'POST', body });
    if (!answer.headers.get('content-type')?.includes('html') || (!answer.ok && answer.status !== 422))
      throw new Error(answer.status);
    exchange(await answer.text(), answer.url.includes('plan=') ? answer.url : '', focus);
  } catch {
    content.removeAttribute('aria-busy');
    content.querySelectorAll('form[data-sent]').forEach((form) => delete form.dataset.sent);
    const note = document.createElement('div');
    note.className = 'note trouble';
    note.setAttribute('role', 'alert');
    note.textContent = 'The server did not answer: nothing was changed. Try again.';
    document.querySelector('main').prepend(note);
  }
}

/** A change of one stop, with what the page knows of the plan. */
function change(stop, op, values, focus) {
  const form = document.querySelector('form[data-stop]');
  const body = new FormData();
  for (const name of ['_csrf', 'plan', 'seen']) body.append(name, form.elements[name].value);
  body.append('index', stop);
  body.append('op', op);
  for (const [name, value] of Object.entries(values)) body.append(name, value);
  send(form.action, new URLSearchParams(body), focus);
}

function forms(root) {
  for (const form of root.querySelectorAll('form[data-edit]')) {
    form.querySelectorAll('[data-quiet]').forEach((button) => (button.hidden = true));
    form.addEventListener('submit', (event) => {
      event.preventDefault();
      // Enter in a field changes it and submits: that is one change.
      if (form.dataset.sent) return;
      form.dataset.sent = 'true';
      const body = new URLSearchParams(new FormData(form, event.submitter));
      // A button without an address of its own says the page's, not the form's.
      send(
        event.submitter?.getAttribute('formaction') || form.action,
        body,
        marked(event.submitter) || marked(document.activeElement),
      );
    });
    for (const field of form.querySelectorAll('[data-set]'))
      field.addEventListener('change', () => form.requestSubmit(form.querySelector('button')));
  }
}

/** Sliders answer at once; only their own part of the page changes. */
function suppositions() {
  const form = suppositionForm();
  if (!form) return;
  form.querySelector('[data-quiet]').hidden = true;
  let timer = 0;
  let asked = 0;
  const ask = async () => {
    const mine = ++asked;
    try {
      const answer = await fetch(`${form.action}?${new URLSearchParams(new FormData(form))}`);
      const fresh = new DOMParser().parseFromString(await answer.text(), 'text/html').querySelector('#supposed');
      if (mine !== asked || !fresh) return;
      const focus = document.activeElement?.id;
      document.querySelector('#supposed').replaceWith(fresh);
      suppositions();
      if (focus) document.getElementById(focus)?.focus({ preventScroll: true });
    } catch {
      form.parentElement.querySelector('[role=status]').textContent = 'The server did not answer: try again.';
    }
  };
  form.addEventListener('input', () => {
    clearTimeout(timer);
    timer = setTimeout(ask, 150);
  });
}

function keys(bead) {
  const stop = Number(bead.dataset.bead);
  const final = document.querySelectorAll('[data-bead]').length - 1;
  bead.addEventListener('keydown', (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const by = { ArrowLeft: -GRID_MINUTES, ArrowRight: GRID_MINUTES }[event.key];
    const here = bead.id;
    if (by) change(stop, event.shiftKey ? 'stretch' : 'shift', { minutes: by }, here);
    else if (event.key === 'PageUp' && stop > 0) change(stop, 'move', { to: stop - 1 }, `bead-${stop - 1}`);
    else if (event.key === 'PageDown' && stop < final) change(stop, 'move', { to: stop + 1 }, `bead-${stop + 1}`);
    else if (event.key === 'l' || event.key === 'L') change(stop, 'lock', {}, here);
    else if (event.key === 'Delete') change(stop, 'drop', {}, `bead-${Math.min(stop, final - 1)}`);
    else if (event.key === 'Enter' || event.key === ' ') document.getElementById(`stops/${stop}/arrive`).focus();
    else return;
    event.preventDefault();
  });
}

function clock(minute, svg) {
  const [hour, minutes] = svg.dataset.from.split(':').map(Number);
  const at = hour * 60 + minutes + minute;
  return `${String(Math.floor(at / 60) % 24).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`;
}

/** Dragging: the bead follows the pointer on the grid; what it means is sent when it is let go. */
function drags(svg) {
  const minutes = Number(svg.dataset.minutes);
  const perMinute = DRAWN / minutes;
  const words = svg.querySelector('[data-moving]');
  for (const bead of svg.querySelectorAll('[data-bead]')) {
    bead.addEventListener('pointerdown', (down) => {
      if (down.button !== 0) return;
      const grip = down.target.dataset.grip;
      const unit = svg.viewBox.baseVal.width / svg.getBoundingClientRect().width / perMinute;
      const arrive = Number(bead.dataset.arrive);
      const leave = Number(bead.dataset.leave);
      const shape = bead.querySelector('.bead');
      let by = 0;
      const follow = (move) => {
        by = Math.round(((move.clientX - down.clientX) * unit) / GRID_MINUTES) * GRID_MINUTES;
        const from = grip === 'end' ? arrive : arrive + by;
        const to = grip === 'begin' ? leave : leave + by;
        shape.setAttribute('x', from * perMinute);
        shape.setAttribute('width', Math.max(4, (to - from) * perMinute));
        words.textContent = `${clock(from, svg)}–${clock(to, svg)}`;
        words.setAttribute('x', ((from + to) / 2) * perMinute);
      };
      const end = () => {
        svg.removeEventListener('pointermove', follow);
        svg.removeEventListener('pointerup', drop);
        svg.removeEventListener('pointercancel', cancel);
        words.textContent = '';
      };
      const cancel = () => {
        end();
        shape.setAttribute('x', arrive * perMinute);
        shape.setAttribute('width', (leave - arrive) * perMinute);
      };
      const drop = (up) => {
        end();
        if (Math.abs(up.clientX - down.clientX) < TAP || by === 0) return cancel();
        const stop = Number(bead.dataset.bead);
        if (grip === 'begin') return change(stop, 'begin', { minutes: arrive + by }, bead.id);
        if (grip === 'end') return change(stop, 'end', { minutes: leave + by }, bead.id);
        const to = place(svg, stop, (arrive + leave) / 2 + by);
        return to === stop
          ? change(stop, 'start', { minutes: arrive + by }, bead.id)
          : change(stop, 'move', { to }, `bead-${to}`);
      };
      svg.setPointerCapture(down.pointerId);
      svg.addEventListener('pointermove', follow);
      svg.addEventListener('pointerup', drop);
      svg.addEventListener('pointercancel', cancel);
    });
  }
}

/** The place in the order of a bead whose middle is let go at a minute: past the middles of how many others. */
function place(svg, stop, middle) {
  return [...svg.querySelectorAll('[data-bead]')].filter(
    (other) =>
      Number(other.dataset.bead) !== stop && (Number(other.dataset.arrive) + Number(other.dataset.leave)) / 2 < middle,
  ).length;
}

/** On the map a stop is let fall on another spot, and a spot that is tapped can be added. */
function onMap() {
  const root = document.querySelector('[data-plan] [data-lake-map]');
  if (!root || root.dataset.begun) return;
  const offer = document.querySelector('[data-chosen-spot]');
  root.addEventListener('dragged', ({ detail: { id, spot } }) => {
    const field = document.getElementById(`stops/${id}/spot`);
    if (!spot || field.value === spot) return;
    field.value = spot;
    field.form.requestSubmit(field.form.querySelector('button'));
  });
  root.addEventListener('shown', ({ detail: { map, marks } }) => {
    root.addEventListener('chosen', ({ detail: { id, kind } }) => {
      const spotted = kind === 'spot' ? marks.places.find((one) => one.id === id) : null;
      offer.hidden = !spotted;
      if (!spotted) return;
      map.show({ ...map.shown, chosen: id });
      offer.querySelector('[data-chosen-words]').textContent = `${spotted.name}: ${spotted.words}`;
      offer.querySelector('[data-add-here]').onclick = () => add(spotted);
    });
  });
}

function add({ id, lure }) {
  const spot = document.getElementById('add/spot');
  const presentation = document.getElementById('add/presentation');
  spot.value = id;
  if (lure) presentation.value = lure;
  if (presentation.value) spot.form.requestSubmit();
  else presentation.focus();
}

export function watchPlan() {
  const content = document.querySelector('[data-plan]');
  if (!content) return;
  forms(document);
  suppositions();
  const svg = document.querySelector('[data-beads]');
  if (svg) {
    svg.querySelectorAll('[data-bead]').forEach(keys);
    drags(svg);
  }
  onMap();
  watchMaps();
  watchWork();
  content.dataset.ready = 'true';
}

document.addEventListener('keydown', (event) => {
  if (!(event.ctrlKey || event.metaKey) || event.altKey || event.target.closest?.('input[type=text]')) return;
  const again = event.key === 'y' || (event.shiftKey && event.key.toLowerCase() === 'z');
  if (!again && event.key !== 'z') return;
  const button = document.querySelector(again ? '[data-redo]' : '[data-undo]');
  if (button && !button.disabled) {
    event.preventDefault();
    button.click();
  }
});

document.addEventListener('exchanged', (event) => forms(event.target));

watchPlan();

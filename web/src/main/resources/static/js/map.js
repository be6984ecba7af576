// The Map page: a band of depths on the scale, what is chosen on the map, water like a spot, a run between two places.
import { placeWords, watchMaps } from './map/page.js';

const PAUSE_MILLIS = 150;

/** Asks the server; null when it cannot be reached or has no answer. */
async function ask(path) {
  try {
    const answer = await fetch(path);
    return answer.ok && answer.headers.get('content-type')?.includes('json') ? await answer.json() : null;
  } catch {
    return null;
  }
}

const NO_ANSWER = 'No answer from the server: try again.';

function show(shown, changes) {
  shown.show({ ...shown.shown, ...changes });
}

function runs(page, map) {
  const from = page.querySelector('[data-run-from]');
  const to = page.querySelector('[data-run-to]');
  const words = page.querySelector('[data-run-words]');
  const tell = async () => {
    if (!to.value) return;
    const run = await ask(`${page.dataset.root}/run?${new URLSearchParams({ from: from.value, to: to.value })}`);
    words.textContent = run ? run.words : NO_ANSWER;
    show(map, { routes: run?.way.length > 0 ? [{ way: run.way }] : [] });
  };
  from.addEventListener('change', tell);
  to.addEventListener('change', tell);
  // Chosen before the map was there, or kept by the browser.
  tell();
  return (id) => {
    to.value = id;
    tell();
  };
}

/** Both ends of the scale can be dragged, and moved by keys. */
function depthScale(page, map, marks) {
  const scale = page.querySelector('[data-depth-scale]');
  if (!scale) return;
  const ramp = scale.querySelector('[data-ramp]');
  const lit = scale.querySelector('[data-lit]');
  const words = page.querySelector('[data-band-words]');
  const off = page.querySelector('[data-band-off]');
  const deepest = Number(page.dataset.deepest);
  const unit = Number(page.dataset.unit);
  const ends = { from: 0, to: deepest };
  let timer = 0;
  let asked = 0;
  const tell = async () => {
    const mine = ++asked;
    const path = `${page.dataset.root}/band?${new URLSearchParams({ from: ends.from * unit, to: ends.to * unit })}`;
    const band = await ask(path);
    if (mine !== asked) return;
    words.textContent = band ? band.words : NO_ANSWER;
    const inside = new Set(band?.candidates);
    for (const row of document.querySelectorAll('[data-candidate]'))
      row.classList.toggle('dimmed', Boolean(band) && !inside.has(row.dataset.candidate));
    if (band) show(map, { candidates: marks.candidates.filter(({ id }) => inside.has(id)) });
  };
  const draw = () => {
    for (const handle of scale.querySelectorAll('[data-end]')) {
      const value = ends[handle.dataset.end];
      handle.style.top = `${(100 * value) / deepest}%`;
      handle.setAttribute('aria-valuenow', value);
      handle.setAttribute('aria-valuetext', `${value} ${page.dataset.unitName}`);
      handle.dataset.value = value;
    }
    lit.style.top = `${(100 * ends.from) / deepest}%`;
    lit.style.bottom = `${100 - (100 * ends.to) / deepest}%`;
  };
  const set = (end, value) => {
    const kept = Math.max(0, Math.min(deepest, Math.round(value)));
    ends[end] = end === 'from' ? Math.min(kept, ends.to) : Math.max(kept, ends.from);
    draw();
    const whole = ends.from === 0 && ends.to === deepest;
    map.light(whole ? null : [ends.from * unit, ends.to * unit]);
    off.hidden = whole;
    clearTimeout(timer);
    timer = setTimeout(tell, PAUSE_MILLIS);
  };
  for (const handle of scale.querySelectorAll('[data-end]')) {
    const { end } = handle.dataset;
    handle.addEventListener('pointerdown', (down) => {
      handle.setPointerCapture(down.pointerId);
      const { top, height } = ramp.getBoundingClientRect();
      const move = ({ clientY }) => set(end, (deepest * (clientY - top)) / height);
      handle.addEventListener('pointermove', move);
      handle.addEventListener('pointerup', () => handle.removeEventListener('pointermove', move), { once: true });
    });
    handle.addEventListener('keydown', (event) => {
      const by = { ArrowDown: 1, ArrowUp: -1, PageDown: 5, PageUp: -5 }[event.key];
      if (!by) return;
      event.preventDefault();
      set(end, ends[end] + by);
    });
  }
  off.addEventListener('click', () => {
    set('from', 0);
    set('to', deepest);
    for (const row of document.querySelectorAll('[data-candidate]')) row.classList.remove('dimmed');
  });
  draw();
}

function chosen(page, root, map, marks, goTo) {
  const panel = page.querySelector('[data-place-panel]');
  const tools = ['spot', 'candidate', 'water'].map((kind) => [kind, page.querySelector(`[data-${kind}-tools]`)]);
  const tell = (kind, name, words) => {
    panel.hidden = false;
    panel.querySelector('[data-place-name]').textContent = name;
    panel.querySelector('[data-place-words]').textContent = words;
    for (const [one, element] of tools) element.hidden = one !== kind;
  };
  const spots = page.dataset.root.replace(/map$/, 'spots');
  const choose = (id, kind) => {
    show(map, { chosen: id });
    if (kind === 'spot') {
      const { name, words, caution } = marks.places.find((place) => place.id === id);
      tell('spot', name, [words, caution].filter(Boolean).join('. '));
      panel.querySelector('[data-alike]').dataset.spot = id;
      panel.querySelector('[data-edit-spot]').href = `${spots}/edit?${new URLSearchParams({ spot: id })}`;
      goTo(id);
    } else if (kind === 'candidate') {
      const { words } = marks.candidates.find((one) => one.id === id);
      const [name, ...why] = words.split(': ');
      tell('candidate', name, why.join(': '));
      document.getElementById('candidate').elements.candidate.value = id;
    } else if (kind === 'waypoint') tell('none', 'Waypoint', marks.waypoints.find((one) => one.id === id).words);
  };
  root.addEventListener('chosen', ({ detail }) => detail.id && choose(detail.id, detail.kind));
  root.addEventListener('place', ({ detail }) => {
    show(map, { chosen: null });
    const position = `${detail.lat.toFixed(5)}, ${detail.lon.toFixed(5)}`;
    tell('water', 'Here', placeWords(detail, map.sheet.unit));
    panel.querySelector('[data-new-spot]').href = `${spots}/new?${new URLSearchParams({ position })}`;
    panel.querySelector('[data-new-waypoint]').href = `${spots}/waypoints?${new URLSearchParams({ position })}`;
  });
  for (const button of document.querySelectorAll('[data-show-candidate]'))
    button.addEventListener('click', () => {
      const { candidate } = button.closest('[data-candidate]').dataset;
      map.centre(
        marks.candidates.find(({ id }) => id === candidate),
        5,
      );
      choose(candidate, 'candidate');
      root.scrollIntoView({ block: 'center' });
    });
}

function alike(page, map) {
  const panel = page.querySelector('[data-alike-panel]');
  const list = panel.querySelector('[data-alike-list]');
  page.querySelector('[data-alike]').addEventListener('click', async ({ currentTarget }) => {
    const found = await ask(`${page.dataset.root}/alike?${new URLSearchParams({ spot: currentTarget.dataset.spot })}`);
    panel.hidden = false;
    list.replaceChildren();
    if (!found?.length) {
      list.append(found ? 'No other water is like it.' : NO_ANSWER);
      return;
    }
    found.forEach(({ lat, lon, name, words }, i) => {
      const item = document.createElement('li');
      const button = document.createElement('button');
      button.type = 'button';
      button.textContent = `${i + 1}. ${name ? `${name}: ` : ''}${words}`;
      button.addEventListener('click', () => map.centre({ lat, lon }, 4));
      item.append(button);
      list.append(item);
    });
    show(map, { beads: found.map(({ lat, lon }, i) => ({ id: `alike-${i}`, lat, lon, words: String(i + 1) })) });
  });
}

function watchMapPage() {
  const page = document.querySelector('[data-map-page]');
  const root = page?.querySelector('[data-lake-map]');
  root?.addEventListener('shown', ({ detail: { map, marks } }) => {
    const goTo = runs(page, map);
    depthScale(page, map, marks);
    alike(page, map);
    chosen(page, root, map, marks, goTo);
    document.addEventListener('boat', ({ detail: boat }) =>
      show(map, { boat: typeof boat?.lat === 'number' ? { lat: boat.lat, lon: boat.lon } : null }),
    );
  });
}

watchMapPage();
watchMaps();

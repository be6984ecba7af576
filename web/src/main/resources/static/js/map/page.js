// Maps of pages: each takes its lake from the server and its marks from the page; what a page adds listens to the map's root.
import { cellsOf } from './depths.js';
import { LAYERS, LakeMap } from './lake-map.js';

const LAYERS_KEPT = 'lochan-map-layers';
const PLAY_MILLIS = 700;

/** The layers the angler switched on and off, on every page. */
export function keptLayers() {
  try {
    return { ...LAYERS, ...JSON.parse(localStorage.getItem(LAYERS_KEPT) ?? '{}') };
  } catch {
    return { ...LAYERS };
  }
}

/** Bytes of a Base64 text. */
export function bytesOf(text) {
  return Uint8Array.from(atob(text), (letter) => letter.charCodeAt(0)).buffer;
}

async function sheetOf(root) {
  if (root.dataset.inlineSheet) {
    const sheet = JSON.parse(root.dataset.inlineSheet);
    if (sheet.depths) sheet.depths.cells = cellsOf(bytesOf(sheet.depths.cells));
    return sheet;
  }
  // Shores come first, the depths as soon as they are there.
  const sheet = await (await fetch(root.dataset.sheet)).json();
  return { ...sheet, pending: sheet.depths, depths: null };
}

/** Switches a layer and remembers it. */
export function switchLayer(map, layer, on) {
  localStorage.setItem(LAYERS_KEPT, JSON.stringify({ ...keptLayers(), [layer]: on }));
  map.toggle(layer, on);
}

function layers(root, map) {
  const kept = keptLayers();
  for (const box of root.querySelectorAll('[data-layer]')) {
    const { layer } = box.dataset;
    box.checked = kept[layer];
    map.layers[layer] = kept[layer];
    box.addEventListener('change', () => {
      switchLayer(map, layer, box.checked);
    });
  }
}

/** Words for a place: where it is and how deep. */
export function placeWords({ lat, lon, depth }, unit) {
  const deep = depth
    ? ` · ${Math.round(depth.metres / unit.metres)} ${unit.code}${depth.guessed ? ', guessed' : ''}`
    : '';
  return `${lat.toFixed(5)}, ${lon.toFixed(5)}${deep}`;
}

/** An hour of the day: its places, its wind, its banks. */
function atHour(marks, hour) {
  const now = marks.hours[hour];
  return {
    ...marks,
    places: marks.places.map((place, i) => ({ ...place, ...now.places[i] })),
    wind: now.wind,
    banks: now.banks,
  };
}

function daySlider(root, map, marks) {
  const tool = document.querySelector('[data-day-slider]');
  if (!tool || marks.hours.length === 0) return;
  tool.hidden = false;
  const slider = tool.querySelector('[data-hour]');
  const words = tool.querySelector('[data-hour-words]');
  const play = tool.querySelector('[data-play]');
  slider.max = marks.hours.length - 1;
  let timer = null;
  const turn = () => {
    const hour = Number(slider.value);
    const { clock, note } = marks.hours[hour];
    words.textContent = `${clock} ${note}`;
    map.show({ ...map.shown, ...atHour(marks, hour) });
    root.dispatchEvent(new CustomEvent('hour', { detail: { hour, places: map.shown.places } }));
  };
  const stop = () => {
    clearInterval(timer);
    timer = null;
    play.setAttribute('aria-pressed', 'false');
  };
  slider.addEventListener('input', turn);
  play.addEventListener('click', () => {
    if (timer) return stop();
    play.setAttribute('aria-pressed', 'true');
    if (Number(slider.value) === Number(slider.max)) slider.value = 0;
    timer = setInterval(() => {
      if (Number(slider.value) === Number(slider.max)) return stop();
      slider.value = Number(slider.value) + 1;
      return turn();
    }, PLAY_MILLIS);
    return turn();
  });
  const first = marks.hours.findIndex(({ clock }) => clock === tool.dataset.at);
  if (first >= 0) slider.value = first;
  turn();
}

/** Shows a map that a page has; tells its root what is chosen on it. */
async function show(root) {
  const canvas = root.querySelector('[data-lake]');
  const marks = JSON.parse(root.dataset.marks ?? '{}');
  const tell = (name, detail) => root.dispatchEvent(new CustomEvent(name, { detail }));
  const pointer = root.querySelector('[data-pointer]');
  const map = new LakeMap(canvas, {
    chosen: (id, kind) => tell('chosen', { id, kind }),
    place: (place) => tell('place', place),
    pointer: (place) => {
      if (pointer) pointer.textContent = placeWords(place, map.sheet.unit);
    },
    ...(root.hasAttribute('data-draggable') || marks.beads?.length > 0
      ? { dragged: (id, spot) => tell('dragged', { id, spot }) }
      : {}),
  });
  root.lakeMap = map;
  root.querySelector('[data-closer]').addEventListener('click', () => map.closer());
  root.querySelector('[data-back]').addEventListener('click', () => map.back());
  root.querySelector('[data-all]').addEventListener('click', () => map.all());
  layers(root, map);
  try {
    const sheet = await sheetOf(root);
    map.take(sheet);
    map.show(marks);
    if (marks.beads?.length > 0) map.fitTo(marks.beads.length > 1 ? [...marks.beads, ...marks.ramps] : marks.beads);
    daySlider(root, map, marks);
    tell('shown', { map, marks });
    if (sheet.pending) {
      const cells = cellsOf(await (await fetch(sheet.pending.from)).arrayBuffer());
      map.take({ ...sheet, pending: null, depths: { ...sheet.pending, cells } });
    }
    root.dataset.ready = 'true';
    tell('deep', { map });
  } catch {
    const trouble = root.querySelector('[data-map-trouble]');
    if (trouble) trouble.hidden = false;
  }
}

document.addEventListener('exchanged', () => watchMaps());

/** Shows the maps of the page that are not shown yet. */
export function watchMaps() {
  for (const root of document.querySelectorAll('[data-lake-map]:not([data-begun])')) {
    root.dataset.begun = 'true';
    show(root);
  }
}

// What the boat's instruments say, on pages that have a place for it.
const EVERY_MILLIS = 2000;
const PATIENCE_MILLIS = 2000;

/** Asks once; null when there is no answer. */
export async function readInstruments() {
  try {
    const answer = await fetch('/instruments/now', {
      headers: { Accept: 'application/json' },
      signal: AbortSignal.timeout(PATIENCE_MILLIS),
    });
    return answer.ok && !answer.redirected ? await answer.json() : null;
  } catch {
    return null;
  }
}

/** The line on the Map page; it tells the map where the boat is. */
function showBoat(line) {
  const words = line.querySelector('[data-boat-words]');
  const soundings = line.querySelector('[data-soundings]');
  const turn = async () => {
    if (document.hidden) return;
    const live = await readInstruments();
    if (live && !live.boat) {
      clearInterval(timer);
      return;
    }
    line.hidden = false;
    line.classList.toggle('trouble', !live?.boat.well);
    words.textContent = live ? live.boat.words : 'No answer from the server.';
    soundings.hidden = !live?.boat.soundings;
    soundings.querySelector('[data-soundings-words]').textContent = live?.boat.soundings ?? '';
    line.dispatchEvent(new CustomEvent('boat', { detail: live?.boat ?? null, bubbles: true }));
  };
  const timer = setInterval(turn, EVERY_MILLIS);
  turn();
}

/** Buttons that write into the fields of their form what the instruments say. */
async function offerReadings(buttons) {
  const live = await readInstruments();
  if (!live?.boat) return;
  for (const button of buttons) {
    button.hidden = false;
    button.addEventListener('click', async () => {
      const { boat } = (await readInstruments()) ?? {};
      const fill = { waterTempC: boat?.water, windMps: boat?.wind, windFromDeg: boat?.windFrom };
      const filled = Object.entries(fill).filter(([name, value]) => value && button.form.elements[name]);
      for (const [name, value] of filled) button.form.elements[name].value = value;
      button.textContent =
        filled.length > 0 ? 'Filled in: save them below' : (boat?.words ?? 'No answer from the server');
    });
  }
}

export function watchInstruments() {
  document.querySelectorAll('[data-boat-live]').forEach(showBoat);
  const buttons = document.querySelectorAll('[data-fill-conditions]');
  if (buttons.length > 0) offerReadings(buttons);
}

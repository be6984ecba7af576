// Work that is under way at the server.
const PAUSE_MILLIS = 1500;
let watched = null;

/** Boxes ticked meanwhile stay ticked. */
function keepChoices(before, after) {
  for (const box of before.querySelectorAll('input[type=checkbox]')) {
    const same = [...after.querySelectorAll('input[type=checkbox]')].find(
      (other) => other.name === box.name && other.value === box.value,
    );
    if (same) same.checked = box.checked;
  }
}

/** Kept elements stay where the page still has them: a map with what is chosen on it, and where it was moved to. */
function keepParts(kept, after) {
  for (const part of kept) after.querySelector(`[data-keep="${part.dataset.keep}"]`)?.replaceWith(part);
}

/** A part of a page whose work is under way is asked for again until it is done; the rest of the page stays as it is. */
export function watchWork() {
  const waiting = document.querySelector('[data-again]');
  if (!waiting || waiting === watched) return;
  watched = waiting;
  setTimeout(async () => {
    try {
      const answer = await fetch(window.location.href);
      const fresh = new DOMParser().parseFromString(await answer.text(), 'text/html').getElementById(waiting.id);
      if (fresh && waiting.isConnected) {
        keepChoices(waiting, fresh);
        const kept = [...waiting.querySelectorAll('[data-keep]')];
        waiting.replaceWith(fresh);
        keepParts(kept, fresh);
        fresh.dispatchEvent(new CustomEvent('exchanged', { bubbles: true }));
      }
    } catch {
      // The server is away: asked again.
    }
    watched = null;
    watchWork();
  }, PAUSE_MILLIS);
}

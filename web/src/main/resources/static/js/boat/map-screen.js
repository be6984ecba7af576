// The Map screen of the boat's app: the lake, and what is to be said of the spot that was tapped.
import { html, nothing, repeat } from '/assets/lit-html.js';
import { keptLayers, switchLayer } from '../map/page.js';

const LAYERS = {
  shade: 'shade',
  lines: 'depth lines',
  zones: 'slow and closed water',
  timber: 'timber',
  grass: 'grass',
  docks: 'docks',
  spots: 'spots',
  waypoints: 'waypoints',
  runs: 'the way',
};

export function mapScreen(app) {
  if (!app.taken)
    return html`<section class="sheet">
      <p>No map is on this phone yet: it comes with the next signal.</p>
    </section>`;
  const chosen = app.map?.places.find(({ id }) => id === app.chosen);
  return html`<section class="lake" aria-label="Map of the lake">
      <canvas data-lake aria-hidden="true"></canvas>
      <div class="lake-keys">
        <button type="button" aria-label="Closer" @click=${() => app.lake.closer()}>+</button>
        <button type="button" aria-label="Farther" @click=${() => app.lake.back()}>−</button>
        <button type="button" @click=${() => app.lake.all()}>All</button>
        ${
          app.canLocate
            ? html`<button type="button" aria-pressed=${Boolean(app.following)} @click=${() => app.showBoat()}>
                Boat
              </button>`
            : nothing
        }
        ${layers(app)}
      </div>
      ${chosen ? place(app, chosen) : nothing}
    </section>
    <section class="sheet" aria-labelledby="near">
      <h2 id="near">Spots, nearest first</h2>
      <ul class="near">
        ${repeat(
          app.map?.places ?? [],
          ({ id }) => id,
          ({ id, name, run, caution }) =>
            html`<li>
              <button type="button" aria-pressed=${id === app.chosen} @click=${() => app.choose(id)}>
                <strong>${name}</strong> <span class="faint">${run ?? 'no route by water'}</span>
                ${caution ? html`<span class="flag">off limits</span>` : nothing}
              </button>
            </li>`,
        )}
      </ul>
    </section>`;
}

function layers(app) {
  const kept = keptLayers();
  return html`<details class="layers">
    <summary>Layers</summary>
    <fieldset class="sheet">
      <legend class="sr-only">What the map shows</legend>
      ${Object.entries(LAYERS).map(
        ([layer, words]) =>
          html`<label
            ><input
              type="checkbox"
              .checked=${kept[layer]}
              @change=${({ target }) => switchLayer(app.lake, layer, target.checked)}
            />
            ${words}</label
          >`,
      )}
    </fieldset>
  </details>`;
}

function place(app, { id, name, kind, best, fished, run, caution, stones, lure }) {
  const main = caution ? '' : 'act';
  return html`<section class="sheet place grid gap-1" aria-labelledby="place" data-place=${id}>
    <h2 id="place">${name} <span class="font-normal faint">${kind}</span></h2>
    ${caution ? html`<p class="note trouble">${caution}</p>` : nothing}
    ${best ? html`<p><strong>${best}</strong></p>` : nothing}
    <p>${fished}. <span class="faint">Evidence: ${stones} of 5 stones.</span></p>
    <p>${run ?? 'The map shows no way by water from here.'}</p>
    <div class="row-line">
      ${
        app.startWords
          ? html`<button type="button" class=${app.startsFirst ? main : ''} @click=${() => app.startAt(id, lure)}>
              ${app.startWords}
            </button>`
          : nothing
      }
      <button
        type="button"
        class=${app.startsFirst ? '' : main}
        aria-pressed=${app.target === id}
        @click=${() => app.goThere(id)}
      >
        ${app.target === id ? 'Stop showing the way' : app.wayWords}
      </button>
    </div>
  </section>`;
}

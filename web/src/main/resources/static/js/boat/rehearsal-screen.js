// What a rehearsal shows in the boat's screens beside what they show on the water.
import { html, nothing } from '/assets/lit-html.js';
import { entries, planScreen } from './screens.js';

/** Its own screens by name, and what stands below all of them. */
export const OWN = { log: logScreen, plan: ownPlan, foot };

function logScreen(app) {
  const { state } = app;
  return html`${told(app)}
    ${state.over ? ended(app) : html`${advice(app)} ${state.fishing ? [here(app), goTo(app)] : [goTo(app), here(app)]}`}
    ${entries(app)}
    <p class="caution">
      A rehearsal: nothing here reaches your real log. On the water the sky, the director and the officers decide.
    </p>`;
}

/** What came of the last step, each fish with what to do. */
function told({ state, view, refusal }) {
  const came = state.over ? [] : view.lines.filter(({ id }) => state.came?.includes(id)).toReversed();
  return html`${refusal ? html`<div class="note trouble" role="alert" data-refusal>${refusal}</div>` : nothing}
  ${
    state.told
      ? html`<section class="sheet grid gap-2" role="status" data-told>
          <p class="text-xl font-semibold">${state.told}</p>
          ${
            came.length > 0
              ? html`<ol class="log">
                  ${came.map(
                    (line) =>
                      html`<li>
                        <span class="faint">${line.time}</span><strong>${line.what}</strong><span>${line.brought}</span>
                      </li>`,
                  )}
                </ol>`
              : nothing
          }
        </section>`
      : html`<section class="sheet grid gap-2" data-told>
          <h2>Day ${state.day}, number ${state.number}</h2>
          <p>You are at the launch. Choose where to go first; then fish a quarter of an hour at a time.</p>
        </section>`
  }`;
}

function ended(app) {
  return html`<section class="sheet grid gap-3" aria-labelledby="ended">
    <h2 id="ended">The day is over</h2>
    <p>Your bag counts <strong>${app.state.counted}</strong>.</p>
    <a class="button act wide" href=${app.resultPage}>See how it went</a>
  </section>`;
}

/** Shows the actions at the boat's place. */
function here(app) {
  const { state } = app;
  const leaving = app.view.hours.tone !== 'calm';
  const step = (words, what, classes = '', off = false) =>
    html`<button type="button" class=${classes} ?disabled=${app.busy || off} @click=${() => app.step(what)}>
      ${words}
    </button>`;
  return html`<section class="sheet grid gap-3" aria-labelledby="here">
    <h2 id="here">${state.fishing ? `Fishing: ${state.fishing}` : 'Not fishing'}</h2>
    <p>Now: ${state.weather || 'no weather is forecast'}.</p>
    ${
      state.lightning
        ? html`<p class="note trouble" role="alert"><strong>Lightning: go ashore and wait there.</strong></p>`
        : nothing
    }
    ${
      state.fishing && !state.lightning && !state.late
        ? html`<div class="outcomes">
            ${step('Fish 15 minutes', { what: 'fish', minutes: 15 }, leaving ? 'wide' : 'act wide')}
            ${step('Fish 30 minutes', { what: 'fish', minutes: 30 }, 'wide')}
          </div>`
        : nothing
    }
    ${
      state.home
        ? home(app, step)
        : html`<p>Your boat takes no run to check-in in this wind.</p>
            ${step('Wait 15 minutes', { what: 'wait', minutes: 15 })}`
    }
    <details ?open=${state.lightning || (leaving && app.leaveFor !== null)}>
      <summary>Wait ashore</summary>
      <div class="row-line">
        ${state.shelters.map(({ id, name, run }) =>
          step(`At ${name}, ${run} run`, { what: 'ashore', shelter: id }, state.lightning ? 'act' : ''),
        )}
      </div>
    </details>
  </section>`;
}

/** The run to check-in ends the day: it is one tap only when it is time. */
function home({ state, view, leaveFor }, step) {
  const run = step(`Run to check-in, ${state.home}`, { what: 'home' }, 'act');
  return state.late || (view.hours.tone !== 'calm' && leaveFor === null)
    ? html`<div>${run}</div>`
    : html`<details>
        <summary>Back to check-in, ${state.home} run</summary>
        <p>It ends the day, ${view.hours.toGo} before check-in.</p>
        ${run}
      </details>`;
}

/** Where to go, the nearest first, and with what. */
function goTo(app) {
  const { state } = app;
  if (state.lightning || state.late) return nothing;
  const places = app.map?.places ?? [];
  return html`<section class="sheet grid gap-3" aria-labelledby="go">
    <h2 id="go">Go, or change the lure</h2>
    <form class="grid gap-3" data-go @submit=${(event) => app.go(event)}>
      <div class="fields">
        <div class="field">
          <label for="spot">Spot</label>
          <select id="spot" name="spot" @change=${({ target }) => app.spotPicked(target.value)}>
            ${places.map(
              ({ id, name, run }) =>
                html`<option value=${id} ?selected=${id === app.spotChosen}>
                  ${name}: ${run ?? 'no way by water'}
                </option>`,
            )}
          </select>
        </div>
        <div class="field">
          <label for="lure">With</label>
          <select id="lure" name="presentation">
            ${Object.entries(app.names.presentations).map(
              ([id, name]) =>
                html`<option value=${id} ?selected=${id === app.lureFor(app.spotChosen)}>${name}</option>`,
            )}
          </select>
        </div>
      </div>
      ${bestOf(places.find(({ id }) => id === app.spotChosen))}
      <button ?disabled=${app.busy || places.length === 0}>Go there</button>
    </form>
  </section>`;
}

function bestOf(place) {
  return place ? html`<p class="hint">${place.best ? `${place.best}. ` : ''}${place.fished}.</p>` : nothing;
}

function advice(app) {
  const stay = app.state.advice ? app.kept.plan?.stay : null;
  return stay
    ? html`<section class="sheet next-hour" data-tone=${stay.tone} aria-labelledby="advised">
        <h2 id="advised">Stay or move</h2>
        <p class="act-words">${stay.act}</p>
        <p>${stay.why}</p>
      </section>`
    : nothing;
}

/** The plan that is rehearsed, and the advice where it is shown. */
function ownPlan(app) {
  const { state } = app;
  return html`<section class="sheet grid gap-2" aria-labelledby="own-plan">
      <h2 id="own-plan">Your plan</h2>
      <ol class="log">
        ${state.stops.map(
          ({ time, place, past }) =>
            html`<li>
              <span class="faint">${time}</span><span class=${past ? 'faint' : 'font-semibold'}>${place}</span>
            </li>`,
        )}
      </ol>
    </section>
    ${
      state.advice
        ? planScreen(app)
        : html`<section class="sheet grid gap-3">
            <p>Move advice is hidden in this rehearsal.</p>
            <div><button type="button" @click=${() => app.showAdvice(true)}>Show move advice</button></div>
          </section>`
    }`;
}

function foot(app) {
  return html`<details class="sheet boat-foot">
    <summary>Rehearsal of ${app.event.name}, day number ${app.state.number}</summary>
    <div class="row-line">
      <a class="button" href=${app.listPage}>All rehearsals</a>
      <button type="button" aria-pressed=${app.state.advice} @click=${() => app.showAdvice(!app.state.advice)}>
        Move advice
      </button>
      <button type="button" @click=${() => app.toggleTheme()}>${app.isDark ? 'Light theme' : 'Dark theme'}</button>
      ${
        app.canSpeak
          ? html`<button type="button" aria-pressed=${app.aloud} @click=${() => app.toggleAloud()}>Read aloud</button>`
          : nothing
      }
    </div>
    <p>Every step is kept: leave when you like and go on later from the list of rehearsals.</p>
  </details>`;
}

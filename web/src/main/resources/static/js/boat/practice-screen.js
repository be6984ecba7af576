// The Log screen of a practice day, drawn from the view of the rules' module. Nothing is computed here.
import { html, nothing, repeat } from '/assets/lit-html.js';
import { clock, problems } from './parts.js';

export function practiceHead(app) {
  const { practice } = app;
  return html`<header class="boat-head big-numbers">
    <span><strong>${practice.open ? practice.open.spot : 'Practice'}</strong></span>
    ${clock(app, practice.clock)}
    <span class="faint">${practice.sum || 'nothing logged today'}</span>
  </header>`;
}

export function practiceScreen(app) {
  const { practice } = app;
  return html`${practice.open ? openStop(app) : startHere(app)} ${today(practice)}
    <p class="caution">
      Life jacket on and lanyard clipped whenever the big motor runs. Check the hook and the line after each fish.
    </p>
    ${
      app.kept.undo
        ? html`<div class="undo-bar">
            <button type="button" class="w-full" accesskey="z" @click=${() => app.undoChange()}>
              Undo:&nbsp;<span class="font-normal">${app.kept.undo.words}</span>
            </button>
          </div>`
        : nothing
    }`;
}

function lures(app, kind, checked) {
  return html`<fieldset>
    <legend class="sr-only">Lure</legend>
    <div class="chips">
      ${Object.entries(app.names.presentations).map(
        ([id, words]) =>
          html`<label
            ><input type=${kind} name="presentation" value=${id} ?checked=${checked.includes(id)} /><span
              >${words}</span
            ></label
          >`,
      )}
    </div>
  </fieldset>`;
}

/** Where the next stop may start: at the nearest spot with one tap, at any other, or where no spot is yet. */
function startHere(app) {
  const { practice } = app;
  const [nearest] = practice.spots;
  return html`<section class="sheet grid gap-3" aria-labelledby="start">
    <h2 id="start">${practice.open ? 'Move on' : 'Start a stop'}</h2>
    ${practice.open ? nothing : problems(app, 'practice')}
    <form class="grid gap-3" @submit=${(event) => app.start(event)}>
      ${lures(app, 'checkbox', practice.lures)}
      ${
        nearest?.away
          ? html`<button class="act wide" name="spot" value=${nearest.id}>
              Start at ${nearest.name}, ${nearest.away}
            </button>`
          : nothing
      }
      <div class="row-line">
        <div class="field">
          <label for="other">${nearest?.away ? 'Other spot' : 'Where'}</label>
          <select id="other" name="other">
            ${practice.spots.map(
              ({ id, name, away }) => html`<option value=${id}>${name}${away ? `, ${away}` : ''}</option>`,
            )}
          </select>
        </div>
        <button class=${nearest?.away ? '' : 'act'}>Start stop</button>
      </div>
      ${
        app.position
          ? html`<button name="spot" value="here">New spot here</button>`
          : html`<button type="button" ?hidden=${!app.canLocate} @click=${() => app.follow()}>Use my position</button>`
      }
    </form>
  </section>`;
}

function openStop(app) {
  const { open, outcomes } = app.practice;
  return html`<section class="sheet grid gap-3 pad" aria-labelledby="fishing">
      <h2 id="fishing">
        Fishing ${open.spot}
        <span class="font-normal faint">${open.since}${open.follows ? `, ${open.follows}` : ''}</span>
      </h2>
      ${problems(app, 'practice')}
      <form class="grid gap-3" @submit=${(event) => app.bite(event)}>
        ${lures(app, 'radio', open.usual ? [open.usual] : [])}
        <div class="row-line measures" @focusin=${(e) => app.typeInto(e.target)}>
          <div class="field">
            <label for="species">Species</label>
            <select id="species" name="species">
              <option value="">not noted</option>
              ${app.event.species.map(({ code }) => html`<option value=${code}>${code}</option>`)}
            </select>
          </div>
          <div class="field">
            <label for="size">Size, if you know it</label>
            <input type="text" id="size" name="size" autocomplete="off" placeholder="3-4" />
          </div>
        </div>
        <div class="outcomes">
          ${outcomes.map(
            ({ code, words }) =>
              html`<button name="outcome" value=${code} class=${code === 'landed' ? 'act' : ''}>${words}</button>`,
          )}
          <button type="button" @click=${() => app.log({ what: 'follow', stop: open.id }, 'follow')}>Follow</button>
          <button type="button" @click=${() => app.log({ what: 'end', stop: open.id }, 'end of the stop')}>
            End stop
          </button>
        </div>
      </form>
      <ol class="log">
        ${repeat(
          open.bites,
          (bite) => bite.id,
          (bite) =>
            html`<li>
              <span class="faint">${bite.time}</span><strong>${bite.words}</strong>
              <details>
                <summary aria-label=${`Change the bite ${bite.words} of ${bite.time}`}>Change</summary>
                <button
                  type="button"
                  class="danger"
                  @click=${() => app.log({ what: 'delete-bite', stop: open.id, bite: bite.id }, 'deleted bite')}
                >
                  Delete
                </button>
              </details>
            </li>`,
        )}
      </ol>
    </section>
    <details>
      <summary>Move on to another spot</summary>
      ${startHere(app)}
    </details>`;
}

function today({ today: stops }) {
  return stops.length === 0
    ? nothing
    : html`<section class="sheet" aria-labelledby="today">
        <h2 id="today">Today</h2>
        <ol class="log">
          ${repeat(
            stops,
            (stop) => stop.id,
            (stop) =>
              html`<li>
                <span class="faint">${stop.time}</span><strong>${stop.spot}</strong><span>${stop.words}</span>
              </li>`,
          )}
        </ol>
      </section>`;
}

// The Log screen of a practice day, drawn from the view of the rules' module. Nothing is computed here.
import { html, nothing, repeat } from '/assets/lit-html.js';
import { clock, LOSSES, problems, spotName, spotNames } from './parts.js';

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
  return html`${practice.open ? openStop(app) : startHere(app)} ${today(app)} ${waypoint(app)}
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
  const nearest = practice.spots.find(({ id }) => !app.offLimits(id));
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
              ({ id, name, away }) =>
                html`<option value=${id}>${spotName(app, id, name + (away ? `, ${away}` : ''))}</option>`,
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
          <button type="button" @click=${() => app.log({ what: 'bycatch', stop: open.id }, 'bycatch')}>Bycatch</button>
          <button type="button" @click=${() => app.log({ what: 'end', stop: open.id }, 'end of the stop')}>
            End stop
          </button>
        </div>
        <details>
          <summary>How it was taken</summary>
          <div class="pairs">
            ${typed('retrieve', 'Retrieve', '')} ${picked('colour', 'Colour', COLOURS, '')}
            ${picked('takenOn', 'Taken', TAKEN, '')} ${typed('waterDepthM', 'Water depth', '')} ${fishSeen('fish', {})}
            ${picked('baitNear', 'Bait near', YES_NO, '')}
          </div>
        </details>
      </form>
      <ol class="log">
        ${repeat(
          open.bites,
          (bite) => bite.id,
          (bite) =>
            html`<li>
              <span class="faint">${bite.time}</span><strong>${bite.words}</strong> ${lostHow(app, open.id, bite)}
              ${changeBite(app, open.id, bite)}
            </li>`,
        )}
      </ol>
    </section>
    <details class="sheet">
      <summary>Conditions <span class="font-normal faint">${open.conditions || 'not noted'}</span></summary>
      ${conditions(app, open)}
    </details>
    <details>
      <summary>Move on to another spot</summary>
      ${startHere(app)}
    </details>`;
}

const TAKEN = {
  bottom: 'on bottom',
  suspended: 'suspended',
  fall: 'on the fall',
  lift: 'on the lift',
  swim: 'while it swam',
};
const COLOURS = { natural: 'natural', mixed: 'mixed', bold: 'bold' };
const YES_NO = { yes: 'yes', no: 'no' };
const SIDES = { left: 'left', right: 'right' };
const POSITIONS = {
  'on-top': 'on top',
  'off-edge': 'off the edge',
  suspended: 'suspended',
  'on-bottom': 'on the bottom',
};
const COUNTS = { one: 'one', few: 'two to five', many: 'many' };
const SHAPES = { 'flat-layer': 'flat layer', 'tall-stack': 'tall stack', scattered: 'scattered' };
const SKIES = { clear: 'clear', partly: 'partly cloudy', cloudy: 'cloudy', rain: 'rain' };

/** How fish stood, as fields of a form. */
function fishSeen(of, fields) {
  return html`${picked(`${of}Position`, 'Fish stood', POSITIONS, fields[`${of}Position`])}
  ${typed(`${of}DepthM`, 'Fish at', fields[`${of}DepthM`] ?? '')}
  ${picked(`${of}Count`, 'How many', COUNTS, fields[`${of}Count`])}
  ${picked(`${of}Shape`, 'Shape on the screen', SHAPES, fields[`${of}Shape`])}`;
}

/** How a bite was lost, in one tap while nobody has said it. */
function lostHow(app, stop, { id, words, fields }) {
  if (fields.lossWay || !['lost', 'missed'].includes(fields.outcome)) return nothing;
  return html`<div class="chips" role="group" aria-label=${`How was it lost: ${words}`}>
    ${Object.entries(LOSSES).map(
      ([code, way]) =>
        html`<button
          type="button"
          class="small"
          @click=${() =>
            app.log({ what: 'edit-bite', stop, bite: id, 'set/lossWay': code, 'was/lossWay': '' }, 'how it was lost')}
        >
          ${way}
        </button>`,
    )}
  </div>`;
}

function typed(name, label, value, hint = '') {
  return html`<div class="field">
    <label for=${name}>${label}</label>
    <input type="text" id=${name} name=${name} .value=${value} autocomplete="off" placeholder=${hint} />
  </div>`;
}

function picked(name, label, options, value, none = 'not noted') {
  return html`<div class="field">
    <label for=${name}>${label}</label>
    <select id=${name} name=${name}>
      ${none ? html`<option value="">${none}</option>` : nothing}
      ${Object.entries(options).map(
        ([code, words]) => html`<option value=${code} ?selected=${code === value}>${words}</option>`,
      )}
    </select>
  </div>`;
}

/** A form that changes some fields of a stop or bite; only those that were changed travel. */
function changing(app, what, of, fields, inputs, extra = nothing) {
  return html`<form class="grid gap-2" @submit=${(event) => app.edit(event, { what, ...of }, fields)}>
    <div class="pairs">${inputs}</div>
    <div class="row-line"><button class="act">Save</button>${extra}</div>
  </form>`;
}

function changeBite(app, stop, { id, time, words, fields }) {
  const { outcomes } = app.practice;
  const remove = html`<button
    type="button"
    class="danger"
    @click=${() => app.log({ what: 'delete-bite', stop, bite: id }, 'deleted bite')}
  >
    Delete
  </button>`;
  const species = Object.fromEntries(app.event.species.map(({ code }) => [code, code]));
  return html`<details>
    <summary aria-label=${`Change the bite ${words} of ${time}`}>Change</summary>
    ${changing(
      app,
      'edit-bite',
      { stop, bite: id },
      fields,
      html`${picked('outcome', 'Outcome', Object.fromEntries(outcomes.map((one) => [one.code, one.words])), fields.outcome, '')}
      ${picked('presentation', 'Lure', app.names.presentations, fields.presentation)}
      ${picked('species', 'Species', species, fields.species)} ${typed('size', 'Size', fields.size ?? '')}
      ${picked('how', 'Size by', { guess: 'guess', scale: 'scale' }, fields.how, '')}
      ${picked('lossWay', 'Lost how', LOSSES, fields.lossWay)} ${typed('retrieve', 'Retrieve', fields.retrieve ?? '')}
      ${picked('colour', 'Colour', COLOURS, fields.colour)} ${picked('takenOn', 'Taken', TAKEN, fields.takenOn)}
      ${typed('waterDepthM', 'Water depth', fields.waterDepthM ?? '')} ${fishSeen('fish', fields)}
      ${picked('baitNear', 'Bait near', YES_NO, fields.baitNear)}`,
      remove,
    )}
  </details>`;
}

function conditions(app, { id, fields }) {
  return changing(
    app,
    'edit-stop',
    { stop: id },
    fields,
    html`${typed('waterTempC', 'Water temperature', fields.waterTempC ?? '')}
    ${typed('visibilityM', 'Visibility', fields.visibilityM ?? '')} ${typed('windMps', 'Wind', fields.windMps ?? '')}
    ${typed('windFromDeg', 'Wind from', fields.windFromDeg ?? '', 'SW')} ${picked('sky', 'Sky', SKIES, fields.sky)}
    ${typed('boatsNear', 'Boats near', fields.boatsNear ?? '')}
    ${picked('baitSeen', 'Bait', { yes: 'seen', no: 'none' }, fields.baitSeen)} ${fishSeen('seen', fields)}`,
  );
}

function changeStop(app, { id, time, spot, fields }) {
  const remove = html`<button
    type="button"
    class="danger"
    @click=${() => app.log({ what: 'delete-stop', stop: id }, 'deleted stop')}
  >
    Delete
  </button>`;
  return html`<details>
    <summary aria-label=${`Change the stop at ${spot}, ${time}`}>Change</summary>
    ${changing(
      app,
      'edit-stop',
      { stop: id },
      fields,
      html`${picked('spot', 'Spot', spotNames(app), fields.spot, '')} ${typed('start', 'Start', fields.start ?? '')}
        ${typed('end', 'End', fields.end ?? '')}
        ${fields.endDate ? typed('endDate', 'End date', fields.endDate) : nothing}
        <label class="check"
          ><input type="checkbox" name="longStop" ?checked=${Boolean(fields.longStop)} />Longer than 6 hours</label
        >
        ${typed('follows', 'Follows', fields.follows ?? '')} ${typed('bycatch', 'Bycatch', fields.bycatch ?? '')}
        ${typed('idleMinutes', 'Minutes not fished', fields.idleMinutes ?? '')}`,
      remove,
    )}
  </details>`;
}

/** The form for a waypoint seen from the boat: where it is, or as "2 o'clock, 70 ft" from its heading. */
function waypoint(app) {
  return html`<details class="sheet">
    <summary>Mark a waypoint</summary>
    ${problems(app, 'waypoint')}
    ${
      app.position
        ? html`<form class="grid gap-2" @submit=${(event) => app.markWaypoint(event)}>
            <div class="pairs">
              ${typed('seen', 'Seen from the boat', '', "2 o'clock, 70 ft")}
              <div class="grid gap-1">
                ${typed('heading', 'Heading of the boat', app.position.heading ?? '', '0 to 360')}
                ${
                  app.compass.isThere
                    ? html`<button type="button" class="small" @click=${() => app.takeHeading('heading')}>
                        Take the phone's compass
                      </button>`
                    : nothing
                }
              </div>
              ${fishSeen('fish', {})} ${picked('bait', 'Bait', YES_NO, '')} ${typed('waterDepthM', 'Water depth', '')}
              ${typed('note', 'Note', '')}
            </div>
            <details>
              <summary>Fix from two places</summary>
              <div class="pairs">
                <div class="grid gap-1">
                  ${typed('position2', 'Place before', '')}
                  <button type="button" class="small" @click=${(event) => app.takePlaceBefore(event)}>
                    Take this place
                  </button>
                </div>
                ${typed('bearing2', 'Bearing from there', '', '0 to 360')} ${typed('range2', 'Range from there', '')}
                ${typed('bearing1', 'Bearing from here', '', '0 to 360')} ${typed('range1', 'Range from here', '')}
                ${picked('side', 'From here to there it lies', SIDES, 'left')}
              </div>
            </details>
            <button class="act">Mark waypoint</button>
          </form>`
        : html`<p>
            The phone's position is needed for this.
            <button type="button" ?hidden=${!app.canLocate} @click=${() => app.follow()}>Use my position</button>
          </p>`
    }
  </details>`;
}

function today(app) {
  const stops = app.practice.today;
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
                ${changeStop(app, stop)}
              </li>`,
          )}
        </ol>
      </section>`;
}

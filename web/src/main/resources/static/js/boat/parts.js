// What the screens of the boat's app share.
import { html, nothing } from '/assets/lit-html.js';
import { isRead, noteRead } from '../minded.js';

/** Shows the errors of a form. */
export function problems({ errors }, form) {
  return errors?.form === form
    ? html`<div class="note trouble" role="alert" data-errors>${errors.messages.join(' ')}</div>`
    : nothing;
}

/** The time, and how much is still to be sent. */
export function clock({ waits, track }, time) {
  return html`<span class="day-clock"
    >${track.isOn ? html`<span class="flag">track</span>` : nothing}
    ${waits > 0 ? html`<span class="faint">${waits} to send</span>` : nothing} ${time}</span
  >`;
}

/** Something to mind: open until it was read, then folded to its title. */
export function minded({ id, title, words }) {
  const seen = ({ target }) => {
    if (!target.open) noteRead(id);
  };
  return html`<details class="minded" data-minded=${id} ?open=${!isRead(id)} @toggle=${seen}>
    <summary>${title}</summary>
    <p>${words}</p>
  </details>`;
}

/** A spot as lists name it; one off limits says so. */
export function spotName(app, id, name) {
  return app.offLimits(id) ? `✕ ${name} (off limits)` : name;
}

/** Names of spots by their ids. */
export function spotNames(app) {
  return Object.fromEntries(Object.entries(app.names.spots).map(([id, name]) => [id, spotName(app, id, name)]));
}

/** How bites are lost. */
export const LOSSES = {
  'jumped-off': 'jumped off',
  'pulled-out': 'pulled out',
  'hook-opened': 'hook opened',
  'short-bite': 'short bite',
  'rear-hook': 'rear hook',
  'broke-off': 'broke off',
};

// What the screens of the boat's app share.
import { html, nothing } from '/assets/lit-html.js';

/** What is wrong with what was typed or asked in a form. */
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

/** How bites are lost. */
export const LOSSES = {
  'jumped-off': 'jumped off',
  'pulled-out': 'pulled out',
  'hook-opened': 'hook opened',
  'short-bite': 'short bite',
  'rear-hook': 'rear hook',
  'broke-off': 'broke off',
};

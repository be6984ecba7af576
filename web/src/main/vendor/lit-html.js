// What the boat's screens are drawn with, as one module.
export { html, nothing, render } from 'lit-html';
export { repeat } from 'lit-html/directives/repeat.js';

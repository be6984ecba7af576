// What all pages do: each part looks for its own elements and leaves pages without them alone.
import { finishSignOut, keepForOneAccount, watchSignOut } from './sign-out.js';
import { watchInstruments } from './instruments.js';
import { isRead, noteRead } from './minded.js';
import { watchWork } from './work.js';

/** Counts the minutes since a stop began. */
function runClocks() {
  for (const element of document.querySelectorAll('[data-running-since]')) {
    const began = performance.now() - 1000 * Number(element.dataset.seconds);
    const show = () => {
      const minutes = Math.floor((performance.now() - began) / 60000);
      element.textContent =
        minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')}`;
    };
    show();
    setInterval(show, 10000);
  }
}

/** Fills a field with the device's position where the device has one. */
function offerPositions() {
  for (const button of document.querySelectorAll('[data-boat-position]')) {
    if (!('geolocation' in navigator) || !window.isSecureContext) continue;
    button.hidden = false;
    button.addEventListener('click', () => {
      button.disabled = true;
      navigator.geolocation.getCurrentPosition(
        ({ coords }) => {
          document.getElementById(button.dataset.boatPosition).value =
            `${coords.latitude.toFixed(5)}, ${coords.longitude.toFixed(5)}`;
          button.disabled = false;
        },
        () => {
          button.textContent = 'No position from this device: type it';
          button.disabled = false;
        },
        { enableHighAccuracy: true, timeout: 15000 },
      );
    });
  }
}

/** Sends a form of choices as soon as one is changed. */
function watchChoices() {
  for (const form of document.querySelectorAll('form[data-auto]')) {
    form.querySelectorAll('button').forEach((button) => (button.hidden = true));
    form.addEventListener('change', () => form.requestSubmit());
  }
}

/** One box ticks all. */
function tickAll() {
  document.querySelector('[data-tick-all]')?.addEventListener('change', ({ target }) => {
    for (const box of document.querySelectorAll('[data-tick]')) box.checked = target.checked;
  });
}

/** A second tap on a button whose answer is on its way would send twice. */
function guardTaps() {
  for (const form of document.querySelectorAll('form[data-tap]')) {
    form.addEventListener('submit', (event) => {
      if (form.dataset.sent) {
        event.preventDefault();
        return;
      }
      form.dataset.sent = 'true';
    });
  }
  window.addEventListener('pageshow', () =>
    document.querySelectorAll('form[data-sent]').forEach((form) => delete form.dataset.sent),
  );
}

/** Values noted last: a tap writes one into its field. */
function offerValues() {
  for (const offers of document.querySelectorAll('[data-offers]')) {
    const field = document.getElementById(offers.dataset.offers);
    offers.hidden = false;
    for (const button of offers.querySelectorAll('button')) {
      button.addEventListener('click', () => {
        field.value = field.value === button.textContent ? '' : button.textContent;
      });
    }
  }
}

/** Keeps a caution open until it was read, on every page. */
function foldRead() {
  for (const one of document.querySelectorAll('[data-minded]')) {
    const id = one.dataset.minded;
    one.open = !isRead(id);
    one.addEventListener('toggle', () => {
      if (!one.open) noteRead(id);
    });
  }
}

/** On a narrow window the station one is at may lie outside the row. */
function showStation() {
  document.querySelector('.stations [aria-current]')?.scrollIntoView({ block: 'nearest', inline: 'center' });
}

// A part of a page that came again has choices of its own.
document.addEventListener('exchanged', watchChoices);
finishSignOut();
keepForOneAccount();
watchSignOut();
foldRead();
showStation();
watchWork();
watchInstruments();
runClocks();
offerPositions();
offerValues();
watchChoices();
tickAll();
guardTaps();

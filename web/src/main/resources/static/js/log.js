// Entries of the competition log. The page makes an entry's id and keeps the entry until the server has acknowledged it: when an answer
// is lost or the server cannot be reached, the same entry with the same id is sent again, and the server adds it once.

const RETRY_MILLIS = 4000;

/** Entries not acknowledged yet, in the order they were made, kept over a reload. */
export class Outbox {
  constructor(storage, key) {
    this.storage = storage;
    this.key = key;
  }

  all() {
    return JSON.parse(this.storage.getItem(this.key) ?? '[]');
  }

  add(entry) {
    this.storage.setItem(this.key, JSON.stringify([...this.all(), entry]));
  }

  remove(code) {
    this.storage.setItem(this.key, JSON.stringify(this.all().filter((entry) => entry.fields.code !== code)));
  }
}

/** An id for an entry: 128 random bits, which pages without TLS can make too. */
export function freshCode(crypto) {
  return Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** The fields to send: how long ago it was made tells the time, whatever the device's clock says. */
export function withAge(entry, now) {
  return { ...entry.fields, ago: String(Math.max(0, Math.round((now - entry.madeAt) / 1000))) };
}

export function watchLogs() {
  const root = document.querySelector('form[data-log]')?.getAttribute('action');
  if (!root) return;
  const outbox = new Outbox(localStorage, `lochan-unsent ${root}`);
  let sending = false;
  let timer = 0;

  const tell = (waiting) => {
    const box = document.querySelector('[data-unsent]');
    if (!box) return;
    box.hidden = waiting === 0;
    box.textContent = `${waiting} ${waiting === 1 ? 'entry is' : 'entries are'} kept on this device and not acknowledged yet; sending again. The decision comes with the answer: hold the fish.`;
  };

  const show = (html, url) => {
    const fresh = new DOMParser().parseFromString(html, 'text/html').querySelector('#content');
    if (!fresh) {
      window.location.assign(url);
      return;
    }
    document.querySelector('#content').replaceWith(fresh);
    listen();
    (document.querySelector('.verdict') ?? document.querySelector('#content')).scrollIntoView({ block: 'start' });
  };

  /** Sends what waits, the oldest first; stops at the first that cannot be sent. */
  const send = async () => {
    if (sending) return;
    sending = true;
    clearTimeout(timer);
    try {
      for (let [entry] = outbox.all(); entry; [entry] = outbox.all()) {
        const token = document.querySelector('form[data-log] input[name=_csrf]')?.value ?? '';
        const answer = await fetch(root, { method: 'POST', body: new URLSearchParams({ ...withAge(entry, Date.now()), _csrf: token }) });
        if (answer.ok || answer.status === 422) {
          const signedOut = answer.ok && new URL(answer.url).pathname === '/sign-in';
          if (signedOut) {
            window.location.assign('/sign-in');
            return;
          }
          outbox.remove(entry.fields.code);
          show(await answer.text(), window.location.href);
        } else {
          throw new Error(`status ${answer.status}`);
        }
      }
      tell(0);
    } catch {
      tell(outbox.all().length);
      timer = setTimeout(send, RETRY_MILLIS);
    } finally {
      sending = false;
    }
  };

  const listen = () => {
    for (const form of document.querySelectorAll('form[data-log]')) {
      form.addEventListener('submit', (event) => {
        event.preventDefault();
        const fields = Object.fromEntries([...new FormData(form)].filter(([name]) => name !== '_csrf'));
        fields.code = freshCode(globalThis.crypto);
        outbox.add({ fields, madeAt: Date.now() });
        form.querySelectorAll('button').forEach((button) => (button.disabled = true));
        send();
      });
    }
  };

  listen();
  window.addEventListener('online', send);
  if (outbox.all().length > 0) {
    tell(outbox.all().length);
    send();
  }
}

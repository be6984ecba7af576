// Signing out takes what is secret off this device at once, also without a signal: the server is then told as soon as it can be reached. What
// was logged and not sent yet stays, and nothing else.
import { LEAVING, Store } from './boat/store.js';

const APP = 'lochan-app';
const ACCOUNT = 'lochan-account';
const PATIENCE_MILLIS = 5000;

async function told(token) {
  const answer = await fetch('/sign-out', {
    method: 'POST',
    body: new URLSearchParams({ _csrf: token }),
    redirect: 'manual',
    signal: AbortSignal.timeout(PATIENCE_MILLIS),
  });
  return answer.type === 'opaqueredirect' || answer.ok;
}

/** The token of a form as the server makes it now; null when nobody is signed in any more. */
async function freshToken() {
  const answer = await fetch('/settings', { cache: 'no-store', signal: AbortSignal.timeout(PATIENCE_MILLIS) });
  const form = new DOMParser()
    .parseFromString(await answer.text(), 'text/html')
    .querySelector('form[action$="/sign-out"]');
  return form?.querySelector('[name=_csrf]')?.value ?? null;
}

/** Tells the server if it doesn't know yet, and opens the sign-in page. */
export async function finishSignOut() {
  const token = localStorage.getItem(LEAVING);
  if (token === null) return;
  try {
    if (!(await told(token))) {
      const fresh = await freshToken();
      if (fresh !== null && !(await told(fresh))) throw new Error('not signed out');
    }
    localStorage.removeItem(LEAVING);
  } catch {
    // The server is away: told the next time a page is opened.
  }
  if (window.location.pathname !== '/sign-in' || localStorage.getItem(LEAVING) === null)
    window.location.replace('/sign-in');
}

/** Whose device this was last: what it keeps of another account's is hidden as if that one had signed out. */
export async function keepForOneAccount(account = document.documentElement.dataset.account) {
  if (!account) return;
  const before = localStorage.getItem(ACCOUNT);
  if (before !== null && before !== account) await wipe(await Store.open());
  localStorage.setItem(ACCOUNT, account);
}

async function wipe(store) {
  await store.wipe();
  if ('caches' in window) await caches.delete(APP).catch(() => {});
}

/** Signs out, after asking when something is not sent yet. */
export async function signOut(token) {
  const store = await Store.open();
  const left = await store.waiting();
  const words = `${left} ${left === 1 ? 'entry is' : 'entries are'} not sent yet. They stay on this device, hidden, and are sent when you sign in again. Sign out?`;
  if (left > 0 && !window.confirm(words)) return;
  localStorage.setItem(LEAVING, token);
  document.documentElement.hidden = true;
  await wipe(store);
  await finishSignOut();
}

/** Every form that signs out takes the way over this device first. */
export function watchSignOut() {
  for (const form of document.querySelectorAll('form[action$="/sign-out"]')) {
    form.addEventListener('submit', (event) => {
      event.preventDefault();
      signOut(form.querySelector('[name=_csrf]').value);
    });
  }
  // Another page of this device signed out.
  window.addEventListener('storage', (event) => {
    if (event.key === LEAVING && event.newValue !== null) window.location.replace('/sign-in');
  });
}

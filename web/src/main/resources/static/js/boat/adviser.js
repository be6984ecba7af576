// Computes advice beside the page, so that no tap waits for it: the module is made of the same Java as the server's.
import * as advice from './advice.js';

const CAN = {
  take: ({ pack }) => advice.take(pack),
  ready: ({ now }) => advice.ready(now),
  plan: ({ log, now, lat, lon }) => advice.plan(log, now, lat, lon),
  map: ({ log, now, lat, lon }) => advice.map(log, now, lat, lon),
  way: ({ log, now, lat, lon, spot }) => advice.way(log, now, lat, lon, spot),
  rest: ({ log, now, lat, lon }) => advice.rest(log, now, lat, lon),
};

self.addEventListener('message', ({ data: { id, what, ...of } }) => {
  try {
    self.postMessage({ id, said: CAN[what](of) ?? null });
  } catch (error) {
    self.postMessage({ id, error: String(error) });
  }
});

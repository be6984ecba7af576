// Asks the module of the page's worker; each line in is a question, each line out its answer.
import { createInterface } from 'node:readline';

const advice = await import(process.argv[2]);
const place = (value) => value ?? NaN;
for await (const line of createInterface({ input: process.stdin })) {
  const { pack, log, now, lat, lon, rest } = JSON.parse(line);
  if (pack) {
    advice.take(pack);
    advice.ready(now);
  }
  const ask = rest ? advice.rest : advice.plan;
  console.log(JSON.stringify(pack ? {} : ask(log, now, place(lat), place(lon))));
}

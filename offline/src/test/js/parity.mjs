// Answers each line of standard input, {log, day, now}, with what the page's module makes of it: {rows, view}.
import readline from 'node:readline';
import { pathToFileURL } from 'node:url';

const bag = await import(pathToFileURL(process.argv[2]));
for await (const line of readline.createInterface({ input: process.stdin })) {
  const { log, day, now } = JSON.parse(line);
  console.log(JSON.stringify({ rows: bag.rows(log), view: bag.view(log, day, now, now + 25 * 60_000) }));
}

// Answers each line of standard input with what the page's module makes of it: {log, day, now} is a log, {log, form, id, at} an entry typed
// into a form, {log, practice, form, id, at} a change of practice.
import readline from 'node:readline';
import { pathToFileURL } from 'node:url';

const bag = await import(pathToFileURL(process.argv[2]));
const LEAVE_MILLIS = 25 * 60_000;
const SHELTER = 'the launch';

function answer({ log, practice, form, day, now, id, at }) {
  if (practice) return { made: bag.practiceChange(log, practice, form, id, at) };
  if (form) return bag.entry(log, form, id, at, at + LEAVE_MILLIS, SHELTER);
  return { rows: bag.rows(log), view: bag.view(log, day, now, now + LEAVE_MILLIS, SHELTER) };
}

for await (const line of readline.createInterface({ input: process.stdin }))
  console.log(JSON.stringify(answer(JSON.parse(line))));

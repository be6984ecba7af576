// The screens of the boat's app, drawn from the view of the rules' module. Nothing is computed here.
import { html, nothing, repeat } from '/assets/lit-html.js';
import { mapScreen } from './map-screen.js';
import { clock, LOSSES, minded, problems, spotNames } from './parts.js';
import { practiceHead, practiceScreen } from './practice-screen.js';

/** Screens by the names of their buttons. */
export const SCREENS = { log: 'Log', bag: 'Bag', map: 'Map', plan: 'Plan' };

const KEYS = [...'789456123-0./', ' ', 'back'];
const FACES = { ' ': 'space', back: '⌫' };

export function screen(app) {
  if (!app.view)
    return html`<main id="main" class="page">${waitingRoom(app)}</main>
      ${bar(app)}`;
  const practising = app.mode === 'practice';
  const log = practising ? practiceScreen : logScreen;
  const drawn = { log, bag: bagScreen, map: mapScreen, plan: planScreen, ...app.own }[app.screen];
  return html`${practising ? practiceHead(app) : head(app)}
    <main id="main" class="page boat" tabindex="-1">
      <h1 class="sr-only">${SCREENS[app.screen]}</h1>
      ${unsent(app)} ${app.trouble ? html`<div class="note trouble" role="alert">${app.trouble}</div>` : nothing}
      ${ringing(app)} ${asked(app)}
      <div class="grid gap-2" data-clashes>${clashes(app)}</div>
      ${drawn(app)} ${(app.own?.foot ?? foot)(app)}
    </main>
    ${bar(app)}`;
}

function waitingRoom(app) {
  return app.trouble
    ? html`<section class="sheet grid gap-3">
        <h1>${app.own ? 'This rehearsal cannot be shown' : 'Nothing of this event is on this phone'}</h1>
        <p role="alert">${app.trouble}</p>
        <p><a class="button" href="/events">All events</a></p>
      </section>`
    : html`<section class="sheet"><p role="status">Fetching the event.</p></section>`;
}

function bar(app) {
  return html`<nav class="boat-bar" aria-label="Screens">
    ${Object.entries(SCREENS).map(
      ([name, words]) =>
        html`<button
          type="button"
          aria-current=${app.screen === name ? 'page' : nothing}
          @click=${() => app.show(name)}
        >
          ${words}
        </button>`,
    )}
  </nav>`;
}

function head(app) {
  const { view } = app;
  const { hours } = view;
  return html`<header class="boat-head big-numbers">
    <span>Bag <strong>${view.total}</strong> <span class="faint">${view.count}</span></span>
    ${view.net ? html`<span>less penalties <strong>${view.net}</strong></span>` : nothing} ${clock(app, view.clock)}
    ${
      hours.open
        ? html`<span class="to-go" data-tone=${hours.tone}><strong>${hours.toGo}</strong> to check-in</span>`
        : html`<span class="faint">outside competition hours</span>`
    }
    ${hours.leave ? html`<p class="leave" data-tone=${hours.tone}>${hours.leave}</p>` : nothing}
  </header>`;
}

/** What keeps entries from being sent, where something does. */
function unsent({ waits, signedOut, away }) {
  if (signedOut)
    return html`<div class="unsent" data-unsent role="status">
      You are signed out. What you log is kept on this phone.
      <a class="button" href="/sign-in">Sign in and send it</a>
    </div>`;
  return waits === 0 || !away
    ? nothing
    : html`<div class="unsent" data-unsent role="status">
        No signal: ${waits} ${waits === 1 ? 'entry is' : 'entries are'} kept on this phone and will be sent in order.
      </div>`;
}

/** One at a time, so that the screen stays what it is for. */
function ringing(app) {
  const [alarm, ...more] = app.ringing;
  return alarm
    ? html`<div class="alarm" role="alert">
        <strong>${alarm.words}</strong>
        <button type="button" @click=${() => app.hasSeen(alarm)}>
          ${more.length > 0 ? `Seen, ${more.length} more` : 'Seen'}
        </button>
      </div>`
    : nothing;
}

/** A question that has to be answered first. */
function asked(app) {
  return app.asking
    ? notice(app.asking.words, [
        ['Start anyway', app.asking.yes],
        ['Cancel', () => app.dropQuestion()],
      ])
    : nothing;
}

function clashes(app) {
  return [
    ...app.kept.clashes.map((one) => notice(one.words, [['Settled', () => app.forget('clashes', one)]])),
    ...app.kept.refused.map((one) =>
      notice(`Not taken: ${one.words}. ${one.message}`, [
        ['Send it again', () => app.sendAgain(one)],
        ['Discard', () => app.forget('refused', one)],
      ]),
    ),
  ];
}

function notice(words, acts) {
  return html`<div class="note trouble" role="alert">
    <span>${words}</span>
    ${acts.map(([label, act]) => html`<button type="button" @click=${act}>${label}</button>`)}
  </div>`;
}

/** A form that makes an entry; what is wrong with what was typed stands in it. */
function entryForm(app, name, type, fixed, content, classes = 'grid gap-3') {
  return html`${problems(app, name)}
    <form class=${classes} data-form=${name} @submit=${(event) => app.submit(event, name)}>
      <input type="hidden" name="type" .value=${type} />
      ${Object.entries(fixed).map(([key, value]) => html`<input type="hidden" name=${key} .value=${value ?? ''} />`)}
      ${content}
    </form>`;
}

function textField(id, label, placeholder = '', mode = 'decimal') {
  return html`<div class="field">
    <label for=${id}>${label}</label>
    <input type="text" inputmode=${mode} id=${id} name=${id} autocomplete="off" placeholder=${placeholder} />
  </div>`;
}

/** A choice of lure; one that the angler's rules forbid is said so before it is taken. */
function lureChoice(app, id, label, chosen, none) {
  const now = app.picked?.[id] ?? chosen;
  const names = Object.entries(app.names.presentations).map(([code, words]) => [
    code,
    app.notAllowed[code] ? `✕ ${words}: not by your rules` : words,
  ]);
  return html`<div class="grid gap-2" @change=${({ target }) => app.pick(id, target.value)}>
    ${choice(id, 'presentation', label, Object.fromEntries(names), chosen, none)}
    ${
      app.notAllowed[now]
        ? html`<p class="note trouble" role="alert">Your rules say no: ${app.notAllowed[now]}</p>`
        : nothing
    }
  </div>`;
}

function choice(id, name, label, options, chosen, none) {
  return html`<div class="field">
    <label for=${id}>${label}</label>
    <select id=${id} name=${name}>
      ${none ? html`<option value="">${none}</option>` : nothing}
      ${Object.entries(options).map(
        ([code, words]) => html`<option value=${code} ?selected=${code === chosen}>${words}</option>`,
      )}
    </select>
  </div>`;
}

function told({ told: said }) {
  return said
    ? html`<section class="verdict" role="status" aria-live="assertive" data-tone=${said.tone}>
        <p class="act-words">${said.act}</p>
        <p>${said.why}</p>
        <p>Check the hook before the next cast.</p>
      </section>`
    : nothing;
}

function balance(app) {
  const { pair } = app.view;
  const heavier = (name, one, other, words) =>
    entryForm(
      app,
      name,
      'balance',
      { heavier: one, lighter: other },
      html`<button class="act wide w-full">${words}</button>`,
    );
  return html`<section class="sheet" aria-labelledby="balance">
    <h2 id="balance">Which one is heavier?</h2>
    <div class="outcomes">
      ${heavier('first', pair.first, pair.second, pair.firstName)}
      ${heavier('second', pair.second, pair.first, pair.secondName)}
    </div>
    <p class="hint">${pair.left}</p>
  </section>`;
}

/** How to handle a fish, and one from the deep water that is fished. */
function fishMinded(app) {
  const deep = app.taken?.pack.deepSpots?.includes(app.view.fishing?.spot);
  return (deep ? app.fishCautions : app.fishCautions.slice(0, -1)).map(minded);
}

function logScreen(app) {
  const { view } = app;
  return html`${told(view)} ${view.pair ? balance(app) : fishForm(app)} ${fishing(app)} ${entries(app)} ${weighIn(app)}
    ${fishMinded(app)}
    <p class="caution">
      These are the rules you typed; the director's sheet and the officers decide, possession rules first. A fish hooked
      deep: cut the line. Warm livewell: cool it, give it air. Life jacket on and lanyard clipped whenever the big motor
      runs; no run in lightning.
    </p>
    ${
      view.last
        ? html`<div class="undo-bar">
            ${entryForm(
              app,
              'undo',
              'void',
              { entry: view.last.id },
              html`<button accesskey="z">Undo:&nbsp;<span class="font-normal">${view.last.what}</span></button>`,
            )}
          </div>`
        : nothing
    }`;
}

function fishForm(app) {
  const { view, event } = app;
  const here = view.fishing;
  return html`<section class="sheet pad" aria-labelledby="log-fish">
    <h2 id="log-fish">
      Fish
      ${
        view.needs
          ? html`<span class="font-normal">– must weigh more than <strong>${view.needs}</strong></span>`
          : nothing
      }
    </h2>
    ${entryForm(
      app,
      'fish',
      'catch',
      {},
      html`<fieldset>
          <legend class="sr-only">Species</legend>
          <div class="chips">
            ${event.species.map(
              ({ code }, i) =>
                html`<label
                  ><input type="radio" name="species" value=${code} ?checked=${i === 0} /><span>${code}</span></label
                >`,
            )}
          </div>
        </fieldset>
        <div class="row-line measures" @focusin=${(e) => app.typeInto(e.target)}>
          ${app.byLength || app.byBalance ? nothing : textField('weight', 'Weight', '3-4')}
          ${textField('length', 'Length', '14 1/2')}
        </div>
        ${
          app.weighedBy
            ? html`<p class="hint" role="status" data-weighed>
                Weight from the ${app.weighedBy.from}, ${app.weighedBy.at}: check it, then log the fish.
              </p>`
            : nothing
        }
        ${app.scale.words ? html`<p class="hint" role="status">${app.scale.words}</p>` : nothing}
        ${
          app.scale.hasBluetooth && !app.byLength && !app.byBalance
            ? html`<button type="button" class="plain" @click=${() => app.scale.connect()}>
                Connect a Bluetooth scale
              </button>`
            : nothing
        }
        ${
          app.thumb
            ? html`<div class="keypad" aria-hidden="true" @click=${(e) => app.typed(e.target.dataset.key)}>
                ${KEYS.map((k) => html`<button type="button" tabindex="-1" data-key=${k}>${FACES[k] ?? k}</button>`)}
              </div>`
            : nothing
        }
        ${
          app.Ear
            ? html`<button type="button" ?disabled=${app.listening} @click=${() => app.listen()}>
                ${app.listening ? 'Listening' : 'Say it'}
              </button>`
            : nothing
        }
        <button class="act wide">Log fish</button>
        <details>
          <summary>Tag, spot, dead fish</summary>
          <div class="grid gap-3">
            <label class="check"><input type="checkbox" name="dead" />The fish is dead</label>
            <div class="fields">
              ${
                app.byLength
                  ? nothing
                  : choice('tag', 'tag', 'Tag', Object.fromEntries(view.tags.map((t) => [t, t])), null, 'next free one')
              }
              ${choice('spot', 'spot', 'Spot', spotNames(app), here?.spot, 'not noted')}
              ${lureChoice(app, 'presentation', 'Lure', here?.presentation, 'not noted')}
            </div>
          </div>
        </details>`,
    )}
  </section>`;
}

/** Shows what is fished now and lost bites, from the log alone, so that it works without advice. */
function fishing(app) {
  const { view, names } = app;
  const missing = [
    Object.keys(names.spots).length === 0 ? 'a spot' : null,
    Object.keys(names.presentations).length === 0 ? 'a lure' : null,
  ].filter(Boolean);
  if (missing.length > 0)
    return html`<section class="sheet" aria-labelledby="fishing">
      <h2 id="fishing">Where are you fishing?</h2>
      <p>
        This event has no ${missing.map((one) => one.slice(2)).join(' and no ')} yet. Add ${missing.join(' and ')} at
        the desk to log where you fish. You can log fish without.
      </p>
    </section>`;
  const here = view.fishing && { spot: view.fishing.spot, presentation: view.fishing.presentation };
  const bite = (outcome, words) =>
    entryForm(app, outcome, 'bite', { ...here, outcome }, html`<button>${words}</button>`, '');
  const best = app.kept.plan?.stay?.best;
  const next = here ?? (best && { spot: best.spotId, presentation: best.presentationId });
  return html`<section class="sheet grid gap-3" aria-labelledby="fishing">
    <h2 id="fishing">${here ? `Fishing now: ${view.fishing.words}` : 'Where are you fishing?'}</h2>
    ${
      here
        ? html`<div class="row-line">
            ${bite('missed', 'Log missed bite')} ${bite('lost', 'Log lost fish')}
            ${entryForm(app, 'stop', 'fishing', {}, html`<button>Stop fishing here</button>`, '')}
          </div>`
        : nothing
    }
    ${howLost(app, view.unexplained)}
    ${entryForm(
      app,
      'start',
      'fishing',
      {},
      html`${choice('now-spot', 'spot', 'Fishing now at', spotNames(app), next?.spot)}
        ${lureChoice(app, 'now-presentation', 'With', next?.presentation)}<button>Start here</button>`,
      'row-line',
    )}
  </section>`;
}

/** Asks how the fish that was just logged was lost; the answer completes that entry. */
function howLost(app, unexplained) {
  if (!unexplained) return nothing;
  const ways = Object.entries(LOSSES).filter(([way]) => unexplained.outcome === 'lost' || way === 'short-bite');
  return html`<div class="row-line" role="group" aria-label="How was it lost?">
    <span class="faint">${unexplained.outcome === 'lost' ? 'How was it lost?' : 'Was it a short bite?'}</span>
    ${ways.map(([lossWay, words]) =>
      entryForm(
        app,
        lossWay,
        'loss',
        { entry: unexplained.id, lossWay },
        html`<button class="small">${words}</button>`,
        '',
      ),
    )}
  </div>`;
}

export function entries(app) {
  const { view } = app;
  return html`<section class="sheet" aria-labelledby="log">
    <h2 id="log">Log of day ${view.day}</h2>
    ${view.lines.length === 0 ? html`<p class="faint">Nothing logged on this day yet.</p>` : nothing}
    <ol class="log">
      ${repeat(
        view.lines,
        (line) => line.id,
        (line) => entryLine(app, line),
      )}
    </ol>
  </section>`;
}

function entryLine(app, line) {
  return html`<li>
    <span class="faint">${line.time}</span><strong data-voided=${line.voided}>${line.what}</strong
    ><span>${line.brought}</span>
    ${
      line.mayVoid
        ? html`<details
            ?open=${app.correcting === line.id}
            @toggle=${({ target }) => app.correct(line.id, target.open)}
          >
            <summary aria-label=${`Correct the entry ${line.what} of ${line.time}`}>Correct</summary>
            ${app.correcting === line.id ? corrections(app, line) : nothing}
          </details>`
        : nothing
    }
  </li>`;
}

/** Drawn for the entry that is open alone: a day has dozens. */
function corrections(app, line) {
  return html`<div class="row-line">
    ${
      line.isCatch
        ? entryForm(
            app,
            `correct ${line.id}`,
            'correct',
            { catch: line.id },
            html`${
                app.byLength || app.byBalance
                  ? nothing
                  : html`<label class="field !flex-none w-28"
                      >Weight<input type="text" name="weight" autocomplete="off"
                    /></label>`
              }<label class="field !flex-none w-28">Length<input type="text" name="length" autocomplete="off" /></label
              ><button>Correct</button>`,
            'row-line',
          )
        : nothing
    }
    ${
      line.mayDie
        ? entryForm(app, `died ${line.id}`, 'died', { catch: line.id }, html`<button>It died</button>`, '')
        : nothing
    }
    ${entryForm(app, `void ${line.id}`, 'void', { entry: line.id }, html`<button class="danger">Void</button>`, '')}
  </div>`;
}

function weighIn(app) {
  const whole = (id, label, least = 0) =>
    html`<div class="field">
      <label for=${id}>${label}</label><input type="number" id=${id} name=${id} min=${least} />
    </div>`;
  return html`<details class="sheet">
      <summary>Weigh-in</summary>
      ${entryForm(
        app,
        'weigh-in',
        'official',
        {},
        html`<div class="fields">
            ${textField(
              'official',
              app.byLength ? 'Official length, before penalties' : 'Official weight, before penalties',
              app.byLength ? '74 1/4' : '14-6',
              'text',
            )}
            ${whole('deadFish', 'Dead fish')} ${whole('shortFish', 'Short fish')}
            ${whole('overLimit', 'Above the limit')} ${textField('lateMinutes', 'Minutes late')}
            ${whole('place', 'Place', 1)} ${textField('biggest', 'Biggest fish', '', 'text')}
          </div>
          <div><button>Save</button></div>`,
      )}
    </details>
    ${
      app.byLength || app.byBalance
        ? nothing
        : html`<details class="sheet">
            <summary>Check scale</summary>
            ${entryForm(
              app,
              'scale',
              'scale-check',
              {},
              html`${textField('known', 'Known weight', '2-0', 'text')}
                ${textField('reads', 'The scale reads', '2-0.4', 'text')}<button>Save</button>`,
              'row-line',
            )}
            <p class="hint">The difference is corrected in every weight logged after it today.</p>
          </details>`
    }`;
}

function bagScreen(app) {
  const { view } = app;
  return html`<section class="sheet" aria-labelledby="bag">
      <h2 id="bag">
        ${app.byLength ? 'Fish that count' : 'Bag'} <span class="font-normal faint">${view.count}</span>
        ${
          view.needs
            ? html`<span class="font-normal">– the next must weigh more than <strong>${view.needs}</strong></span>`
            : nothing
        }
      </h2>
      <ul class="bag-slots">
        ${view.slots.map(slot)}
      </ul>
    </section>
    ${view.livewell ? livewell(app) : nothing} ${results(view)}`;
}

function slot(s) {
  return html`<li data-kind=${s.kind}>
    <span class="tag">${s.tag} <small class="faint">${s.since}</small></span>
    <svg viewBox="0 0 204 22" preserveAspectRatio="none" aria-hidden="true">
      <rect class="bar" x="2" y="3" height="16" width=${s.width} />
    </svg>
    <span class="text-right"
      ><span class="weight">${s.measure}</span> ${s.note ? html`<span class="flag">${s.note}</span>` : nothing}</span
    >
  </li>`;
}

function livewell(app) {
  const { state, look, warm } = app.view.livewell;
  return html`<section class="sheet grid gap-3" aria-labelledby="livewell-care">
    <h2 id="livewell-care">Livewell</h2>
    ${warm ? html`<p class="note trouble">${warm}</p>` : nothing} ${look ? html`<p class="note">${look}</p>` : nothing}
    <p>${state}</p>
    ${entryForm(
      app,
      'livewell',
      'livewell',
      {},
      html`${textField('livewell', 'Temperature', '72 F')}<button>Save</button>`,
      'row-line',
    )}
  </section>`;
}

function results(view) {
  return view.results.length === 0
    ? nothing
    : html`<section class="sheet" aria-labelledby="results">
        <h2 id="results">Weigh-in</h2>
        <ul class="grid gap-1">
          ${view.results.map((one) => html`<li>${one}</li>`)}
        </ul>
        ${view.sum ? html`<p><strong>${view.sum}</strong></p>` : nothing}
        <p class="hint">By your rules. The director's sheet decides.</p>
      </section>`;
}

export function planScreen(app) {
  const { plan } = app.kept;
  if (app.adviceFailed && !plan) return adviceTrouble(app);
  if (!plan)
    return html`<section class="sheet">
      <p>No advice on this phone yet. It downloads when you have a signal.</p>
    </section>`;
  return html`${(plan.lightning ?? []).map(({ words }) => html`<div class="note trouble" role="alert"><strong>${words}</strong></div>`)}
    ${plan.cautions.map((words) => html`<div class="note trouble">${words}</div>`)} ${(plan.minded ?? []).map(minded)}
    ${app.adviceFailed ? adviceTrouble(app) : advice(app, plan)} ${plan.due ? comeBack(app, plan.due) : nothing}
    <p class="hint">${app.adviceRestsOn}</p>`;
}

function advice(app, plan) {
  if (plan.stay) return html`${stayOrMove(app, plan)} ${projection(app, plan.stay)}`;
  return plan.quiet ? html`<section class="sheet"><p>${plan.quiet}</p></section>` : nothing;
}

/** Says that advice fails, and offers to send what failed. */
export function adviceTrouble(app) {
  return html`<section class="sheet note trouble grid gap-3" role="alert" data-advice-failed>
    <p>
      <strong>Move advice isn't working.</strong> Your log is safe, and logging still works. Lochan tries again after
      each entry.
    </p>
    ${app.reportFault ? report(app) : nothing}
  </section>`;
}

function report(app) {
  return app.reported === app.adviceFailed
    ? html`<p role="status">Report saved. It goes to the server's log when you have a signal.</p>`
    : html`<div><button type="button" @click=${() => app.reportFault()}>Send a report</button></div>`;
}

function asOf(app, time) {
  return html`<span class="font-normal faint">at ${time}${app.planAge()}</span>`;
}

function stayOrMove(app, { stay }) {
  return html`<section class="sheet next-hour" data-tone=${stay.tone} aria-labelledby="next-hour">
    <h2 id="next-hour">Stay or move ${asOf(app, stay.asOf)}</h2>
    <p class="act-words">${stay.act}</p>
    <p>${stay.why}</p>
    ${stay.lesson ? html`<p>${stay.lesson}</p>` : nothing}
    ${stay.leaveAt ? nothing : html`<p>The map shows no way by water from here to check-in.</p>`}
    ${stay.next ? html`<p>${stay.next}</p>` : nothing}
    ${stay.fishing ? html`<p>Fishing now: <strong>${stay.fishing}</strong></p>` : nothing}
    <p class="hint">Based on practice, today's bites and your bag. Your call.</p>
  </section>`;
}

function projection(app, stay) {
  const { ahead } = stay;
  const { rest } = app;
  return html`<section class="sheet ahead grid gap-3" aria-labelledby="ahead">
    <h2 id="ahead">Projected bag ${asOf(app, stay.asOf)}</h2>
    ${ahead ? outlook(ahead) : html`<p role="status">Computing the projection.</p>`}
    ${rest ? restOfDay(app, rest) : nothing} ${problems(app, 'rest')}
    ${
      app.done
        ? html`<div class="note" role="status">
            <span>${app.done.words}</span>
            ${app.done.before ? html`<button type="button" @click=${() => app.undoRest()}>Undo</button>` : nothing}
          </div>`
        : nothing
    }
    ${
      rest?.running
        ? nothing
        : html`<div><button type="button" @click=${() => app.planRest()}>Plan rest of day</button></div>`
    }
  </section>`;
}

function outlook(ahead) {
  return html`${ahead.fired.map(
      (one) =>
        html`<div class="note trouble" role="alert">
          <span><strong>${one.what}</strong> Switch to ${one.backup}.</span>
        </div>`,
    )}
    ${ahead.rest === 0 ? html`<p>Your plan has no stops left.</p>` : nothing}
    <dl class="outlook">
      <div>
        <dt>Low (1 day in 10)</dt>
        <dd>${ahead.low}</dd>
      </div>
      <div class="middle">
        <dt>Middle</dt>
        <dd>${ahead.middle}</dd>
      </div>
      <div>
        <dt>High (1 day in 10)</dt>
        <dd>${ahead.high}</dd>
      </div>
    </dl>
    ${ahead.target ? html`<p>${ahead.target}.</p>` : nothing}
    ${ahead.more ? html`<p>One more cull: ${ahead.more}.</p>` : nothing}
    ${
      ahead.kinds.length === 0
        ? nothing
        : html`<table>
            <caption class="sr-only">
              What one more fish adds
            </caption>
            <thead>
              <tr>
                <th scope="col">One more</th>
                <th scope="col">adds now</th>
                <th scope="col">adds by check-in</th>
              </tr>
            </thead>
            <tbody>
              ${ahead.kinds.map(
                (kind) =>
                  html`<tr>
                    <th scope="row">${kind.name} <span class="faint font-normal">${kind.weight}</span></th>
                    <td>${kind.now}</td>
                    <td>${kind.byCheckIn}</td>
                  </tr>`,
              )}
            </tbody>
          </table>`
    }`;
}

function restOfDay(app, rest) {
  return html`${rest.running ? html`<p role="status">Planning the rest of the day.</p>` : nothing}
  ${
    rest.failed
      ? html`<p class="note trouble" role="alert">Planning failed. Try again, or keep to your plan.</p>`
      : nothing
  }
  ${
    rest.words
      ? html`<div class="found">
          <h3>Rest of the day, planned at ${rest.asOf}</h3>
          <p>${rest.words}</p>
          <p>${rest.adds}</p>
          <div class="row-line">
            <button type="button" class="act" @click=${() => app.takeRest()}>Use for the rest of the day</button>
            <button type="button" @click=${() => app.dropRest()}>Keep my plan</button>
          </div>
        </div>`
      : nothing
  }`;
}

function comeBack(app, due) {
  return html`<section class="sheet grid gap-3" aria-labelledby="back">
    <h2 id="back">Come back to</h2>
    ${due.length === 0 ? html`<p>Nothing is due.</p>` : nothing}
    <ul class="known">
      ${due.map(
        (one) =>
          html`<li>
            <span class=${one.now ? 'flag' : 'flag calm'}>${one.now ? 'due since' : 'at'} ${one.time}</span>
            <strong>${one.place}</strong> ${one.fish}
          </li>`,
      )}
    </ul>
    ${
      app.own
        ? nothing
        : html`<div>
            <a class="button" href="${app.desk}/tackle/fish">${due.length === 0 ? 'Add known fish' : 'Log try'}</a>
          </div>`
    }
  </section>`;
}

function foot(app) {
  return html`<details class="sheet boat-foot">
    <summary>${app.event.name} · ${app.age()}</summary>
    <div class="row-line">
      ${
        app.canSpeak
          ? html`<button type="button" aria-pressed=${app.aloud} @click=${() => app.toggleAloud()}>Read aloud</button>`
          : nothing
      }
      ${
        app.canLocate
          ? html`<button type="button" aria-pressed=${Boolean(app.following)} @click=${() => app.follow()}>
              Use my position
            </button>`
          : nothing
      }
      ${
        app.canLocate
          ? html`<button type="button" aria-pressed=${app.track.isOn} @click=${() => app.toggleTrack()}>
              Record track
            </button>`
          : nothing
      }
      ${
        app.awake.can
          ? html`<button type="button" aria-pressed=${app.awake.isOn} @click=${() => app.toggleAwake()}>
              Keep screen on
            </button>`
          : nothing
      }
      <button type="button" @click=${() => app.toggleTheme()}>${app.isDark ? 'Light theme' : 'Dark theme'}</button>
      <button type="button" @click=${() => app.setMode(app.mode === 'practice' ? 'competition' : 'practice')}>
        ${app.mode === 'practice' ? 'Competition log' : 'Practice log'}
      </button>
      <a class="button" href="${app.desk}/${app.mode}">Desk</a>
      <button type="button" @click=${() => app.leave()}>Sign out</button>
    </div>
    <p>
      ${
        app.taken
          ? `On this phone: spots, map, plan and advice, taken along at ${app.packAge()}.`
          : 'Map, plan and advice are not on this phone yet: they come with the next signal.'
      }
    </p>
    ${
      app.track.isOn
        ? html`<p>
            The track is recorded while this page is open. Its stops are proposed at the desk: Practice, Track.
          </p>`
        : nothing
    }
    <fieldset>
      <legend>Alarms</legend>
      <div class="chips">
        ${app.alarmKinds.map(
          ({ code, words }) =>
            html`<label
              ><input type="checkbox" ?checked=${app.bell.rings(code)} @change=${() => app.toggleAlarm(code)} /><span
                >${words}</span
              ></label
            >`,
        )}
      </div>
      <button type="button" @click=${() => app.testAlarm()}>Test alarm</button>
      <p class="hint">They ring while the app is open. For a phone that sleeps, export the calendar on the Plan tab.</p>
    </fieldset>
  </details>`;
}

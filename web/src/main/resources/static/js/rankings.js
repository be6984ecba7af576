// The Rankings page: the map and the list beside it choose for each other, and the hours of the day move both.
const PAUSE_MILLIS = 250;

function rowsOf(spot) {
  return [...document.querySelectorAll('[data-ranking-list] tr[data-spot]')].filter((row) => row.dataset.spot === spot);
}

function choose(map, spot) {
  for (const row of document.querySelectorAll('[data-ranking-list] tr.chosen')) row.classList.remove('chosen');
  for (const row of rowsOf(spot)) row.classList.add('chosen');
  map.show({ ...map.shown, chosen: spot });
}

/** The list of another half hour takes the place of the one that is shown. */
function follow(list) {
  let timer = 0;
  let asked = 0;
  const ask = async (clock) => {
    const mine = ++asked;
    const here = new URL(window.location.href);
    here.searchParams.set('at', clock);
    try {
      const answer = await fetch(here);
      const fresh = new DOMParser()
        .parseFromString(await answer.text(), 'text/html')
        .querySelector('[data-ranking-list]');
      if (mine !== asked || !fresh) return;
      document.querySelector('[data-ranking-list]').replaceWith(fresh);
      document.getElementById('at').value = clock;
      history.replaceState(null, '', here);
      list();
    } catch {
      // The list of the hour before stays; the slider says which hour the map shows.
    }
  };
  return (clock) => {
    clearTimeout(timer);
    timer = setTimeout(() => ask(clock), PAUSE_MILLIS);
  };
}

function watchRankings() {
  const root = document.querySelector('[data-rankings-map] [data-lake-map]');
  root?.addEventListener('shown', ({ detail: { map, marks } }) => {
    const list = () => {
      for (const row of document.querySelectorAll('[data-ranking-list] tr[data-spot]'))
        row.addEventListener('click', () => {
          choose(map, row.dataset.spot);
          map.centre(
            marks.places.find(({ id }) => id === row.dataset.spot),
            2.5,
          );
        });
    };
    list();
    document.addEventListener('exchanged', list);
    const to = follow(list);
    let before = document.querySelector('[data-day-slider]').dataset.at;
    root.addEventListener('hour', ({ detail: { hour } }) => {
      const { clock } = marks.hours[hour];
      if (clock !== before) to(clock);
      before = clock;
    });
    root.addEventListener('chosen', ({ detail: { id, kind } }) => {
      if (kind !== 'spot') return;
      choose(map, id);
      rowsOf(id)[0]?.scrollIntoView({ block: 'nearest' });
    });
  });
}

watchRankings();

// Puts a view's values into the page's own elements. What to put where stands in the markup: data-text, data-if, data-unless, data-attr="name:path; …"
// and data-each with a <template> for one item. Nothing is computed here.

/** The value at a path as "told.act"; "." is the view itself. */
export function at(view, path) {
  return path === '.' ? view : path.split('.').reduce((value, name) => value?.[name], view);
}

function own(root, selector) {
  const all = [...root.querySelectorAll(selector)].filter(
    (element) =>
      element.parentElement.closest('[data-each]') === null ||
      !root.contains(element.parentElement.closest('[data-each]')),
  );
  return root.matches(selector) ? [root, ...all] : all;
}

export function fill(root, view) {
  for (const element of own(root, '[data-text]')) element.textContent = at(view, element.dataset.text) ?? '';
  for (const element of own(root, '[data-if]')) element.hidden = !at(view, element.dataset.if);
  for (const element of own(root, '[data-unless]')) element.hidden = Boolean(at(view, element.dataset.unless));
  for (const element of own(root, '[data-attr]')) {
    for (const pair of element.dataset.attr.split(';')) {
      const [name, path] = pair.trim().split(/:(.*)/);
      const value = at(view, path);
      if (name === 'value') element.value = value ?? '';
      else if (value === null || value === undefined) element.removeAttribute(name);
      else element.setAttribute(name, value);
    }
  }
  for (const list of own(root, '[data-each]')) fillList(list, at(view, list.dataset.each) ?? []);
}

/** An item that stays keeps its element, so that what is open or typed in it stays; where all stay, none is moved under a finger. */
function fillList(list, items) {
  const template = list.querySelector(':scope > template');
  const before = new Map(
    [...list.children].filter((child) => child.dataset.key).map((child) => [child.dataset.key, child]),
  );
  const fresh = items.map((item) => {
    const element = (item.id && before.get(item.id)) || template.content.firstElementChild.cloneNode(true);
    if (item.id) element.dataset.key = item.id;
    fill(element, item);
    return element;
  });
  const all = [template, ...fresh];
  if (all.length !== list.children.length || all.some((element, i) => element !== list.children[i]))
    list.replaceChildren(...all);
}

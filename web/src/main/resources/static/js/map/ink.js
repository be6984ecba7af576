// Colours of the page's palette, as the theme has them now.
const inks = new Map();

/** A colour by its name; looked up once a drawing. */
export function ink(name) {
  if (!inks.has(name)) inks.set(name, getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim());
  return inks.get(name);
}

/** To be called before each drawing: the theme may have changed. */
export function freshInks() {
  inks.clear();
}

/** Red, green and blue of a colour, 0 to 255. */
export function rgb(hex) {
  return [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16));
}

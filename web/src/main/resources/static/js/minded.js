// What was read of what is to be minded: it is folded from then on, on whatever page.
const READ = 'lochan-read';

function all() {
  try {
    return JSON.parse(localStorage.getItem(READ) ?? '[]');
  } catch {
    return [];
  }
}

export function isRead(id) {
  return all().includes(id);
}

export function noteRead(id) {
  if (!isRead(id)) localStorage.setItem(READ, JSON.stringify([...all(), id]));
}

// Parts, items and screens as elements
function style(element, css, before) {
  if (css !== before) element.style.cssText = css;
}
// Markup that differs from the one before in attributes alone is not parsed again: only what is
// otherwise is set.
const attributeValue = /="([^"]*)"/;
function showMarkup(element, part, before) {
  const pieces = part.h.split(attributeValue);
  part.frame = pieces.filter((_, i) => i % 2 === 0).join('=');
  part.values = pieces.filter((_, i) => i % 2 === 1);
  if (before?.slots && before.frame === part.frame && !part.h.includes('&')) {
    part.slots = before.slots;
    part.values.forEach((value, i) => {
      if (value !== before.values[i]) part.slots[i][0].setAttribute(part.slots[i][1], value);
    });
    return;
  }
  element.innerHTML = part.h;
  const slots = [...element.querySelectorAll('*')].flatMap(each => each.getAttributeNames().map(name => [each, name]));
  part.slots = slots.length === part.values.length ? slots : null;
}
function showCaption(element, part, before) {
  const { colour, ...rest } = part.t;
  part.set = JSON.stringify(rest);
  if (before?.set !== part.set) element.replaceChildren(...setCaption(part.t));
  else if (before.t.colour !== colour) for (const line of element.children) line.style.color = colour;
}
// 0: as before; null: not shown.
function showPart(element, part, before) {
  style(element, part ? part.s : 'display:none', before === undefined ? undefined : before ? before.s : 'display:none');
  if (!part) return;
  if (part.t) showCaption(element, part, before);
  else if (before?.h !== part.h) showMarkup(element, part, before);
  else [part.frame, part.values, part.slots] = [before.frame, before.values, before.slots];
}
function attribute(element, name, value) {
  if (value === undefined || value === null || value === '') element.removeAttribute(name);
  else if (element.getAttribute(name) !== String(value)) element.setAttribute(name, value);
}
function showItem(key, is, screen) {
  let item = items.get(key);
  if (!item) {
    const element = document.createElement(is.sort === 'button' ? 'button' : 'div');
    element.className = 'item ' + is.sort;
    if (is.sort === 'button') {
      element.type = 'button';
      element.tabIndex = -1;
      element.dataset.key = key;
      if (is.fly) element.dataset.fly = '';
    } else if (is.sort !== 'still') {
      element.setAttribute('aria-hidden', 'true');
    }
    const art = document.createElement('span');
    art.className = 'art';
    if (is.sort === 'button') art.setAttribute('aria-hidden', 'true');
    element.append(art);
    item = { element, art, parts: [], was: {} };
    items.set(key, item);
  }
  style(item.element, is.style + 'z-index:' + is.z, item.was.style + 'z-index:' + item.was.z);
  style(item.art, is.art, item.was.art);
  is.parts.forEach((part, i) => {
    if (!item.parts[i]) {
      item.parts[i] = document.createElement('span');
      item.parts[i].className = 'part';
      item.art.append(item.parts[i]);
    }
    const before = item.was.parts?.[i];
    if (part === 0) is.parts[i] = before;
    else showPart(item.parts[i], part, before);
  });
  if (is.sort === 'button') {
    attribute(item.element, 'aria-label', is.name || is.about || key);
    attribute(item.element, 'aria-disabled', is.disabled ? 'true' : null);
    attribute(item.element, 'aria-current', is.current ? 'page' : null);
    attribute(item.element, 'aria-pressed', is.pressed);
    attribute(item.element, 'aria-expanded', is.expanded);
    if (is.about && !item.about) {
      item.about = document.createElement('span');
      item.about.className = 'aside';
      item.about.id = 'about-' + key;
      screen.about.append(item.about);
      item.element.setAttribute('aria-describedby', item.about.id);
    }
    if (item.about) item.about.textContent = is.about;
  }
  item.was = is;
}
function showScreen(is, at) {
  let screen = screens.get(is.n);
  if (!screen) {
    screen = { veil: document.createElement('div'), dim: document.createElement('div'), element: document.createElement('section'), about: document.createElement('div'), order: [] };
    screen.element.className = 'screen';
    screen.veil.className = screen.dim.className = 'veil';
    screen.about.hidden = true;
    screen.element.append(screen.about);
    screens.set(is.n, screen);
    scaled.append(screen.veil, screen.dim, screen.element);
  }
  screen.veil.style.cssText = is.veil?.blur ? `opacity:${is.veil.at};backdrop-filter:blur(${is.veil.blur}px)` : 'display:none';
  screen.dim.style.cssText = is.veil?.dim ? `background:rgba(0,0,0,${is.veil.dim * is.veil.at})` : 'display:none';
  screen.element.style.cssText = is.style + 'background:' + is.back;
  attribute(screen.element, 'aria-label', is.name);
  screen.element.inert = !is.top;
  [screen.veil, screen.dim, screen.element].forEach((element, i) => element.style.zIndex = at * 3 + i);
  return screen;
}
function order(screen, keys) {
  const same = screen.order.length === keys.length && keys.every((key, i) => screen.order[i] === key);
  if (same) return;
  for (const key of screen.order) if (!keys.includes(key)) {
    items.get(key)?.element.remove();
    items.get(key)?.about?.remove();
    items.delete(key);
  }
  screen.order = keys;
  const hadFocus = document.activeElement;
  let after = screen.about;
  for (const key of keys) {
    const element = items.get(key).element;
    if (after.nextSibling !== element) after.after(element);
    after = element;
  }
  if (hadFocus?.isConnected && hadFocus !== document.activeElement) hadFocus.focus({ preventScroll: true });
}
let focusKey = '';
function show() {
  const frame = JSON.parse(textAt(lib.frame()));
  const seen = new Set();
  frame.screens.forEach((is, at) => {
    seen.add(is.n);
    const screen = showScreen(is, at);
    for (const key of is.order) if (frame.items[key]) showItem(key, frame.items[key], screen);
    order(screen, is.order);
  });
  for (const [n, screen] of screens) if (!seen.has(n)) {
    for (const key of screen.order) items.delete(key);
    [screen.veil, screen.dim, screen.element].forEach(element => element.remove());
    screens.delete(n);
  }
  if (frame.focus !== focusKey) items.get(focusKey) && (items.get(focusKey).element.tabIndex = -1);
  focusKey = frame.focus;
  const focused = items.get(focusKey)?.element;
  if (focused) {
    focused.tabIndex = 0;
    if (document.activeElement !== focused && document.hasFocus()) {
      byUs = true;
      focused.focus({ preventScroll: true });
      byUs = false;
    }
  }
  return frame;
}

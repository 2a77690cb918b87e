'use strict';
// A delivered menu in a web page. All that the menu does is decided by the runtime (WebAssembly);
// this script hands it what the devices do, and shows what it says is to be seen.
(() => {
  const written = id => document.getElementById(id).textContent;
  const info = JSON.parse(written('info'));
  const stage = document.getElementById('stage');
  const told = document.getElementById('told');
  const scaled = document.createElement('div');
  scaled.id = 'scaled';
  const Mouse = 0, Touch = 1, Keyboard = 2, Controller = 3;
  const Up = 0, Down = 1, Left = 2, Right = 3;
  const Point = 1, PointDown = 2, PointUp = 3, Scroll = 4, Move = 5, Step = 8, Gone = 9, SetValue = 12;
  const Open = 3, OnTop = 4, Back = 5, Sound = 9, Quit = 15, Link = 19, Music = 20, Speak = 23;
  let lib, memory, began, factor = 1;

  // Says in words that it cannot run, and shows the first screen as a picture.
  function giveUp(why) {
    const note = document.createElement('p');
    note.className = 'note';
    note.setAttribute('role', 'alert');
    note.textContent = 'This menu cannot run here: ' + why + '. Its first screen looks like this:';
    const still = document.createElement('img');
    still.alt = info.stillText;
    still.src = info.still;
    document.body.style.display = 'block';
    stage.replaceChildren(note, still);
  }

  // --- texts and bytes in the runtime's memory
  const encoder = new TextEncoder(), decoder = new TextDecoder();
  function withText(text, use) {
    const bytes = encoder.encode(text + '\0');
    const at = lib.take(bytes.length);
    new Uint8Array(memory.buffer, at, bytes.length).set(bytes);
    try { return use(at, bytes.length - 1); } finally { lib.give(at); }
  }
  function textAt(at) {
    const bytes = new Uint8Array(memory.buffer, at);
    return decoder.decode(bytes.subarray(0, bytes.indexOf(0)));
  }
  const bytesOf = base64 => Uint8Array.from(atob(base64.trim()), c => c.charCodeAt(0));

  async function load() {
    if (typeof WebAssembly !== 'object') throw new Error('WebAssembly is switched off');
    const nothing = () => 0;  // the runtime opens no files and reads no clock
    const system = new Proxy({}, { get: () => nothing });
    const packed = new Blob([bytesOf(written('runtime'))]).stream();
    const unpacked = packed.pipeThrough(new DecompressionStream('deflate'));
    const module = await WebAssembly.compile(await new Response(unpacked).arrayBuffer());
    const wanted = {};
    for (const each of WebAssembly.Module.imports(module)) (wanted[each.module] ||= {})[each.name] = system[each.name];
    const made = await WebAssembly.instantiate(module, wanted);
    lib = made.exports;
    memory = lib.memory;
    lib._initialize?.();
    const why = withText(written('menu').trim() + '\n', (at, size) => textAt(lib.open(at, size)));
    if (why) throw new Error(why);
    for (const p of info.pictures) withText(p.file, at => lib.picture(at, p.n, p.w, p.h));
  }

  // --- which display, and how large
  const asked = new URLSearchParams(location.search);
  let display, language = asked.get('language') || preferredLanguage(), size;
  function preferredLanguage() {
    for (const tag of navigator.languages || [navigator.language]) {
      const fits = info.languages.find(l => l.tag === tag) ||
        info.languages.find(l => l.tag.split('-')[0] === tag.split('-')[0]);
      if (fits) return fits.id;
    }
    return info.languages[0].id;
  }
  const firstRatio = devicePixelRatio;
  // The window as it was before anybody zoomed: zooming makes the menu larger.
  const windowSize = () => {
    const zoom = devicePixelRatio / firstRatio;
    return { w: innerWidth * zoom, h: innerHeight * zoom };
  };
  function nearestDisplay() {
    const named = info.displays.find(d => d.id === asked.get('display'));
    if (named) return named;
    const { w, h } = windowSize();
    const far = d => Math.abs(Math.log(w / h / (d.w / d.h))) * 2 + Math.abs(Math.log(h / d.h)) * 0.5;
    return info.displays.reduce((best, d) => far(d) < far(best) ? d : best);
  }
  // As wide or high as the window is, where that is not far from the display: its pins do the rest.
  function layoutSize(d) {
    const w = d.w / d.scale, h = d.h / d.scale;
    if (asked.get('display')) return { w, h };
    const ratio = windowSize().w / windowSize().h, own = w / h;
    if (Math.abs(Math.log(ratio / own)) > 0.25) return { w, h };
    return ratio > own ? { w: h * ratio, h } : { w, h: w / ratio };
  }
  function fit() {
    const { w, h } = windowSize();
    factor = asked.get('scale') ? Number(asked.get('scale')) : Math.min(w / size.w, h / size.h);
    scaled.style.width = size.w + 'px';
    scaled.style.height = size.h + 'px';
    scaled.style.transform = 'scale(' + factor + ')';
    stage.style.width = size.w * factor + 'px';
    stage.style.height = size.h * factor + 'px';
  }
  function start(screen) {
    display = nearestDisplay();
    size = layoutSize(display);
    const own = asked.get('display');
    const dark = info.darkSet || (info.twoSets && matchMedia('(prefers-color-scheme: dark)').matches);
    const runs = withText(display.id, d => withText(language, l => withText(screen, s =>
      lib.start(d, l, s, own ? 0 : size.w, own ? 0 : size.h, dark ? 1 : 0))));
    if (!runs) throw new Error('it cannot be started');
    began = performance.now();
    lib.reduce(matchMedia('(prefers-reduced-motion: reduce)').matches ? 1 : 0);
    speak(language);
    fit();
  }
  function speak(id) {
    const now = info.languages.find(l => l.id === id) || info.languages[0];
    language = now.id;
    document.documentElement.lang = now.tag;
    scaled.dir = now.rtl ? 'rtl' : 'ltr';
  }

  // --- what is to be seen
  const screens = new Map(), items = new Map();
  const canvas = document.createElement('canvas').getContext('2d');
  const widths = new Map();
  function measured(font, spacing, text) {
    const key = font + '\n' + spacing + '\n' + text;
    let known = widths.get(key);
    if (known) return known;
    if (widths.size > 4000) widths.clear();
    canvas.font = font;
    canvas.letterSpacing = spacing + 'px';
    const all = canvas.measureText(text), capital = canvas.measureText('H');
    known = { w: all.width, ascent: all.fontBoundingBoxAscent, line: all.fontBoundingBoxAscent + all.fontBoundingBoxDescent, capital: capital.actualBoundingBoxAscent };
    widths.set(key, known);
    return known;
  }
  // One family, or several of which the first counts that has the letter.
  const quoted = families => [...families.split(',').map(each => '"' + each.trim().replace(/["\\]/g, '') + '"'), 'system-ui', 'sans-serif'].join(', ');
  // A caption as it is set in its room: one line or two, shrunk or cut where it is too long.
  function setCaption(t) {
    const words = t.letters === 'upper' ? t.words.toLocaleUpperCase() : t.letters === 'lower' ? t.words.toLocaleLowerCase() : t.words;
    const weight = Math.round(t.weight);
    const fontAt = size => weight + ' ' + size + 'px ' + quoted(t.family);
    let size = Math.round(t.size), font = fontAt(size), lines = [words];
    const width = (f, line) => measured(f, t.spacing, line).w;
    const broken = f => {
      if (!t.two || width(f, words) <= t.w) return [words];
      const parts = words.split(' ');
      let n = parts.length - 1;
      while (n > 1 && width(f, parts.slice(0, n).join(' ')) > t.w) --n;
      return [parts.slice(0, n).join(' '), parts.slice(n).join(' ')].filter(each => each);
    };
    lines = broken(font);
    const widest = f => Math.max(...lines.map(line => width(f, line)));
    if (t.over === 'shrink' && widest(font) > t.w + 0.5)
      for (let px = size; px >= t.size * 0.5; --px) {
        font = fontAt(px);
        lines = broken(font);
        if (widest(font) <= t.w) break;
      }
    if (t.over !== 'spill') lines = lines.map(line => {
      if (width(font, line) <= t.w + 0.5) return line;
      const letters = [...line];
      while (letters.length && width(font, letters.join('') + '…') > t.w) letters.pop();
      return letters.join('').trimEnd() + '…';
    });
    const m = measured(font, t.spacing, lines[0]);
    // Centred by the height of capitals, whatever room the font itself takes.
    const first = t.y + t.h / 2 - (m.ascent - m.capital / 2) - m.line * (lines.length - 1) / 2;
    return lines.map((line, i) => {
      const w = width(font, line), x = t.side < 0 ? t.x : t.side > 0 ? t.x + t.w - w : t.x + (t.w - w) / 2;
      const span = document.createElement('span');
      span.className = 'words';
      span.textContent = line;
      span.style.cssText = `left:${x}px;top:${first + i * m.line}px;line-height:${m.line}px;letter-spacing:${t.spacing}px;color:${t.colour}`;
      span.style.font = font.replace('px ', `px/${m.line}px `);
      return span;
    });
  }

  function showPart(element, part, before) {
    element.style.cssText = part ? part.s : 'display:none';
    if (!part) return;
    if (part.t) {
      const now = JSON.stringify(part.t);
      if (before?.now !== now) element.replaceChildren(...setCaption(part.t));
      part.now = now;
    } else if (before?.h !== part.h) {
      element.innerHTML = part.h;
    }
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
    item.element.style.cssText = is.style + 'z-index:' + is.z;
    item.art.style.cssText = is.art;
    is.parts.forEach((part, i) => {
      if (!item.parts[i]) {
        item.parts[i] = document.createElement('span');
        item.parts[i].className = 'part';
        item.art.append(item.parts[i]);
      }
      showPart(item.parts[i], part, item.was.parts?.[i]);
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

  // --- what is to be heard, and said
  let music, heard = false;
  function play(file, volume, loops) {
    const data = info.sounds[file];
    if (!data || !heard) return null;
    const sound = new Audio(data);
    sound.volume = Math.max(0, Math.min(1, volume));
    sound.loop = loops;
    sound.play().catch(() => {});
    return sound;
  }
  let wanted = { file: '', volume: 0 };
  function followMusic() {
    if (music?.file !== wanted.file || !music.sound) {
      music?.sound?.pause();
      music = { file: wanted.file, sound: wanted.file ? play(wanted.file, wanted.volume, true) : null };
    } else {
      music.sound.volume = wanted.volume;
    }
  }
  const trace = [];
  function follow() {
    for (const e of JSON.parse(textAt(lib.happened()))) {
      if (held) trace.push(e.at + '\t' + e.line);
      if (e.type === Open || e.type === OnTop || e.type === Back) announced = e.screen;
      if (e.type === Sound) play(e.how, e.number, false);
      if (e.type === Music) { wanted = { file: e.how, volume: e.number }; followMusic(); }
      if (e.type === Speak) speak(e.how);
      if (e.type === Link) open(e.how, '_blank', 'noopener');
      if (e.type === Quit) ended();
    }
  }
  let announced = '';
  function announce(frame) {
    if (!announced) return;
    const top = frame.screens.find(s => s.top);
    if (top) told.textContent = top.name;
    announced = '';
  }
  function ended() {
    wanted = { file: '', volume: 0 };
    followMusic();
    told.textContent = 'The menu was closed.';
  }

  // --- time. With ?hold the page waits for whoever drives it (bristleAt).
  const held = asked.has('hold');
  let heldAt = 0;
  const now = () => held ? heldAt : Math.round(performance.now() - began);
  let dirty = true;
  function turn() {
    if (lib.step(now())) dirty = true;
    if (!dirty) return;
    dirty = false;
    follow();
    announce(show());
  }
  function eachFrame() {
    readControllers();
    turn();
    requestAnimationFrame(eachFrame);
  }

  // --- devices
  function feed(input, device, more = {}) {
    const e = { x: 0, y: 0, direction: 0, down: 1, unit: 0, key: 0, number: 0, name: '', ...more };
    withText(e.name, name => lib.feed(input, device, now(), e.x, e.y, e.direction, e.down, e.unit, e.key, e.number, name));
    dirty = true;
  }
  const sign = (of, name, modifiers, unit, down) => {
    dirty = true;
    return withText(name, at => lib.sign(now(), of, at, modifiers, unit, down ? 1 : 0));
  };
  function placeOf(event) {
    const box = scaled.getBoundingClientRect();
    return { x: (event.clientX - box.left) / factor, y: (event.clientY - box.top) / factor };
  }
  const fingers = [];
  function finger(event, leaves) {
    let at = fingers.indexOf(event.pointerId);
    if (at < 0) at = fingers.indexOf(null);
    if (at < 0) at = fingers.length;
    fingers[at] = leaves ? null : event.pointerId;
    return at;
  }
  function pointer(input, event) {
    const touch = event.pointerType !== 'mouse';
    if (input !== Point && !touch && event.button !== 0) return;
    const unit = touch ? finger(event, input === PointUp) : 0;
    feed(input, touch ? Touch : Mouse, { ...placeOf(event), unit });
    event.preventDefault();
  }
  function wakeSounds() {
    if (heard) return;
    heard = true;
    followMusic();
  }
  stage.addEventListener('pointermove', event => { if (event.pointerType === 'mouse' || event.buttons) pointer(Point, event); });
  stage.addEventListener('pointerdown', event => {
    wakeSounds();
    stage.setPointerCapture(event.pointerId);
    pointer(PointDown, event);
  });
  stage.addEventListener('pointerup', event => pointer(PointUp, event));
  stage.addEventListener('pointercancel', event => feed(Gone, event.pointerType === 'mouse' ? Mouse : Touch, { unit: event.pointerType === 'mouse' ? 0 : finger(event, true) }));
  stage.addEventListener('contextmenu', event => event.preventDefault());
  stage.addEventListener('wheel', event => {
    if (event.ctrlKey) return;
    const lines = event.deltaMode === 1 ? 40 : 1;
    for (const [by, least, most] of [[event.deltaY, Up, Down], [event.deltaX, Left, Right]])
      if (by) feed(Scroll, Mouse, { ...placeOf(event), direction: by < 0 ? least : most, number: Math.abs(by) * lines / factor });
    event.preventDefault();
  }, { passive: false });
  // A press that no pointer made: a screen reader's.
  stage.addEventListener('click', event => {
    const button = event.target.closest?.('button.item');
    if (!button || event.detail !== 0 || !event.isTrusted) return;
    const hit = items.get(button.dataset.key).was.hit;
    const middle = { x: hit[0] + hit[2] / 2, y: hit[1] + hit[3] / 2, unit: 99 };
    feed(PointDown, Touch, middle);
    feed(PointUp, Touch, middle);
  });
  let byUs = false;
  // Focus that a screen reader moves: the menu's goes along.
  stage.addEventListener('focusin', event => {
    const key = event.target.dataset?.key;
    if (byUs || !key || key === focusKey) return;
    const hit = items.get(key)?.was.hit;
    if (hit) feed(Point, Mouse, { x: hit[0] + hit[2] / 2, y: hit[1] + hit[3] / 2 });
  });
  const arrows = { ArrowUp: Up, ArrowDown: Down, ArrowLeft: Left, ArrowRight: Right };
  const keyName = code => code.replace(/^(Key|Digit)/, '');
  addEventListener('keydown', event => {
    wakeSounds();
    if (event.metaKey || event.isComposing) return;
    if (event.code in arrows) {
      if (!event.repeat) feed(Move, Keyboard, { direction: arrows[event.code] });
      event.preventDefault();
    } else if (event.code === 'Tab' && !event.ctrlKey && !event.altKey) {
      feed(Step, Keyboard, { down: event.shiftKey ? 0 : 1 });
      event.preventDefault();
    } else if (event.code !== 'F5' && event.code !== 'F11' && event.code !== 'F12') {
      const modifiers = (event.ctrlKey ? 1 : 0) + (event.altKey ? 2 : 0) + (event.shiftKey ? 4 : 0);
      if (!event.repeat) sign(0, keyName(event.code), modifiers, 0, true);
      if (!event.ctrlKey && !event.altKey) event.preventDefault();
    }
  });
  addEventListener('keyup', event => {
    if (event.code === 'Enter' || event.code === 'Space') event.preventDefault();
    if (event.code in arrows) feed(Move, Keyboard, { direction: arrows[event.code], down: 0 });
    else if (event.code !== 'Tab') sign(0, keyName(event.code), 0, 0, false);
  });
  addEventListener('blur', () => { feed(Gone, Keyboard); feed(Gone, Mouse); });
  // By their places, as the W3C Gamepad draft's standard mapping has them.
  const buttons = ['lower button', 'right button', 'left button', 'upper button', 'left shoulder', 'right shoulder', 'left trigger', 'right trigger', 'select', 'start', 'left stick press', 'right stick press'];
  const cross = { 12: Up, 13: Down, 14: Left, 15: Right };
  const pads = new Map();
  function readControllers() {
    const found = new Set();
    for (const pad of navigator.getGamepads?.() || []) {
      if (!pad || !pad.connected) continue;
      found.add(pad.index);
      const was = pads.get(pad.index) || { down: [], x: 0, y: 0 };
      pad.buttons.forEach((button, i) => {
        const down = button.pressed;
        if (down === !!was.down[i]) return;
        was.down[i] = down;
        if (i in cross) feed(Move, Controller, { direction: cross[i], down: down ? 1 : 0, unit: pad.index });
        else if (buttons[i]) sign(1, buttons[i], 0, pad.index, down);
      });
      const x = pad.axes[0] || 0, y = pad.axes[1] || 0;
      if (x !== was.x || y !== was.y) {
        lib.stick(now(), pad.index, x, y);
        dirty = true;
      }
      was.x = x;
      was.y = y;
      pads.set(pad.index, was);
    }
    for (const index of pads.keys()) if (!found.has(index)) {
      pads.delete(index);
      feed(Gone, Controller, { unit: index });
    }
  }
  addEventListener('resize', () => {
    if (nearestDisplay() !== display) start(textAt(lib.top()));
    else fit();
    dirty = true;
  });
  matchMedia('(prefers-reduced-motion: reduce)').addEventListener('change', event => lib?.reduce(event.matches ? 1 : 0));

  // For whoever drives the page instead of a clock.
  function drivenFromOutside() {
    globalThis.bristleAt = at => { heldAt = at; turn(); };
    globalThis.bristleRead = () => { readControllers(); turn(); };
    globalThis.bristleFeed = feed;
    globalThis.bristleTrace = () => { turn(); return trace.splice(0); };
    globalThis.bristleTop = () => textAt(lib.top());
    globalThis.bristleMiddle = id => {
      turn();
      const hit = [...items.values()].find(item => item.was.id === id && item.was.hit && item.element.closest('section:not([inert])'))?.was.hit;
      return hit && [(hit[0] + hit[2] / 2) * factor, (hit[1] + hit[3] / 2) * factor];
    };
  }

  load().then(() => document.fonts.ready).then(async () => {
    stage.replaceChildren(scaled);
    // All of them, before anything is measured: else the first look is set by another font.
    await Promise.all([...document.fonts].map(face => face.load().catch(() => {})));
    start(asked.get('screen') || '');
    turn();
    document.documentElement.dataset.runs = '1';
    if (held) drivenFromOutside();
    else requestAnimationFrame(eachFrame);
  }).catch(error => giveUp(String(error.message || error)));
})();

// Devices
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
running.addEventListener('pointermove', event => { if (event.pointerType === 'mouse' || event.buttons) pointer(Point, event); });
running.addEventListener('pointerdown', event => {
  wakeSounds();
  running.setPointerCapture(event.pointerId);
  pointer(PointDown, event);
});
running.addEventListener('pointerup', event => pointer(PointUp, event));
running.addEventListener('pointercancel', event => feed(Gone, event.pointerType === 'mouse' ? Mouse : Touch, { unit: event.pointerType === 'mouse' ? 0 : finger(event, true) }));
running.addEventListener('contextmenu', event => event.preventDefault());
running.addEventListener('wheel', event => {
  if (event.ctrlKey) return;
  const lines = event.deltaMode === 1 ? 40 : 1;
  for (const [by, least, most] of [[event.deltaY, Up, Down], [event.deltaX, Left, Right]])
    if (by) feed(Scroll, Mouse, { ...placeOf(event), direction: by < 0 ? least : most, number: Math.abs(by) * lines / factor });
  event.preventDefault();
}, { passive: false });
// A press that no pointer made: a screen reader's.
running.addEventListener('click', event => {
  const button = event.target.closest?.('button.item');
  if (!button || event.detail !== 0 || !event.isTrusted) return;
  const hit = items.get(button.dataset.key).was.hit;
  const middle = { x: hit[0] + hit[2] / 2, y: hit[1] + hit[3] / 2, unit: 99 };
  feed(PointDown, Touch, middle);
  feed(PointUp, Touch, middle);
});
let byUs = false;
// Focus that a screen reader moves: the menu's goes along.
running.addEventListener('focusin', event => {
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

// Opens delivered pages in a headless Chromium and does with real input what takes say.
import { chromium } from 'playwright-core';

const inputs = ['tick', 'point', 'point.down', 'point.up', 'scroll', 'move', 'accept', 'cancel', 'step', 'gone', 'enable', 'message', 'set', 'shoulder', 'shortcut'];
const devices = ['mouse', 'touch', 'keyboard', 'controller'];
const directions = ['up', 'down', 'left', 'right'];
const arrows = { up: 'ArrowUp', down: 'ArrowDown', left: 'ArrowLeft', right: 'ArrowRight' };
const cross = { up: 12, down: 13, left: 14, right: 15 };
const padButtons = ['lower button', 'right button', 'left button', 'upper button', 'left shoulder', 'right shoulder', 'left trigger', 'right trigger', 'select', 'start', 'left stick press', 'right stick press'];

export async function browser() {
  return chromium.launch({
    executablePath: process.env.CHROMIUM || '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync', '--force-color-profile=srgb', '--autoplay-policy=no-user-gesture-required'],
  });
}

// A page that stands still until it is told the time; what it complains of is kept.
export async function opened(browser, file, query, viewport, more = {}) {
  const context = await browser.newContext({ viewport, hasTouch: true, ...more });
  const page = await context.newPage();
  page.complaints = [];
  page.on('pageerror', error => page.complaints.push(String(error)));
  page.on('console', message => { if (message.type() === 'error') page.complaints.push(message.text()); });
  page.on('request', request => { if (!/^(file|data):/.test(request.url())) page.complaints.push('fetches ' + request.url()); });
  await page.addInitScript(() => {
    globalThis.pads = [];
    navigator.getGamepads = () => globalThis.pads;
  });
  await page.goto('file://' + file + '?' + new URLSearchParams(query));
  await page.waitForSelector('html[data-runs]', { timeout: 30000 });
  page.devtools = await context.newCDPSession(page);
  return page;
}

// The key or button that the project binds to something.
function signFor(project, screen, of, does, shortcut) {
  const own = project.screens.find(s => s.id === screen)?.bindings || [];
  const all = [...own, ...(project.bindings || standard)];
  const fits = b => b.does === does && (does !== 'shortcut' || b.shortcut === shortcut) && (of in b);
  return all.find(fits)?.[of];
}
const standard = [
  { key: 'Enter', does: 'accept' }, { key: 'Escape', does: 'cancel' }, { key: 'PageUp', does: 'tab left' }, { key: 'PageDown', does: 'tab right' },
  { button: 'lower button', does: 'accept' }, { button: 'right button', does: 'cancel' }, { button: 'left shoulder', does: 'tab left' }, { button: 'right shoulder', does: 'tab right' },
];

// Does one step of a take; false where it can't be done by real input there.
export async function act(page, project, step) {
  const by = step.by || (/^(point|scroll)/.test(step.do) ? 'mouse' : 'keyboard');
  const down = step.press !== false;
  if (step.on !== undefined) {
    const at = await page.evaluate(on => globalThis.bristleMiddle(on), step.on);
    if (!at) return false;
    [step.x, step.y] = at;
  }
  if (/^point/.test(step.do) && by === 'mouse' && !step.unit) {
    await page.mouse.move(step.x, step.y);
    if (step.do === 'point.down') await page.mouse.down();
    if (step.do === 'point.up') await page.mouse.up();
    return true;
  }
  if (/^point/.test(step.do) && by === 'touch' && !step.unit) {
    const type = { point: 'touchMove', 'point.down': 'touchStart', 'point.up': 'touchEnd' }[step.do];
    await page.devtools.send('Input.dispatchTouchEvent', { type, touchPoints: type === 'touchEnd' ? [] : [{ x: step.x, y: step.y, id: 0 }] });
    return true;
  }
  if (by === 'controller' && /^(move|accept|cancel|shoulder|shortcut)$/.test(step.do)) {
    const top = await page.evaluate(() => globalThis.bristleTop());
    const does = { accept: 'accept', cancel: 'cancel', shortcut: 'shortcut', shoulder: 'tab ' + step.dir }[step.do];
    const index = step.do === 'move' ? cross[step.dir] : padButtons.indexOf(held.get(step.do + step.name + step.dir) || signFor(project, top, 'button', does, step.name));
    if (index < 0) return false;
    held.set(step.do + step.name + step.dir, down && step.do !== 'move' ? padButtons[index] : undefined);
    await page.evaluate(([index, down]) => {
      globalThis.pads[0] ||= { connected: true, index: 0, axes: [0, 0], buttons: Array.from({ length: 17 }, () => ({ pressed: false })) };
      globalThis.pads[0].buttons[index].pressed = down;
      globalThis.bristleRead();
    }, [index, down]);
    return true;
  }
  if (by === 'keyboard' && !step.key && /^(move|accept|cancel|step|shoulder|shortcut)$/.test(step.do)) {
    const top = await page.evaluate(() => globalThis.bristleTop());
    const does = { accept: 'accept', cancel: 'cancel', shortcut: 'shortcut', shoulder: 'tab ' + step.dir }[step.do];
    if (step.do === 'step') {
      await page.keyboard.press(down ? 'Tab' : 'Shift+Tab');
      return true;
    }
    const key = step.do === 'move' ? arrows[step.dir] : keyOf(held.get('k' + step.do + step.name + step.dir) || signFor(project, top, 'key', does, step.name));
    if (!key) return false;
    held.set('k' + step.do + step.name + step.dir, down && step.do !== 'move' ? key : undefined);
    await (down ? page.keyboard.down(key) : page.keyboard.up(key));
    return true;
  }
  // What no device of a browser does: hosts' events, several of a sort.
  await page.evaluate(e => globalThis.bristleFeed(...e), [inputs.indexOf(step.do), devices.indexOf(by), {
    x: step.x || 0, y: step.y || 0, direction: Math.max(0, directions.indexOf(step.dir)), down: down ? 1 : 0, unit: step.unit || 0, key: step.key || 0,
    number: (step.do === 'scroll' ? step.px : step.to) || 0, name: step.button || step.message || step.value || step.name || '',
  }]);
  return true;
}
const held = new Map();
function keyOf(sign) {
  if (!sign) return null;
  const name = sign.split('+').pop();
  if (/^[A-Z]$/.test(name)) return 'Key' + name;
  return /^[0-9]$/.test(name) ? 'Digit' + name : name;
}
